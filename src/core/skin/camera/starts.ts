import type { Xyz } from '@/core/outline/body';
import { cross, dot, plus, times, unit } from '@/core/outline/space';
import { leastSquares } from '@/core/units/linear';
import type { Point } from '@/core/geometry/polygon';
import type { Sight, Terms, Unknowns } from './refine';
import { squared, type Rotation } from './view';

/** Cameras to begin from, found without a guess: from the linear projection of all places, and from the one without depth. */

/** Focal lengths that are tried, in widths of the picture. */
const FOCALS = [0.35, 0.55, 0.9, 1.4, 2.2, 3.5, 6, 12] as const;
/** Places that lie so near to one plane, as a share of their spread, tell nothing of what is across it. */
const FLAT = 0.06;

/** `principal` as it is known, or the middle of the picture. */
export function starts(sights: readonly Sight[], terms: Terms, principal: Point): Unknowns[] {
  const focals = terms.focal === null ? FOCALS : [terms.focal];
  const begin = (rotation: Rotation, m: number, a: number, b: number, focal: number): Unknowns => {
    const q = m / focal;
    return { rotation, m, a, b, q, principal, kappa: terms.k1 === 0 ? 0 : terms.k1 / focal ** 2 };
  };
  const seen = sights.map(({ seen: [u, v] }): Point => [u - principal[0], v - principal[1]]);
  const places = sights.map(({ place }) => place);
  const flat = without(places, seen);
  const found: Unknowns[] = [];
  const add = (rotation: Rotation | null, m: number, a: number, b: number) => {
    if (rotation && m > 0) for (const focal of focals) found.push(begin(rotation, m, a, b, focal));
  };
  for (const { rows, a, b } of flat) {
    const { rotation, m } = fromTwoRows(rows[0], rows[1]);
    add(rotation, m, a, b);
  }
  const whole = sights.length >= 6 ? linear(places, seen) : null;
  if (whole) {
    const { right, down, depth, a, b } = whole;
    const { rotation, m } = fromTwoRows(right, down);
    add(rotation, m, a, b);
    for (const focal of focals) {
      const turned = nearestRotation([right, down, times(depth, focal)]);
      if (turned) found.push(begin(turned.rotation, turned.scale, a, b, focal));
    }
  }
  return found;
}

/** Two rows that should be square to one another and equally long, made so with as little as possible. */
function fromTwoRows(right: Xyz, down: Xyz): { rotation: Rotation | null; m: number } {
  const [lr, ld] = [Math.hypot(...right), Math.hypot(...down)];
  if (lr < 1e-12 || ld < 1e-12) return { rotation: null, m: 0 };
  const [r, d] = [times(right, 1 / lr), times(down, 1 / ld)];
  const [sum, difference] = [plus(r, d), plus(r, d, -1)];
  if (Math.hypot(...sum) < 1e-9 || Math.hypot(...difference) < 1e-9) return { rotation: null, m: 0 };
  const [p, n] = [unit(sum), unit(difference)];
  const [first, second] = [times(plus(p, n), Math.SQRT1_2), times(plus(p, n, -1), Math.SQRT1_2)];
  return { rotation: [first, second, cross(first, second)], m: (lr + ld) / 2 };
}

/** Nine numbers to the rotation nearest to them (polar decomposition, Higham 1986: the mean with the inverse transposed, again and again). */
function nearestRotation(rows: readonly [Xyz, Xyz, Xyz]): { rotation: Rotation; scale: number } | null {
  let [a, b, c] = rows;
  const scale = (Math.hypot(...a) + Math.hypot(...b)) / 2;
  for (let i = 0; i < 30; i += 1) {
    const volume = dot(a, cross(b, c));
    if (Math.abs(volume) < 1e-30) return null;
    const [x, y, z] = [cross(b, c), cross(c, a), cross(a, b)].map((v) => times(v, 1 / volume)) as [Xyz, Xyz, Xyz];
    const grown = Math.sqrt(Math.sqrt((dot(x, x) + dot(y, y) + dot(z, z)) / (dot(a, a) + dot(b, b) + dot(c, c))));
    const mean = (own: Xyz, other: Xyz) => times(plus(times(own, grown), other, 1 / grown), 0.5);
    [a, b, c] = [mean(a, x), mean(b, y), mean(c, z)];
  }
  const rotation = squared(a, b);
  // One that is turned inside out is none.
  return dot(rotation[2], c) > 0 ? { rotation, scale } : null;
}

