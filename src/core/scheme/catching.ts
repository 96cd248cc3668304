import { alongSegment } from '@/core/geometry/distance';
import type { Point, Polygon } from '@/core/geometry/polygon';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import { asDrawn } from './laid';

/** A marking as far as a boundary may be drawn to it. */
export interface MarkingInPlace {
  title: string;
  places: readonly { view: View; station: number; offset: number }[];
}

/** What catches a corner that comes near it in one view; points as the view draws them, m. */
export interface Catches {
  /** Middles of markings first, then the ends of panel and hinge lines. */
  points: { title: string; at: Point }[];
  lines: readonly Polygon[];
}

/** Everything on one view that a boundary of the scheme is drawn to. */
export function catchesOf(outline: Outline, view: View, markings: readonly MarkingInPlace[]): Catches {
  const middles = markings.flatMap(({ title, places }) =>
    places
      .filter((place) => place.view === view)
      .map(({ station, offset }) => ({
        title: `middle of ${title}`,
        at: asDrawn(outline, view, [[station, offset]])[0]!,
      })),
  );
  const lines = outline.drawings[view].lines.map(({ points }) => points);
  const ends = lines.flatMap((points) =>
    [points[0]!, points.at(-1)!].map((at) => ({ title: 'end of a panel line', at })),
  );
  return { points: [...middles, ...ends], lines };
}

/**
 * Where a corner at a point is caught within a reach, m: at the nearest point before any line, since lines end at points; null where
 * nothing is near.
 */
export function caught({ points, lines }: Catches, [u, v]: Point, reach: number): Point | null {
  const near = nearest(
    points.map(({ at }) => at),
    [u, v],
  );
  if (near && near.far <= reach) return near.at;
  const feet = lines.flatMap((line) => line.slice(1).map((b, i) => alongSegment([u, v], line[i]!, b)));
  const foot = nearest(feet, [u, v]);
  return foot && foot.far <= reach ? foot.at : null;
}

/** The catching points of a view, the nearest to a point first. */
export const nearestCatches = ({ points }: Catches, [u, v]: Point, most: number): Catches['points'] =>
  points
    .map((one) => ({ one, far: Math.hypot(one.at[0] - u, one.at[1] - v) }))
    .sort((a, b) => a.far - b.far)
    .slice(0, most)
    .map(({ one }) => one);

function nearest(points: readonly Point[], [u, v]: Point): { at: Point; far: number } | null {
  let best: { at: Point; far: number } | null = null;
  for (const at of points) {
    const far = Math.hypot(at[0] - u, at[1] - v);
    if (!best || far < best.far) best = { at, far };
  }
  return best;
}
