import { isInRegion, steps, type Point } from '@/core/geometry/polygon';
import { between, bodyPoint, type Xyz } from '@/core/outline/body';
import { followed, type Chart } from '@/core/outline/chart';
import type { Motion } from '@/core/outline/leaves';
import { chordAt, liftingPoint } from '@/core/outline/lifting';
import type { Outline } from '@/core/outline/outline';
import { onWay } from '@/core/outline/space';
import type { Cell } from '@/core/scheme/cells';
import { groupBy } from '@/core/units/grouped';
import { smooth, turnOf, type Lifted } from './lift';
import { cornerAt, type Mesh } from './mesh';
import { carried } from './opened';
import { BARE, type SkinPiece } from './piece';

/** What closes the skin: ends of bodies, and where the two faces of a wing do not meet by themselves. */

/** A cell of the scheme and where it stands. */
export interface StandingCell extends Cell {
  motion: Motion | null;
}

/** Ends of bodies are closed, so that nobody looks into them. */
export function endsOf({ regions }: Outline): SkinPiece[] {
  const charts = new Map<Chart, string>();
  for (const { chart, zone, glass } of regions) if (!glass && !charts.has(chart)) charts.set(chart, zone);
  return [...charts].flatMap(([chart, zone]): SkinPiece[] => {
    const { on } = chart;
    if (on.kind !== 'body') return [];
    const { sections } = on.body;
    return [sections[0]!, sections.at(-1)!].flatMap(({ x, width, height }, end) =>
      width > 0 && height > 0
        ? [
            {
              ...BARE,
              zone: zoneAt(regions, chart, x, zone),
              // Each looks out of its own end.
              ...fan(steps(0, 345, 23).map((step) => bodyPoint(on.body, x, end === 0 ? step : 345 - step))),
            },
          ]
        : [],
    );
  });
}

/** Just beside an edge, as a share of a step of its chart. */
const BESIDE = 1e-3;
/** Thinner than this, m, nothing has to be closed. */
const THIN = 1e-4;

/**
 * Where the two faces of a wing or tail do not meet by themselves, as round its tip and where a leaf of it stands open, they are joined in the
 * middle between them, each half in the colour of its own face.
 */
export function edgesOf(cells: readonly StandingCell[]): SkinPiece[] {
  const whole = cells.filter(
    ({ chart, share, field }) => chart.on.kind === 'lifting' && (share === 1 || field === null),
  );
  const faces = [...groupBy(whole, ({ chart }) => chart)].flatMap(([chart, own]) =>
    [...groupBy(own, ({ motion }) => motion)].map(([motion, standing]) => ({ chart, motion, own: standing })),
  );
  return faces.flatMap(({ chart, motion, own }) => {
    const isTurned = turnOf(chart) > 0;
    const isSkin = (point: Point) => own.some(({ region }) => isInRegion(point, region));
    return own.map(({ zone, code, region, glass }): SkinPiece => {
      const strips: Mesh = { positions: [], triangles: [] };
      for (const ring of region)
        ring.forEach((from, i) => {
          const to = ring[(i + 1) % ring.length]!;
          const [left, right] = [isSkin(beside(chart, from, to, 1)), isSkin(beside(chart, from, to, -1))];
          if (left !== right)
            addStrip(strips, chart, followed(chart, left === isTurned ? [from, to] : [to, from], false));
        });
      return { ...BARE, zone, code, glass, ...carried(smooth(strips), motion) };
    });
  });
}

/** A point just beside the middle of an edge. */
function beside({ step: [sp, sq] }: Chart, [p0, q0]: Point, [p1, q1]: Point, side: 1 | -1): Point {
  const [dp, dq] = [(p1 - p0) / sp, (q1 - q0) / sq];
  const length = Math.hypot(dp, dq) || 1;
  return [(p0 + p1) / 2 - (side * BESIDE * sp * dq) / length, (q0 + q1) / 2 + (side * BESIDE * sq * dp) / length];
}

/** From a face half-way to the other along a line of its chart. */
function addStrip({ positions, triangles }: Mesh, chart: Chart, line: readonly Point[]): void {
  const { of, face } = chart.on as Extract<Chart['on'], { kind: 'lifting' }>;
  const first = positions.length / 3;
  for (const [out, x] of line) {
    const share = out / of.semispan;
    const { x: front, chord } = chordAt(of, share);
    const t = chord > 0 ? Math.min(1, Math.max(0, (x - front) / chord)) : 0;
    const own = liftingPoint(of, face, share, t);
    positions.push(...own, ...onWay(own, liftingPoint(of, face === 1 ? -1 : 1, share, t), 0.5));
  }
  const isThick = (corner: number) => between(cornerAt(positions, corner), cornerAt(positions, corner + 1)) > THIN;
  line.slice(1).forEach((_, i) => {
    const [a, b] = [first + 2 * i, first + 2 * i + 2];
    if (isThick(a) || isThick(b)) triangles.push(a, a + 1, b, b, a + 1, b + 1);
  });
}

/** The zone at an end of a surface, of several the one that begins or ends there. */
const zoneAt = (regions: Outline['regions'], chart: Chart, x: number, otherwise: string): string =>
  regions.find(
    (own) => own.chart === chart && !own.glass && own.region.some((ring) => ring.some(([p]) => Math.abs(p - x) < 1e-6)),
  )?.zone ?? otherwise;

function fan(ring: readonly Xyz[]): Lifted {
  const middle = [0, 1, 2].map((k) => ring.reduce((sum, at) => sum + at[k]!, 0) / ring.length) as unknown as Xyz;
  const triangles = ring.flatMap((_, i) => [0, i + 1, ((i + 1) % ring.length) + 1]);
  return smooth({ positions: [...middle, ...ring.flat()], triangles });
}
