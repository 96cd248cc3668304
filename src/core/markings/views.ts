import { drawnPath, type DrawnPath } from '@/core/geometry/drawn-path';
import { extentOf, type Extent, type Point } from '@/core/geometry/polygon';
import type { Line, Shape } from '@/core/outline/drawing';
import type { Outline } from '@/core/outline/outline';
import { VIEWS, type View } from '@/core/outline/zones';
import type { SchemeField } from '@/core/scheme/field';
import { fieldsInView } from '@/core/scheme/in-view';
import { ringsOf, shapesUnderFields, type FieldInView } from '@/core/scheme/shown-field';
import { rememberingFor } from '@/core/units/remembered';
import { artworkIn, middleOf, schemeOn, type Artwork, type PlaceableMarking } from './placing';

/**
 * All that one view of a machine shows, as it is drawn: plain data, so that who draws it needs neither its surfaces nor how it is laid on them.
 * Extents and places in m as drawn.
 */
export interface ShownView {
  extent: Extent;
  shapes: ShownShape[];
  /** What of the scheme is drawn right over which shape, in the order in which it is laid. */
  fields: { over: number; field: string; code: string; softM: number; path: DrawnPath }[];
  lines: { weight: Line['weight']; path: DrawnPath }[];
  artwork: ShownArtwork[];
}
export type ShownViews = Record<View, ShownView>;

interface ShownShape extends Pick<Shape, 'zone' | 'glass'> {
  path: DrawnPath;
  /** What stands for it where a line is drawn round several. */
  middle: Point;
}

interface ShownArtwork extends Pick<Artwork, 'marking' | 'picture'> {
  extent: Extent;
  fields: { code: string; path: DrawnPath }[];
}

export function shownView(
  outline: Outline,
  view: View,
  fields: readonly FieldInView[],
  markings: readonly PlaceableMarking[],
): ShownView {
  const [drawing, extent] = [outline.drawings[view], outline.extents[view]];
  const breadth = Math.max(extent.right - extent.left, extent.bottom - extent.top);
  return {
    extent,
    shapes: drawing.shapes.map(({ zone, glass, points }) => ({
      zone,
      ...(glass ? { glass } : {}),
      path: drawnPath([points], breadth),
      middle: roughly(middleOf([points])),
    })),
    fields: shapesUnderFields(drawing, fields).flatMap(({ over }, i) =>
      over.map((piece) => ({
        over: i,
        field: piece.field,
        code: piece.code,
        softM: piece.softM,
        path: drawnPath(ringsOf(piece), breadth),
      })),
    ),
    lines: drawing.lines.map(({ weight, points }) => ({ weight, path: drawnPath([points], breadth, false) })),
    artwork: artworkIn(outline, markings, view).map(({ marking, picture, fields: own }) => ({
      marking,
      picture,
      extent: extentOf(own.flatMap(({ region }) => region)),
      fields: own.map(({ code, region }) => ({ code, path: drawnPath(region, breadth) })),
    })),
  };
}

/** To the millimetre; nought is written without a sign. */
const mm = (m: number) => Math.round(m * 1000) / 1000 + 0;
const roughly = ([u, v]: Point): Point => [mm(u), mm(v)];

/** More schemes of one outline than a brief is told in are never asked for by turns. */
const remember = rememberingFor<Outline, ShownViews>(4);

/** The four views with scheme and markings, as they are sent. */
export function shownViews(
  outline: Outline,
  fields: readonly SchemeField[],
  markings: readonly PlaceableMarking[],
): ShownViews {
  return remember(outline, JSON.stringify([fields, markings]), () => {
    const painted = schemeOn(outline, fields, markings);
    return Object.fromEntries(
      VIEWS.map((view) => [view, shownView(outline, view, fieldsInView(outline, painted, view), markings)]),
    ) as ShownViews;
  });
}
