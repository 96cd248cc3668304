import type { Dimensions } from './dimensions';
import type { ProfilePoint } from './preset';

/**
 * Monotone cubic interpolation (Fritsch, Carlson 1980) through points with rising x: smooth, and never beyond its points.
 */
export function smooth(points: readonly (readonly [x: number, y: number])[]): (x: number) => number {
  const n = points.length;
  const slope = points.slice(1).map(([x, y], i) => (y - points[i]![1]) / (x - points[i]![0]));
  const tangent = points.map((_, i) => {
    if (i === 0) return slope[0] ?? 0;
    if (i === n - 1) return slope[n - 2] ?? 0;
    const [a, b] = [slope[i - 1]!, slope[i]!];
    return a * b <= 0 ? 0 : (2 * a * b) / (a + b);
  });
  return (x) => {
    if (x <= points[0]![0]) return points[0]![1];
    if (x >= points[n - 1]![0]) return points[n - 1]![1];
    const i = points.findIndex(([next]) => next > x) - 1;
    const [x0, y0] = points[i]!;
    const [x1, y1] = points[i + 1]!;
    const h = x1 - x0;
    const t = (x - x0) / h;
    return (
      (2 * t ** 3 - 3 * t ** 2 + 1) * y0 +
      (t ** 3 - 2 * t ** 2 + t) * h * tangent[i]! +
      (3 * t ** 2 - 2 * t ** 3) * y1 +
      (t ** 3 - t ** 2) * h * tangent[i + 1]!
    );
  };
}

/** The fuselage as functions of the station x (m aft of the nose): heights above the belly datum and half width, in m. */
export interface Body {
  length: number;
  top(x: number): number;
  bottom(x: number): number;
  halfWidth(x: number): number;
}

export function bodyOf(profile: readonly ProfilePoint[], d: Dimensions): Body {
  const top = smooth(profile.map(([t, value]) => [t, value]));
  const bottom = smooth(profile.map(([t, , value]) => [t, value]));
  const width = smooth(profile.map(([t, , , value]) => [t, value]));
  return {
    length: d.length,
    top: (x) => top(x / d.length) * d.fuselageHeight,
    bottom: (x) => bottom(x / d.length) * d.fuselageHeight,
    halfWidth: (x) => (width(x / d.length) * d.fuselageWidth) / 2,
  };
}
