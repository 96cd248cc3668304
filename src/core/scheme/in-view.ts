import { isInRegion } from '@/core/geometry/clip';
import { ellipse, extentOf, halton, type Point, type Polygon } from '@/core/geometry/polygon';
import { shownIn } from '@/core/outline/chart';
import type { Shape, ViewDrawing } from '@/core/outline/drawing';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import type { PaintedField } from './cells';
import { remembering } from '@/core/units/remembered';
import { cornersNow, type PlaceOf, type SchemeField } from './field';
import { layField, type LaidField } from './laid';

/** A field as a view shows it on one surface. */
export interface FieldInView {
  field: string;
  code: string;
  chart: string;
  /** What an odd number of rings surround is painted, m as drawn. */
  rings: Polygon[];
  /** Width of its edge, m; 0 for a hard one. */
  softM: number;
}

const memories = new WeakMap<Outline, ReturnType<typeof remembering<LaidField>>>();
const MOST_KNOWN = 400;

/** Fields laid on the skin. Those that have not moved are remembered: while one is dragged only it is laid anew. */
export function paintScheme(outline: Outline, fields: readonly SchemeField[], placeOf: PlaceOf): PaintedField[] {
  const remember = memories.get(outline) ?? remembering<LaidField>(MOST_KNOWN);
  memories.set(outline, remember);
  return [...fields]
    .sort((a, b) => a.rank - b.rank)
    .map((field) => {
      const { shape, mirrored, keptTo } = field;
      const corners = 'corners' in shape ? cornersNow(shape.corners, placeOf) : null;
      const key = JSON.stringify([shape, corners, mirrored, keptTo]);
      return { field, laid: remember(key, () => layField(outline, field, placeOf)) };
    });
}

type Piece = Pick<FieldInView, 'chart' | 'rings'>;

/** A laid field is one of its shape: what a view shows of it, blotches and all, is worked out once. */
const shown = new WeakMap<LaidField, Map<View, Piece[]>>();

/** What of the fields a view shows, the first laid first. */
export function fieldsInView(outline: Outline, painted: readonly PaintedField[], view: View): FieldInView[] {
  const { length } = outline.spec.dimensions;
  const charts = new Map(outline.regions.map(({ chart }) => [chart.id, chart]));
  return painted.flatMap(({ field, laid }) => {
    const known = shown.get(laid) ?? new Map<View, Piece[]>();
    shown.set(laid, known);
    let pieces = known.get(view);
    if (!pieces) {
      pieces = [...laid].flatMap(([chart, region]): Piece[] => {
        const area = shownIn(charts.get(chart)!, region, view, length);
        const rings = field.shape.kind === 'mottle' ? blotches(area, field.shape) : area;
        return area.length > 0 ? [{ chart, rings }] : [];
      });
      known.set(view, pieces);
    }
    const own = { field: field.id, code: field.code, softM: field.edge === 'soft' ? field.softMm / 1000 : 0 };
    return pieces.map((piece) => ({ ...piece, ...own }));
  });
}

/**
 * The shapes of a view, each with what of the scheme is drawn right over it: the fields of a surface come when all zones of it are drawn, and
 * under whatever is nearer than it.
 */
export function shapesUnderFields(
  { shapes }: Pick<ViewDrawing, 'shapes'>,
  fields: readonly FieldInView[],
): { shape: Shape; over: FieldInView[] }[] {
  const lastOf = new Map(shapes.map(({ chart }, i) => [chart, i]));
  return shapes.map((shape, i) => ({
    shape,
    over: shape.chart && lastOf.get(shape.chart) === i ? fields.filter(({ chart }) => chart === shape.chart) : [],
  }));
}

/** The most blotches that are drawn of one field in one view. */
const MOST_BLOTCHES = 500;

/** Blotches spread evenly over an area, the same at every redraw. */
function blotches(rings: Polygon[], { density, blotchMm }: { density: number; blotchMm: number }): Polygon[] {
  const { left, right, top, bottom } = extentOf(rings);
  const radius = blotchMm / 2000;
  const box = (right - left) * (bottom - top);
  const count = Math.min(MOST_BLOTCHES, Math.ceil((density * box) / (Math.PI * radius * radius)));
  return Array.from({ length: count }, (_, i): Point => [
    left + halton(i + 1, 2) * (right - left),
    top + halton(i + 1, 3) * (bottom - top),
  ])
    .filter((point) => isInRegion(point, rings))
    .map(([u, v], i) =>
      ellipse(u, v, radius * (0.75 + 0.5 * halton(i + 1, 5)), radius * (0.75 + 0.4 * halton(i + 1, 7)), 12),
    );
}
