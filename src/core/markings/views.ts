import type { Extent, Point, Polygon } from '@/core/geometry/polygon';
import type { ViewDrawing } from '@/core/outline/drawing';
import type { Outline } from '@/core/outline/outline';
import { VIEWS, type View } from '@/core/outline/zones';
import type { SchemeField } from '@/core/scheme/field';
import { fieldsInView } from '@/core/scheme/in-view';
import type { FieldInView } from '@/core/scheme/shown-field';
import { rememberingFor } from '@/core/units/remembered';
import { artworkIn, schemeOn, type Artwork, type PlaceableMarking } from './placing';

/** All that one view of a machine shows, m as drawn: plain data, so that who draws it needs neither its surfaces nor how it is laid on them. */
export interface ShownView extends ViewDrawing {
  extent: Extent;
  fields: readonly FieldInView[];
  artwork: readonly Artwork[];
}
export type ShownViews = Record<View, ShownView>;

export const shownView = (
  outline: Outline,
  view: View,
  fields: readonly FieldInView[],
  markings: readonly PlaceableMarking[],
): ShownView => ({
  ...outline.drawings[view],
  extent: outline.extents[view],
  fields,
  artwork: artworkIn(outline, markings, view),
});

/** More schemes of one outline than a brief is told in are never asked for by turns. */
const remember = rememberingFor<Outline, ShownViews>(4);

/** The four views with scheme and markings, as they are sent: to the millimetre, of which a screen shows less. */
export function shownViews(
  outline: Outline,
  fields: readonly SchemeField[],
  markings: readonly PlaceableMarking[],
): ShownViews {
  return remember(outline, JSON.stringify([fields, markings]), () => {
    const painted = schemeOn(outline, fields, markings);
    return Object.fromEntries(
      VIEWS.map((view) => [
        view,
        toMillimetres(shownView(outline, view, fieldsInView(outline, painted, view), markings)),
      ]),
    ) as ShownViews;
  });
}

/** Nought is written without a sign. */
const mm = (m: number) => Math.round(m * 1000) / 1000 + 0;
const ring = (points: Polygon): Point[] => points.map(([u, v]) => [mm(u), mm(v)]);

const toMillimetres = ({ shapes, lines, extent, fields, artwork }: ShownView): ShownView => ({
  shapes: shapes.map((shape) => ({ ...shape, points: ring(shape.points) })),
  lines: lines.map((line) => ({ ...line, points: ring(line.points) })),
  extent,
  fields: fields.map((field) => ({ ...field, area: field.area.map(ring) })),
  artwork: artwork.map((art) => ({
    ...art,
    fields: art.fields.map(({ region, code }) => ({ region: region.map(ring), code })),
  })),
});
