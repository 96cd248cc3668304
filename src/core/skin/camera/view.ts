import type { Xyz } from '@/core/outline/body';
import { cross, dot, plus, times, turnedAbout, unit, way } from '@/core/outline/space';
import type { Eye } from '../seen-from';
import type { Point } from '@/core/geometry/polygon';

/**
 * A picture as a camera sees a machine (Hartley and Zisserman, Multiple View Geometry, 2004, ch. 6; radial term: Brown 1971). Places in mm on the
 * real machine, x aft, y to starboard, z up; points in px, u to the right and v down.
 */

/** Rows to the right, down and ahead, of length 1 and square to one another. */
export type Rotation = readonly [right: Xyz, down: Xyz, ahead: Xyz];

export interface Camera {
  focalPx: number;
  principal: Point;
  k1: number;
  rotation: Rotation;
  /** Where the camera stands, mm. */
  centre: Xyz;
}

/** A place in the camera's own axes: to the right, down and ahead. */
export const seenBy = ({ rotation, centre }: Pick<Camera, 'rotation' | 'centre'>, place: Xyz): Xyz => {
  const toIt = way(centre, place);
  return [dot(rotation[0], toIt), dot(rotation[1], toIt), dot(rotation[2], toIt)];
};

/** Where a place is seen; null where it does not lie before the camera. */
export function project(camera: Camera, place: Xyz): Point | null {
  const [x, y, ahead] = seenBy(camera, place);
  if (ahead <= 0) return null;
  const [p, q] = [x / ahead, y / ahead];
  const bent = camera.focalPx * (1 + camera.k1 * (p * p + q * q));
  return [bent * p + camera.principal[0], bent * q + camera.principal[1]];
}

/**
 * Where a place is seen and how near it is, as one over its distance ahead, which is even along each straight line of a picture; not a number
 * where it does not lie before the camera.
 */
export function seenNear(camera: Camera, place: Xyz): [u: number, v: number, near: number] {
  const [u, v] = project(camera, place) ?? [Number.NaN, Number.NaN];
  return [u, v, Math.max(0, 1 / seenBy(camera, place)[2])];
}

/** A camera as an eye: to the right and up in its picture, and towards it. */
export const eyeOf = ({ rotation: [right, down, ahead] }: Camera): Eye => ({
  right,
  up: times(down, -1),
  toward: times(ahead, -1),
});

/** The way on which a point of the picture looks, in the machine's axes, of length 1. */
export function rayOf({ focalPx, principal, k1, rotation }: Camera, [u, v]: Point): Xyz {
  const [p, q] = [(u - principal[0]) / focalPx, (v - principal[1]) / focalPx];
  const bent = Math.hypot(p, q);
  // r (1 + k1 r2) = bent, by Newton from where it would be without the lens.
  let r = bent;
  for (let i = 0; i < 60 && k1 !== 0; i += 1) {
    const step = (r * (1 + k1 * r * r) - bent) / (1 + 3 * k1 * r * r);
    r -= step;
    if (Math.abs(step) < 1e-15 * Math.max(1, bent)) break;
  }
  const straight = bent > 0 ? r / bent : 1;
  const [right, down, ahead] = rotation;
  return unit(plus(plus(ahead, right, p * straight), down, q * straight));
}

/** A rotation turned by a small vector of angles, as the camera's axes have them. */
export function turnedBy(rotation: Rotation, w: Xyz): Rotation {
  const angle = Math.hypot(...w);
  if (angle === 0) return rotation;
  const axis = unit(w);
  const columns = ([0, 1, 2] as const).map((k) =>
    turnedAbout(axis, angle, [rotation[0][k], rotation[1][k], rotation[2][k]]),
  );
  const row = (i: 0 | 1) => columns.map((column) => column[i]) as unknown as Xyz;
  return squared(row(0), row(1));
}

/** The rotation of a way to the right and one nearly square to it. */
export function squared(right: Xyz, down: Xyz): Rotation {
  const first = unit(right);
  const second = unit(plus(down, first, -dot(first, down)));
  return [first, second, cross(first, second)];
}

/** Of a camera at a place that looks at another, with `up` above; looking straight up or down it has the nose above. */
export function lookingAt(centre: Xyz, aim: Xyz, up: Xyz = [0, 0, 1]): Rotation {
  const ahead = unit(way(centre, aim));
  const right = unit(cross(ahead, Math.abs(ahead[2]) > 0.97 ? [-1, 0, 0] : up));
  return [right, cross(ahead, right), ahead];
}

/** The angle between two rotations, degrees. */
export function turnBetween(a: Rotation, b: Rotation): number {
  const trace = dot(a[0], b[0]) + dot(a[1], b[1]) + dot(a[2], b[2]);
  return (Math.acos(Math.min(1, Math.max(-1, (trace - 1) / 2))) * 180) / Math.PI;
}
