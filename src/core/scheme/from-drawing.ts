import { simplified } from '@/core/geometry/clip';
import { extentOf, polygonArea } from '@/core/geometry/polygon';
import type { DrawnShape } from '@/core/geometry/svg-paths';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import { PLAIN_FIELD } from './field';
import { fromDrawn } from './laid';
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
    .map((ring) => ring.map(([x, y]) => [extent.left + (x - drawn.left) * scale, middle + y * scale] as const))
    .filter((ring) => polygonArea(ring) > SPECK_M2)
    .map((ring, i): FieldDraft => {
      let corners = ring as readonly (readonly [number, number])[];
      for (let tolerance = 0.002; corners.length > MOST_CORNERS; tolerance *= 2)
        corners = simplified([ring], tolerance)[0] ?? corners.slice(0, MOST_CORNERS);
      return {
        title: `Drawn area ${i + 1}`,
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
    });
}
