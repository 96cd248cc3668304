import { rectangle } from '@/core/geometry/polygon';
import { lengthOn } from '@/core/outline/chart';
import type { Outline } from '@/core/outline/outline';
import { rememberedFor } from '@/core/units/remembered';
import { panesOf } from './cut-sheet';

export interface Glass {
  panes: number;
  /** Along all of their edges, on the real machine. */
  frameMm: number;
}

/** The panes that are masked one by one: those for which masks are cut; found once for an outline. */
export const glassOf = rememberedFor(measured);

function measured(outline: Outline): Glass {
  const panes = panesOf(outline);
  const frameM = panes.reduce((sum, { chart, along: [a, b], round: [low, high] }) => {
    const ring = rectangle(a, low, b, high);
    return sum + lengthOn(chart, [...ring, ring[0]!]);
  }, 0);
  return { panes: panes.length, frameMm: frameM * 1000 };
}
