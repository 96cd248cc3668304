import { grown, intersection, together, type Region } from '@/core/geometry/clip';
import { rectangle, type Point } from '@/core/geometry/polygon';
import { sectionAt } from '@/core/outline/body';
import type { Chart } from '@/core/outline/chart';
import type { PaintedField } from '@/core/scheme/cells';

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
