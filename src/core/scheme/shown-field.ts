import { ellipse, extentOf, halton, isInRegion, type Point, type Polygon } from '@/core/geometry/polygon';
import type { Shape, ViewDrawing } from '@/core/outline/drawing';
import { rememberedOf } from '@/core/units/remembered';

/** A field as a view shows it on one surface. */
export interface FieldInView {
  field: string;
  code: string;
  chart: string;
  /** What an odd number of rings surround, m as drawn. */
  area: Polygon[];
  /** Painted in blotches of that density and breadth; null where all of it is. */
  mottle: { density: number; blotchMm: number } | null;
  /** Width of its edge, m; 0 for a hard one. */
  softM: number;
}

/** What of a field is painted: what an odd number of these rings surround. Blotches are spread over an area once. */
export function ringsOf({ area, mottle }: Pick<FieldInView, 'area' | 'mottle'>): readonly Polygon[] {
  return mottle ? spread(area, mottle) : area;
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

const spread = rememberedOf(blotches);

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
