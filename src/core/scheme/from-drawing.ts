import { simplified, solid } from '@/core/geometry/clip';
import { extentOf, polygonArea, type Point, type Polygon } from '@/core/geometry/polygon';
import type { DrawnShape } from '@/core/geometry/svg-paths';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import { PLAIN_FIELD } from './field';
import { asDrawn, fromDrawn } from './laid';
import type { FieldDraft } from './patterns';

const MOST_CORNERS = 380;
/** Smaller pieces than this, m2 in the view, are specks. */
const SPECK_M2 = 1e-4;

/**
 * Fields of the scheme from the closed shapes of a drawing, which is laid over the view so that both are equally long. The first drawn lies
 * undermost; each ring is a field of its own.
 */
export function fieldsFromDrawing(
  shapes: readonly DrawnShape[],
  outline: Outline,
  view: View,
  code: string,
): FieldDraft[] {
  const drawn = extentOf(shapes.flatMap(({ rings }) => rings));
  const extent = outline.extents[view];
  const scale = (extent.right - extent.left) / (drawn.right - drawn.left);
  const middle = (extent.top + extent.bottom) / 2 - ((drawn.top + drawn.bottom) / 2) * scale;
  return shapes
    .flatMap(({ rings }) => rings)
    .map((ring) => ring.map(([x, y]): Point => [extent.left + (x - drawn.left) * scale, middle + y * scale]))
    .filter((ring) => polygonArea(ring) > SPECK_M2)
    .map((ring, i) => areaOf(ring, outline, view, code, `Drawn area ${i + 1}`));
}

/** A colour of a pattern that was traced, in pixels of its picture. */
export interface TracedField {
  code: string;
  rings: readonly Polygon[];
}

/** Where a picture lies under a view: two of its points, as shares of its breadth and height, with the station and offset that they show, m. */
export interface LaidPicture {
  width: number;
  height: number;
  fromPoint: { u: number; v: number; x: number; y: number };
  toPoint: { u: number; v: number; x: number; y: number };
}

/**
 * Fields of the scheme from a pattern that was traced in a picture under a view: true to the two points that are known in it. What is larger
 * lies under what is smaller, so that an island lies on what is round it.
 */
export function fieldsFromPattern(
  traced: readonly TracedField[],
  { width, height, fromPoint: a, toPoint: b }: LaidPicture,
  outline: Outline,
  view: View,
): FieldDraft[] {
  const [from, to] = asDrawn(outline, view, [
    [a.x, a.y],
    [b.x, b.y],
  ]) as [Point, Point];
  const [px, py] = [(b.u - a.u) * width, (b.v - a.v) * height];
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  // Turned and sized as one: a similarity, as the quotient of two complex numbers.
  const square = px * px + py * py;
  const [re, im] = [(dx * px + dy * py) / square, (dy * px - dx * py) / square];
  const drawn = ([x, y]: Point): Point => {
    const [u, v] = [x - a.u * width, y - a.v * height];
    return [from[0] + re * u - im * v, from[1] + im * u + re * v];
  };
  return traced
    .flatMap(({ code, rings }) => solid(rings).map((ring) => ({ code, ring: ring.map(drawn) })))
    .map((piece) => ({ ...piece, area: polygonArea(piece.ring) }))
    .filter(({ area }) => area > PATTERN_SPECK_M2)
    .sort((one, other) => other.area - one.area)
    .map(({ code, ring }, i) => areaOf(ring, outline, view, code, `Pattern ${i + 1}, ${view}`));
}

/** Smaller pieces of a pattern than this, m2 on the machine, are dust and letters. */
const PATTERN_SPECK_M2 = 0.02;

/** A ring as a view draws it, m, as an area of one colour. */
function areaOf(ring: Polygon, outline: Outline, view: View, code: string, title: string): FieldDraft {
  let corners = ring;
  for (let tolerance = 0.002; corners.length > MOST_CORNERS; tolerance *= 2)
    corners = simplified([ring], tolerance)[0] ?? corners.slice(0, MOST_CORNERS);
  return {
    title,
    code,
    shape: {
      kind: 'area',
      view,
      smooth: false,
      corners: corners.map((point) => {
        const [x, y] = fromDrawn(outline, view, point);
        return { x: Math.round(x * 1000) / 1000, y: Math.round(y * 1000) / 1000, on: null };
      }),
    },
    ...PLAIN_FIELD,
  };
}
