import type { Dimensions } from './dimensions';
import { steps } from '@/core/geometry/polygon';
import type { Body } from './body';
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
export interface Profile {
  length: number;
  top(x: number): number;
  bottom(x: number): number;
  halfWidth(x: number): number;
}

export function profileOf(profile: readonly ProfilePoint[], d: Dimensions): Profile {
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

/** Sections along a fuselage, beside its own points. */
const SECTIONS = 44;

/** The fuselage as a body: sections at its own points and evenly between. `n`: how boxy they are. */
export function bodyOfProfile(points: readonly ProfilePoint[], d: Dimensions, n: number): Body {
  const profile = profileOf(points, d);
  const end = points.at(-1)![0] * d.length;
  const xs = [...steps(0, end, SECTIONS), ...points.map(([t]) => t * d.length)]
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - all[i - 1]! > d.length * 1e-4);
  return {
    y: 0,
    sections: xs.map((x) => {
      const [top, bottom] = [profile.top(x), profile.bottom(x)];
      return { x, width: 2 * profile.halfWidth(x), height: top - bottom, z: (top + bottom) / 2, n };
    }),
  };
}
