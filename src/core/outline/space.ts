import type { Xyz } from './body';

/** Points and ways in space, as far as the house reckons with them. */

export const plus = (a: Xyz, b: Xyz, times = 1): Xyz => [a[0] + times * b[0], a[1] + times * b[1], a[2] + times * b[2]];
export const times = (v: Xyz, by: number): Xyz => [v[0] * by, v[1] * by, v[2] * by];
/** The way from one point to another. */
export const way = (from: Xyz, to: Xyz): Xyz => plus(to, from, -1);
/** The point at a share of the straight way from one to another. */
export const onWay = (from: Xyz, to: Xyz, share: number): Xyz => plus(from, way(from, to), share);
export const cross = ([ax, ay, az]: Xyz, [bx, by, bz]: Xyz): Xyz => [
  ay * bz - az * by,
  az * bx - ax * bz,
  ax * by - ay * bx,
];
export const dot = (a: Xyz, b: Xyz): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** The same way, of length 1. */
export const unit = (v: Xyz): Xyz => {
  const length = Math.hypot(...v);
  return [v[0] / length, v[1] / length, v[2] / length];
};
/** A way turned right-handed about an axis of length 1, by radians (Rodrigues' formula). */
export const turnedAbout = (axis: Xyz, angle: number, v: Xyz): Xyz =>
  plus(plus(times(v, Math.cos(angle)), cross(axis, v), Math.sin(angle)), axis, dot(axis, v) * (1 - Math.cos(angle)));
