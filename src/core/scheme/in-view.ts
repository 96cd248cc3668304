import { shownIn } from '@/core/outline/chart';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import type { PaintedField } from './cells';
import { rememberingFor } from '@/core/units/remembered';
import { cornersNow, type PlaceOf, type SchemeField } from './field';
import { layField, type LaidField } from './laid';
import type { FieldInView } from './shown-field';

const remember = rememberingFor<Outline, LaidField>(400);

/** Fields laid on the skin. Those that have not moved are remembered: while one is dragged only it is laid anew. */
export function paintScheme(outline: Outline, fields: readonly SchemeField[], placeOf: PlaceOf): PaintedField[] {
  return [...fields]
    .sort((a, b) => a.rank - b.rank)
    .map((field) => {
      const { shape, mirrored, keptTo } = field;
      const corners = 'corners' in shape ? cornersNow(shape.corners, placeOf) : null;
      const key = JSON.stringify([shape, corners, mirrored, keptTo]);
      return { field, laid: remember(outline, key, () => layField(outline, field, placeOf)) };
    });
}

type Piece = Pick<FieldInView, 'chart' | 'area' | 'mottle'>;

/** A laid field is one of its shape: what a view shows of it is worked out once. */
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
        const { shape } = field;
        const mottle = shape.kind === 'mottle' ? { density: shape.density, blotchMm: shape.blotchMm } : null;
        return area.length > 0 ? [{ chart, area, mottle }] : [];
      });
      known.set(view, pieces);
    }
    const own = { field: field.id, code: field.code, softM: field.edge === 'soft' ? field.softMm / 1000 : 0 };
    return pieces.map((piece) => ({ ...piece, ...own }));
  });
}
