import { grown, intersection, together, type Region } from '@/core/geometry/clip';
import { rectangle, steps, type Point } from '@/core/geometry/polygon';
import { sectionAt } from '@/core/outline/body';
import { withoutSlivers, type Chart } from '@/core/outline/chart';
import type { Cell, PaintedField } from '@/core/scheme/cells';
import { groupBy } from '@/core/units/grouped';

/** Soft edges of a scheme: across their width a colour comes up step by step, from nothing to all of it. */

/** Steps of a soft edge: finer than an eye tells at arm's length. */
const STEPS = 4;

/** A strip round a field, laid over what lies there. */
export interface SoftStrip {
  chart: Chart;
  code: string;
  region: Region;
  /** How much of it covers: of all strips that lie over one another together what the edge has there. */
  share: number;
}

/** The scheme with soft fields as far as they cover, and what comes up to them round their borders; what has no soft edge stays as it is. */
export function softened(
  painted: readonly PaintedField[],
  charts: ReadonlyMap<string, Chart>,
): { painted: PaintedField[]; strips: SoftStrip[] } {
  const strips: SoftStrip[] = [];
  const whole = painted.map((own): PaintedField => {
    const { field, laid } = own;
    if (field.edge !== 'soft' || field.softMm <= 0 || field.shape.kind === 'mottle') return own;
    const width = field.softMm / 1000;
    const inner = new Map<string, Region>();
    for (const [id, region] of laid) {
      const chart = charts.get(id);
      const border = chart && region.length > 0 ? borderOf(chart, region) : null;
      if (!border) {
        inner.set(id, region);
        continue;
      }
      inner.set(id, border(-width / 2));
      // From the outermost in: each lies over those before it, so that what covers adds up to an even slope.
      for (let i = 1; i <= STEPS; i += 1) {
        const [before, now] = [(i - 1) / (STEPS + 1), i / (STEPS + 1)];
        const share = (now - before) / (1 - before);
        strips.push({ chart: chart!, code: field.code, region: border(width * (0.5 - (i - 0.5) / STEPS)), share });
      }
    }
    return { field, laid: inner };
  });
  return { painted: whole, strips };
}

/** How wide a soft edge between zones is, mm on the model, where nobody measured it: what a raised mask leaves. */
const SOFT_MODEL_MM = 1.5;

/** What reaches over the border of a zone onto the next: each its own colour, up to half of what covers at the border itself. */
export interface Overspray<M> {
  chart: Chart;
  region: Region;
  /** How what it lies on stands. */
  motion: M;
  /** The zone that it comes from. */
  zone: string;
  share: number;
  /** From the outermost, to 1 at the border. */
  rank: number;
}

/** Over every border of a soft zone that no field makes: of either side onto the other. */
export function oversprayOf<M>(
  cells: readonly (Pick<Cell, 'chart' | 'zone' | 'field' | 'glass' | 'region'> & { motion: M })[],
  soft: ReadonlySet<string>,
  denominator: number,
): Overspray<M>[] {
  if (soft.size === 0) return [];
  const bare = groupBy(
    cells.filter(({ field, glass }) => field === null && !glass),
    ({ chart }) => chart,
  );
  const half = (SOFT_MODEL_MM * denominator) / 2000;
  return [...bare].flatMap(([chart, on]) =>
    on.flatMap((from) => {
      const border = borderOf(chart, from.region);
      return on.flatMap((onto) => {
        if (onto.zone === from.zone || !(soft.has(from.zone) || soft.has(onto.zone))) return [];
        return steps(1, STEPS, STEPS - 1).flatMap((i): Overspray<M>[] => {
          const region = withoutSlivers(chart, intersection(border(half * (1 - (i - 0.5) / STEPS)), onto.region));
          const [before, now] = [(i - 1) / (2 * STEPS), i / (2 * STEPS)];
          const share = (now - before) / (1 - before);
          return region.length > 0
            ? [{ chart, region, motion: onto.motion, zone: from.zone, share, rank: i / STEPS }]
            : [];
        });
      });
    }),
  );
}

/** A region of a chart whose border is moved outwards by so many m of skin, inwards where they are negative. */
function borderOf(chart: Chart, region: Region): (by: number) => Region {
  const { on } = chart;
  const stations = region.flat().map(([p]) => p);
  const middle = (Math.min(...stations) + Math.max(...stations)) / 2;
  // A degree of girth as m of skin, where the region has its middle: soft edges are not measured.
  const section = on.kind === 'body' ? sectionAt(on.body, middle) : null;
  const degree = section ? Math.max(1e-3, ((section.width + section.height) / 4) * (Math.PI / 180)) : 1;
  const scaled = (ring: readonly Point[], turn = 0) => ring.map(([p, q]): Point => [p, (q + turn) * degree]);
  // Right round a body its spine is no border.
  const flat = section
    ? together([-360, 0, 360].map((turn) => region.map((ring) => scaled(ring, turn))))
    : region.map((ring) => scaled(ring));
  const far = Math.max(...stations.map(Math.abs)) + 10;
  return (by) => {
    const moved = grown(flat, by).map((ring) => ring.map(([p, q]): Point => [p, q / degree]));
    return section ? intersection(moved, [rectangle(-far, 0, far, 360)]) : moved;
  };
}
