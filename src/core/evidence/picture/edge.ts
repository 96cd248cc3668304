import { betweenPixels } from '@/core/geometry/between-pixels';
import { lumaAt, type Pixels } from './grey';
import type { XY } from './homography';

/** How soft a border of two colours is in a picture: its greys across it, and the normal distribution function that fits them best. */

/** Greys are read so far apart, px, and each is the mean of so many to either side, along the border. */
export const EDGE_STEP_PX = 0.5;
const BESIDE_PX = 2;

/** Greys from one point to another, straight across a border; null where that runs beyond the picture. */
export function profileAcross(pixels: Pixels, from: XY, to: XY): number[] | null {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const [du, dv] = [(to[0] - from[0]) / long, (to[1] - from[1]) / long];
  const steps = Math.floor(long / EDGE_STEP_PX);
  const profile = Array.from({ length: steps + 1 }, (_, i) => {
    const at = i * EDGE_STEP_PX;
    const beside = Array.from({ length: 2 * BESIDE_PX + 1 }, (__, k) => k - BESIDE_PX);
    const greys = beside.flatMap((k) => {
      const mixed = betweenPixels(pixels, [from[0] + at * du - k * dv, from[1] + at * dv + k * du]);
      return mixed ? [mixed((pixel) => lumaAt(pixels.data, 4 * pixel))] : [];
    });
    return greys.length > 0 ? greys.reduce((sum, grey) => sum + grey, 0) / greys.length : null;
  });
  return profile.includes(null) ? null : (profile as number[]);
}

export interface FittedEdge {
  /** Where its middle lies along the profile, px. */
  at: number;
  /** One standard deviation of its distribution, px. */
  spread: number;
  /** How well that is known, px. */
  sd: number;
}

/** From a tenth to nine tenths of the way from one colour to the other, in such deviations. */
export const SOFT_WIDTHS = 2 * 1.2815515655446004;
/** Of fewer greys no edge is told. */
const LEAST_GREYS = 12;
/** So many times the scatter of the greys must the two colours differ. */
const LEAST_CONTRAST = 3;
const ROUNDS = 60;

/** Null where the two ends hardly differ, or the profile is too short. */
export function fitEdge(profile: readonly number[], step = EDGE_STEP_PX): FittedEdge | null {
  if (profile.length < LEAST_GREYS) return null;
  const long = (profile.length - 1) * step;
  const left = (at: number, spread: number) => leftOver(profile, step, at, spread);
  // A coarse look over all places and spreads, then ever closer about the best.
  let best = { at: long / 2, spread: long / 8, ...left(long / 2, long / 8) };
  for (let i = 1; i < 24; i += 1)
    for (let spread = step; spread < long / 3; spread *= 1.5) {
      const tried = { at: (i * long) / 24, spread, ...left((i * long) / 24, spread) };
      if (tried.squares < best.squares) best = tried;
    }
  let [byAt, bySpread] = [long / 24, best.spread / 3];
  for (let round = 0; round < ROUNDS; round += 1) {
    const around = [
      [byAt, 0],
      [-byAt, 0],
      [0, bySpread],
      [0, -bySpread],
    ].map(([at, spread]) => {
      const there = { at: best.at + at!, spread: Math.max(step / 10, best.spread + spread!) };
      return { ...there, ...left(there.at, there.spread) };
    });
    const better = around.reduce((least, one) => (one.squares < least.squares ? one : least), best);
    if (better === best) [byAt, bySpread] = [byAt / 2, bySpread / 2];
    best = better;
  }
  const scatter = Math.sqrt(best.squares / (profile.length - 5));
  if (!(Math.abs(best.rise) > LEAST_CONTRAST * scatter) || Math.abs(best.rise) < 2) return null;
  // How fast what is left over grows on either side of the best spread (curvature of chi squared; GUM 2008, 5.1).
  const by = Math.max(step / 10, best.spread / 10);
  const curve =
    (left(best.at, best.spread + by).squares -
      2 * best.squares +
      left(best.at, Math.max(0.01, best.spread - by)).squares) /
    by ** 2;
  return { at: best.at, spread: best.spread, sd: curve > 0 ? scatter * Math.sqrt(2 / curve) : best.spread };
}

/**
 * What is left over, in squares, of the best rise over a normal distribution function at a place, on greys that go on evenly in the light along
 * the way; and that rise.
 */
function leftOver(profile: readonly number[], step: number, at: number, spread: number) {
  const n = profile.length;
  const middle = (n - 1) / 2;
  const shares = profile.map((_, i) => normalBelow((i * step - at) / spread));
  const [meanShare, meanGrey] = [shares, profile].map((all) => all.reduce((sum, one) => sum + one, 0) / n) as [
    number,
    number,
  ];
  // Normal equations of rise and slope about the means.
  let [ss, st, tt, gs, gt] = [0, 0, 0, 0, 0];
  shares.forEach((share, i) => {
    const [s, t, g] = [share - meanShare, i - middle, profile[i]! - meanGrey];
    ss += s * s;
    st += s * t;
    tt += t * t;
    gs += g * s;
    gt += g * t;
  });
  const whole = ss * tt - st * st;
  const rise = whole > 1e-9 * ss * tt ? (gs * tt - gt * st) / whole : 0;
  const slope = (gt - rise * st) / tt;
  const squares = shares.reduce(
    (sum, share, i) => sum + (profile[i]! - meanGrey - rise * (share - meanShare) - slope * (i - middle)) ** 2,
    0,
  );
  return { rise, squares };
}

/** Share of a normal distribution below so many deviations (Abramowitz and Stegun 1964, 26.2.17; to 7.5e-8). */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}
