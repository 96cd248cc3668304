import { extentOf, isInRegion, type Extent, type Point } from '@/core/geometry/polygon';
import { between } from '@/core/outline/body';
import { followed, type Chart } from '@/core/outline/chart';
import type { Cell } from './cells';
import type { SchemeField } from './field';

/** Where two colours meet on the model. */
export interface ColourEdge {
  a: string;
  b: string;
  /** m on the real machine. */
  lengthM: number;
  hard: boolean;
}

interface Placed extends Cell {
  box: Extent;
}

/** How far beyond a border its other side is looked for, as a share of the steps of the chart. */
const BEYOND = 0.02;

/** What lies on one side of a border: a zone in its own colour, or a field that lies on it. */
export interface BorderSide {
  zone: string;
  /** The field; null for the zone's own colour. */
  field: string | null;
}

/** Where two pieces of the skin meet, whatever colours they have. */
export interface Border {
  a: BorderSide;
  b: BorderSide;
  /** m on the real machine. */
  lengthM: number;
}

const sideName = ({ zone, field }: BorderSide): string => `${zone} ${field ?? ''}`;

/**
 * All borders between the pieces of a skin: along the border of every piece it is asked what lies just beyond. Each border is met from both
 * sides and counts half each time. Over the leading and trailing edges of a wing its upper face meets its lower one. Blotches have none that
 * is masked.
 */
export function bordersOf(cells: readonly Cell[]): Border[] {
  const solid = cells.filter(({ share }) => share >= 0.5);
  const byChart = new Map<string, Placed[]>();
  for (const cell of solid) {
    const on = byChart.get(cell.chart.id) ?? [];
    on.push({ ...cell, box: extentOf(cell.region) });
    byChart.set(cell.chart.id, on);
  }
  const borders = new Map<string, Border>();
  for (const [id, here] of byChart) {
    const twin = byChart.get(otherFace(id));
    for (const cell of here)
      for (const ring of cell.region) {
        const line = followed(cell.chart, ring, true);
        line.forEach((a, i) => {
          const b = line[(i + 1) % line.length]!;
          const [out, along] = beyond(cell.chart, a, b);
          const isLeft = holds(cell, out.left);
          // A spike without breadth, as rounding leaves where borders run together, has the piece on neither side.
          if (isLeft === holds(cell, out.right)) return;
          const [inside, outside] = isLeft ? [out.left, out.right] : [out.right, out.left];
          const other =
            here.find((one) => one !== cell && holds(one, outside)) ??
            (twin && !isRoot(cell, a, b) ? twin.find((one) => holds(one, inside)) : undefined);
          if (!other) return;
          const [first, second] = sideName(cell) < sideName(other) ? [cell, other] : [other, cell];
          const key = `${sideName(first)}|${sideName(second)}`;
          if (sideName(first) === sideName(second)) return;
          const known = borders.get(key) ?? { a: sideOf(first), b: sideOf(second), lengthM: 0 };
          known.lengthM += along / 2;
          borders.set(key, known);
        });
      }
  }
  return [...borders.values()];
}

const sideOf = ({ zone, field }: Cell): BorderSide => ({ zone, field });

/** The code that shows on a side of a border; null where nobody has decided. */
export type CodeOf = (side: BorderSide) => string | null;

/** Lengths of the edges between colours. `isSoft` tells the edge between two zones where no field makes it. */
export function edgesByColour(
  borders: readonly Border[],
  codeOf: CodeOf,
  fields: ReadonlyMap<string, SchemeField>,
  isSoft: (zone: string, other: string) => boolean,
): ColourEdge[] {
  const edges = new Map<string, ColourEdge>();
  for (const { a: one, b: other, lengthM } of borders) {
    const [a, b] = [codeOf(one), codeOf(other)];
    if (a === null || b === null || a === b) continue;
    const hard = isHard(one, other, fields, isSoft);
    const [first, second] = a < b ? [a, b] : [b, a];
    const key = `${first} ${second} ${hard}`;
    const known = edges.get(key) ?? { a: first, b: second, lengthM: 0, hard };
    known.lengthM += lengthM;
    edges.set(key, known);
  }
  return [...edges.values()].sort((p, q) => (p.a + p.b < q.a + q.b ? -1 : p.a + p.b > q.a + q.b ? 1 : p.hard ? -1 : 1));
}

const otherFace = (id: string): string =>
  /-upper-(port|starboard)$/.test(id)
    ? id.replace(/-upper-/, '-lower-')
    : /-lower-(port|starboard)$/.test(id)
      ? id.replace(/-lower-/, '-upper-')
      : '';

/** The end at the fuselage, where no skin goes round. */
const isRoot = ({ box }: Placed, a: Point, b: Point): boolean =>
  Math.abs(a[0] - box.left) < 1e-3 && Math.abs(b[0] - box.left) < 1e-3;

/** Points just to both sides of the middle of a stretch, and its length on the skin. */
function beyond(chart: Chart, a: Point, b: Point): [{ left: Point; right: Point }, number] {
  const [sp, sq] = chart.step;
  const [dx, dy] = [(b[0] - a[0]) / sp, (b[1] - a[1]) / sq];
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / length) * BEYOND * sp, (dx / length) * BEYOND * sq];
  const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const round = (q: number) => (chart.on.kind === 'body' ? ((q % 360) + 360) % 360 : q);
  return [{ left: [mx + nx, round(my + ny)], right: [mx - nx, round(my - ny)] }, between(chart.at(a), chart.at(b))];
}

const holds = ({ region, box }: Placed, point: Point): boolean => {
  if (point[0] < box.left || point[0] > box.right || point[1] < box.top || point[1] > box.bottom) return false;
  return isInRegion(point, region);
};

/** The edge of whichever was laid last; between two zones in their own colours as it was ruled. */
export function isHard(
  one: BorderSide,
  other: BorderSide,
  fields: ReadonlyMap<string, SchemeField>,
  isSoft: (zone: string, other: string) => boolean,
): boolean {
  const later = [one, other]
    .flatMap(({ field }) => (field ? (fields.get(field) ?? []) : []))
    .sort((a, b) => b.rank - a.rank)[0];
  return later ? later.edge === 'hard' : !isSoft(one.zone, other.zone);
}
