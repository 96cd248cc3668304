import { halton, ellipse, type Polygon } from '@/core/geometry/polygon';
import { areaOn } from '@/core/outline/chart';
import type { Outline } from '@/core/outline/outline';
import type { PaintedField } from './cells';
import type { FieldShape } from './field';

/** Blotches that are sprayed through a stencil: a card with holes of their sizes, that is laid on again and again. */

type Mottle = Extract<FieldShape, { kind: 'mottle' }>;

/** Holes of one card: enough that nobody sees them come again once it is turned about. */
export const STENCIL_HOLES = 12;

/** Whether a field is sprayed through a stencil. */
export const isStencilled = (shape: FieldShape): shape is Mottle => shape.kind === 'mottle' && shape.by === 'stencil';

/** How many blotches a field has on the skin: so many of the mean size as cover its share. */
export function blotchCount(outline: Outline, { field, laid }: PaintedField): number {
  if (field.shape.kind !== 'mottle') return 0;
  const charts = new Map(outline.regions.map(({ chart }) => [chart.id, chart]));
  const { density, blotchMm } = field.shape;
  const areaM2 = [...laid].reduce((sum, [id, region]) => sum + areaOn(charts.get(id)!, region), 0);
  return Math.max(1, Math.round((areaM2 * density) / (Math.PI * (blotchMm / 2000) ** 2)));
}

/** The holes of the card, each about its own middle, mm on the model: from three quarters of the size to one and a quarter, none alike. */
export const stencilHoles = ({ blotchMm }: Mottle, denominator: number): Polygon[] =>
  Array.from({ length: STENCIL_HOLES }, (_, i) => {
    const radius = blotchMm / 2 / denominator;
    return ellipse(0, 0, radius * (0.75 + 0.5 * halton(i + 1, 5)), radius * (0.75 + 0.5 * halton(i + 1, 7)), 24);
  });
