import { dense, type Point } from '@/core/geometry/polygon';
import { rememberedFor } from '@/core/units/remembered';
import type { Outline } from './outline';
import { VIEWS } from './zones';

/** Zones nearer than this share of the airframe's length meet. */
const NEAR_SHARE = 0.008;

/** Pairs of zones that meet in one of the views: where one colour is seen beside the other. Each pair once, in order of their keys. */
export const touchingZones = rememberedFor(pairsOf);

function pairsOf(outline: Outline): readonly (readonly [string, string])[] {
  const near = NEAR_SHARE * Math.max(...VIEWS.map((view) => outline.extents[view].right - outline.extents[view].left));
  const pairs = new Map<string, [string, string]>();
  for (const view of VIEWS) {
    const shapes = outline.drawings[view].shapes.map(({ zone, points }) => ({
      zone,
      points: dense(points, near),
      box: boxOf(points, near),
    }));
    shapes.forEach((one, i) => {
      for (const other of shapes.slice(i + 1)) {
        const pair = [one.zone, other.zone].sort() as [string, string];
        const key = pair.join(' ');
        if (one.zone === other.zone || pairs.has(key) || !overlap(one.box, other.box)) continue;
        // Only what lies in both boxes can be near.
        const here = one.points.filter((point) => within(other.box, point));
        const there = other.points.filter((point) => within(one.box, point));
        if (here.some(([x, y]) => there.some(([u, v]) => (x - u) * (x - u) + (y - v) * (y - v) < near * near)))
          pairs.set(key, pair);
      }
    });
  }
  return [...pairs.values()];
}

function boxOf(points: readonly Point[], room: number) {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return {
    left: Math.min(...xs) - room,
    right: Math.max(...xs) + room,
    top: Math.min(...ys) - room,
    bottom: Math.max(...ys) + room,
  };
}

type Box = ReturnType<typeof boxOf>;
const within = ({ left, right, top, bottom }: Box, [x, y]: Point) => x >= left && x <= right && y >= top && y <= bottom;
const overlap = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
