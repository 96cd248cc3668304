import { between, type Xyz } from '@/core/outline/body';
import { followed } from '@/core/outline/chart';
import type { SkinLine } from '@/core/outline/parts';
import { dot, plus, times, way } from '@/core/outline/space';
import type { Landed } from './landing';

/** A drawn line of the skin, and how far a place lies from it, mm. */
export interface NearLine {
  id: string;
  mm: number;
}

/** Further off than this, mm, nobody tells a place by a line. */
const MOST_MM = 1500;

/**
 * The joint, hinge or edge of the surface that a place lies nearest to. It is measured straight: over so short a way the skin is hardly bent.
 * Null where none is near, and on what is fitted to the machine.
 */
export function nearestLine(lines: readonly SkinLine[], { on, xyz }: Pick<Landed, 'on' | 'xyz'>): NearLine | null {
  if (!on) return null;
  return lines
    .filter(({ chart }) => chart === on.chart)
    .flatMap(({ id, chart, points }): NearLine[] => {
      const along = followed(chart, points, false).map((point) => times(chart.at(point), 1000));
      const mm = Math.min(...along.slice(1).map((to, i) => fromStretch(xyz, along[i]!, to)));
      return mm <= MOST_MM ? [{ id, mm }] : [];
    })
    .reduce<NearLine | null>((best, one) => (best && best.mm <= one.mm ? best : one), null);
}

/** From a place to a straight stretch between two others. */
function fromStretch(at: Xyz, from: Xyz, to: Xyz): number {
  const line = way(from, to);
  const long = dot(line, line);
  const share = long === 0 ? 0 : Math.min(1, Math.max(0, dot(way(from, at), line) / long));
  return between(at, plus(from, line, share));
}
