import type { Xyz } from '@/core/outline/body';
import { solveLinear } from '@/core/units/linear';
import type { Point } from '@/core/geometry/polygon';
import { turnedBy, type Rotation } from './view';

/**
 * Cameras refined by Levenberg and Marquardt, over places centred and scaled. With T the middle of the places in the camera's axes the unknowns are
 * the rotation, a = f Tx/Tz, b = f Ty/Tz, m = f/Tz and q = 1/Tz: a camera far away, of which focal length and distance are hardly to be told apart,
 * stays well conditioned, and q may pass through 0. A lens bends by kappa = k1/f2.
 */

export interface Unknowns {
  rotation: Rotation;
  a: number;
  b: number;
  m: number;
  q: number;
  principal: Point;
  kappa: number;
}

/** What is known and what is looked for; lengths of pictures in one unit throughout. */
export interface Terms {
  /** Null where it is looked for. */
  focal: number | null;
  freePrincipal: boolean;
  freeKappa: boolean;
  /** As it is known. */
  k1: number;
}

export interface Sight {
  place: Xyz;
  seen: Point;
  /** One over its standard deviation. */
  weight: number;
}

/** How many unknowns there are. */
export const unknownsIn = ({ focal, freePrincipal, freeKappa }: Terms): number =>
  6 + (focal === null ? 1 : 0) + (freePrincipal ? 2 : 0) + (freeKappa ? 1 : 0);

/** No place may come nearer to the plane of the camera than this share of the distance of the middle. */
const NEAREST = 1e-4;

/** The picture of one place, and how it moves with each unknown; false where it does not lie before the camera. */
export function pictureOf(
  { rotation, a, b, m, q, principal, kappa }: Unknowns,
  terms: Terms,
  place: Xyz,
  out: { u: number; v: number; du: number[]; dv: number[] },
): boolean {
  const [r1, r2, r3] = rotation;
  const [x, y, z] = place;
  const q1 = r1[0] * x + r1[1] * y + r1[2] * z;
  const q2 = r2[0] * x + r2[1] * y + r2[2] * z;
  const q3 = r3[0] * x + r3[1] * y + r3[2] * z;
  const depth = 1 + q * q3;
  if (depth < NEAREST) return false;
  const [s, t] = [(m * q1 + a) / depth, (m * q2 + b) / depth];
  const far = s * s + t * t;
  const bent = 1 + kappa * far;
  out.u = s * bent + principal[0];
  out.v = t * bent + principal[1];
  // Of the straight picture: by the three turns, a, b, m, q.
  const [mq, sq, tq] = [m / depth, (s * q) / depth, (t * q) / depth];
  const ds = [-sq * q2, mq * q3 + sq * q1, -mq * q2, 1 / depth, 0, q1 / depth, (-s * q3) / depth];
  const dt = [-mq * q3 - tq * q2, tq * q1, mq * q1, 0, 1 / depth, q2 / depth, (-t * q3) / depth];
  const [ss, st, tt] = [bent + 2 * kappa * s * s, 2 * kappa * s * t, bent + 2 * kappa * t * t];
  const du = out.du;
  const dv = out.dv;
  for (let k = 0; k < 7; k += 1) {
    du[k] = ss * ds[k]! + st * dt[k]!;
    dv[k] = st * ds[k]! + tt * dt[k]!;
  }
  let n = 7;
  const { focal, k1 } = terms;
  // A lens that is known by k1 bends with f.
  const byLens = !terms.freeKappa && k1 !== 0;
  if (focal !== null) {
    // q follows m.
    du[5]! += du[6]! / focal;
    dv[5]! += dv[6]! / focal;
    n = 6;
  } else if (byLens) {
    const [onM, onQ] = [(-2 * kappa) / m, q === 0 ? 0 : (2 * kappa) / q];
    du[5]! += s * far * onM;
    dv[5]! += t * far * onM;
    du[6]! += s * far * onQ;
    dv[6]! += t * far * onQ;
  }
  if (terms.freePrincipal) {
    du[n] = 1;
    dv[n] = 0;
    du[n + 1] = 0;
    dv[n + 1] = 1;
    n += 2;
  }
  if (terms.freeKappa) {
    du[n] = s * far;
    dv[n] = t * far;
  }
  return true;
}

/** Room for the picture of one place. */
export const blank = () => ({ u: 0, v: 0, du: new Array<number>(10).fill(0), dv: new Array<number>(10).fill(0) });

/** The normal equations: their matrix, and the right side; null where a place does not lie before the camera. */
export function normalEquations(
  camera: Unknowns,
  terms: Terms,
  sights: readonly Sight[],
): { matrix: number[][]; right: number[]; cost: number } | null {
  const n = unknownsIn(terms);
  const matrix = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  const right = new Array<number>(n).fill(0);
  const at = blank();
  let cost = 0;
  for (const { place, seen, weight } of sights) {
    if (!pictureOf(camera, terms, place, at)) return null;
    const w2 = weight * weight;
    const [ru, rv] = [seen[0] - at.u, seen[1] - at.v];
    cost += w2 * (ru * ru + rv * rv);
    for (let i = 0; i < n; i += 1) {
      const [ui, vi] = [w2 * at.du[i]!, w2 * at.dv[i]!];
      right[i]! += ui * ru + vi * rv;
      const row = matrix[i]!;
      for (let j = 0; j <= i; j += 1) row[j]! += ui * at.du[j]! + vi * at.dv[j]!;
    }
  }
  for (let i = 0; i < n; i += 1) for (let j = 0; j < i; j += 1) matrix[j]![i] = matrix[i]![j]!;
  return { matrix, right, cost };
}

/** A camera after a step of its unknowns. */
export function stepped(camera: Unknowns, terms: Terms, step: readonly number[]): Unknowns {
  const m = camera.m + step[5]!;
  let n = 6;
  const q = terms.focal === null ? camera.q + step[n++]! : m / terms.focal;
  const principal: Point = terms.freePrincipal
    ? [camera.principal[0] + step[n++]!, camera.principal[1] + step[n++]!]
    : camera.principal;
  const kappa = terms.freeKappa ? camera.kappa + step[n]! : terms.k1 === 0 ? 0 : terms.k1 * (q / m) ** 2;
  return {
    rotation: turnedBy(camera.rotation, [step[0]!, step[1]!, step[2]!]),
    a: camera.a + step[3]!,
    b: camera.b + step[4]!,
    m,
    q,
    principal,
    kappa,
  };
}

export interface Refined {
  camera: Unknowns;
  cost: number;
}

/** From a camera to the nearest one that no small step makes better; null where it sees nothing from the beginning. */
export function refined(start: Unknowns, terms: Terms, sights: readonly Sight[], most: number): Refined | null {
  let camera = start;
  let now = normalEquations(camera, terms, sights);
  if (!now) return null;
  let damping = 1e-3;
  for (let i = 0; i < most; i += 1) {
    const { matrix, right, cost } = now;
    const step = solveLinear(
      matrix.map((row, k) => [...row.map((value, j) => (j === k ? value * (1 + damping) + 1e-300 : value)), right[k]!]),
    );
    const next = step && stepped(camera, terms, step);
    const then = next && next.m > 0 ? normalEquations(next, terms, sights) : null;
    if (next && then && then.cost <= cost) {
      const isDone = cost - then.cost <= 1e-13 * cost && damping < 1;
      camera = next;
      now = then;
      damping = Math.max(1e-12, damping / 8);
      if (isDone || then.cost < 1e-26 * sights.length) break;
    } else {
      damping *= 6;
      if (damping > 1e10) break;
    }
  }
  return { camera, cost: now.cost };
}