/** u (1 + q r3 P) = m r1 P + a and the same for v, solved for all of it at once (direct linear transform). */
function linear(places: readonly Xyz[], seen: readonly Point[]) {
  const h = leastSquares(
    places.flatMap(([x, y, z], i) => {
      const [u, v] = seen[i]!;
      return [
        [x, y, z, 1, 0, 0, 0, 0, -u * x, -u * y, -u * z, u],
        [0, 0, 0, 0, x, y, z, 1, -v * x, -v * y, -v * z, v],
      ];
    }),
  );
  if (!h || !h.every(Number.isFinite)) return null;
  return {
    right: [h[0]!, h[1]!, h[2]!] as Xyz,
    a: h[3]!,
    down: [h[4]!, h[5]!, h[6]!] as Xyz,
    b: h[7]!,
    depth: [h[8]!, h[9]!, h[10]!] as Xyz,
  };
}

interface Affine {
  rows: [Xyz, Xyz];
  a: number;
  b: number;
}

/**
 * The projection without depth. Where the places lie near one plane what is across it is not told: it is chosen so that the rows become square and
 * equally long, which two do.
 */
function without(places: readonly Xyz[], seen: readonly Point[]): Affine[] {
  const { axes, spread } = principalAxes(places);
  const isFlat = spread[2]! < FLAT * spread[0]!;
  const used = isFlat ? axes.slice(0, 2) : axes;
  const fit = (which: 0 | 1) =>
    leastSquares(places.map((place, k) => [...used.map((axis) => dot(axis, place)), 1, seen[k]![which]]));
  const [u, v] = [fit(0), fit(1)];
  if (!u || !v) return [];
  const row = (found: readonly number[]) => used.reduce<Xyz>((sum, axis, i) => plus(sum, axis, found[i]), [0, 0, 0]);
  const [right, down] = [row(u), row(v)];
  const [a, b] = [u.at(-1)!, v.at(-1)!];
  if (!isFlat) return [{ rows: [right, down], a, b }];
  // (right + s n)(down + t n) = 0 and |right + s n| = |down + t n|.
  const product = -dot(right, down);
  const difference = dot(down, down) - dot(right, right);
  const s2 = (difference + Math.hypot(difference, 2 * product)) / 2;
  const s = Math.sqrt(Math.max(0, s2));
  const t = s > 1e-12 ? product / s : Math.sqrt(Math.max(0, -difference));
  return [1, -1].map((side) => ({
    rows: [plus(right, axes[2], side * s), plus(down, axes[2], side * t)],
    a,
    b,
  }));
}

/** Along which the places are spread most, next and least (Jacobi's rotations of their second moments), and how far. */
export function principalAxes(places: readonly Xyz[]): { axes: [Xyz, Xyz, Xyz]; spread: [number, number, number] } {
  const m = [0, 1, 2].map((i) => [0, 1, 2].map((j) => places.reduce((s, place) => s + place[i]! * place[j]!, 0)));
  const axes = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  for (let sweep = 0; sweep < 30; sweep += 1)
    for (const [p, q] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      if (Math.abs(m[p]![q]!) < 1e-300) continue;
      const angle = Math.atan2(2 * m[p]![q]!, m[q]![q]! - m[p]![p]!) / 2;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      for (const row of m) [row[p], row[q]] = [c * row[p]! - s * row[q]!, s * row[p]! + c * row[q]!];
      const [mp, mq] = [m[p]!, m[q]!];
      for (let k = 0; k < 3; k += 1) [mp[k], mq[k]] = [c * mp[k]! - s * mq[k]!, s * mp[k]! + c * mq[k]!];
      for (const axis of axes) [axis[p], axis[q]] = [c * axis[p]! - s * axis[q]!, s * axis[p]! + c * axis[q]!];
    }
  const order = [0, 1, 2].sort((i, j) => m[j]![j]! - m[i]![i]!);
  return {
    axes: order.map((i) => axes.map((row) => row[i]!) as unknown as Xyz) as [Xyz, Xyz, Xyz],
    spread: order.map((i) => Math.sqrt(Math.max(0, m[i]![i]!))) as [number, number, number],
  };
}
