import type { Xyz } from '@/core/outline/body';
import { dot } from '@/core/outline/space';
import { solveLinear } from '@/core/units/linear';
import type { Point } from '@/core/geometry/polygon';
import {
  blank,
  normalEquations,
  pictureOf,
  refined,
  stepped,
  unknownsIn,
  type Refined,
  type Sight,
  type Terms,
  type Unknowns,
} from './refine';
import { principalAxes, starts } from './starts';
import { project, turnBetween, type Camera } from './view';

/** The camera of a picture, from places of the machine that were found in it. */

export interface NamedPlace {
  id: string;
  /** px */
  at: Point;
  /** mm on the real machine */
  xyz: Xyz;
  sdPx: number;
}

export interface Picture {
  width: number;
  height: number;
}

export interface KnownOfCamera {
  focalPx: number | null;
  principal: Point | null;
  k1: number;
}
export type Freed = 'principal' | 'k1';

export interface FoundCamera extends Camera {
  /** Over all places that are no outliers, px. */
  rmsPx: number;
  /** What was found less what the camera shows, px; null where it does not show it at all. */
  residuals: { id: string; px: Point | null }[];
  outliers: string[];
  sd: { focalPx: number; centreMm: Xyz; turnDeg: number };
  says: string[];
}

/** Why there is no camera, in words. */
export class NoCamera extends Error {}

/** Off by more than so many of its own standard deviations, and by more than so many px, a place is an outlier. */
const OFF = { sds: 4.5, px: 5 } as const;
/** A mirrored picture is said to be when it fits so many times better. */
const MIRRORED = 3;
/** Steps of the first look at each start, and to the end. */
const [LOOK, END] = [12, 200] as const;
/** So many of the best are followed to the end. */
const FOLLOWED = 5;
/** Two cameras are two where they look so many degrees apart. */
const APART_DEG = 4;

/** Fewest places: two figures each against six unknowns of the camera, or seven with its focal length. */
export const fewestPlaces = ({ focalPx }: Pick<KnownOfCamera, 'focalPx'>): number => (focalPx === null ? 5 : 4);

/** Places more for what is looked for besides: its figures come from them. */
export const placesForFreed = (free: readonly Freed[]): number =>
  Math.ceil(((free.includes('principal') ? 2 : 0) + (free.includes('k1') ? 1 : 0)) / 2);

/** Throws NoCamera for too few places, and for places on one line. */
export const findCamera = (
  picture: Picture,
  points: readonly NamedPlace[],
  known: KnownOfCamera,
  free: ReadonlySet<Freed>,
): FoundCamera => searchCamera(picture, points, known, free).found;

/**
 * The camera with others as far off as it may be, in pairs: what is reckoned from each of a pair differs by twice what its own uncertainty is along
 * one unknown, and their squares add up to that of all (the columns of the Cholesky factor of the covariance). Where places fit worse than they were
 * said to, by the outline or by whoever set them, the pairs lie further apart by as much.
 */
export function searchCamera(
  picture: Picture,
  points: readonly NamedPlace[],
  known: KnownOfCamera,
  free: ReadonlySet<Freed>,
): { found: FoundCamera; pairs: readonly (readonly [Camera, Camera])[] } {
  if (points.length < fewestPlaces(known)) throw new NoCamera(`${fewestPlaces(known)} places are needed at least`);
  const scale = new Scale(picture, points, known, free);
  if (scale.spread[1] <= 1e-6 * scale.spread[0]) throw new NoCamera('all places lie on one line');
  const says: string[] = [];
  const all = points.map((point) => scale.sight(point));
  let kept = [...all.keys()];
  let best = scale.best(all);
  if (best.length === 0) throw new NoCamera('no camera sees all of these places before it');
  // Whoever is furthest off goes, as long as there are more places than a camera needs.
  const outliers: number[] = [];
  while (kept.length > fewestPlaces(known) + 1 && outliers.length * 3 < points.length) {
    const off = scale.furthestOff(all, kept, best[0]!.camera);
    if (off === null) break;
    outliers.push(off.place);
    kept = kept.filter((i) => i !== off.place);
    best = off.others;
  }
  const sights = kept.map((i) => all[i]!);
  const chosen = upright(best, sights.length, scale);
  if (chosen.others > 0)
    says.push('Another camera fits as well: one that has the nose up is taken; a place more decides it.');
  const found = scale.camera(chosen.camera);
  const sd = scale.deviations(chosen.camera, sights);
  if (!(sd.focalPx < 0.5 * found.focalPx))
    says.push(
      'Focal length and distance cannot be told apart: tell one of them, or find places nearer to the camera and farther from it.',
    );
  const fit = Math.sqrt(chosen.cost / (2 * sights.length));
  if (fit > 2) {
    const mirror = scale.mirrored();
    const mirrored = mirror.best(kept.map((i) => mirror.sight(points[i]!)));
    if (mirrored[0] && mirrored[0].cost * MIRRORED ** 2 <= chosen.cost)
      says.push('The print seems mirrored: left and right exchanged it fits far better.');
  }
  const residuals = points.map(({ id, at, xyz }) => {
    const seen = project(found, xyz);
    return { id, px: seen && ([at[0] - seen[0], at[1] - seen[1]] as const) };
  });
  const squares = kept.map((i) => residuals[i]!.px).map((px) => (px ? px[0] ** 2 + px[1] ** 2 : 0));
  // Each place gives two figures; what is left over of those tells how well they fit.
  const spare = 2 * sights.length - scale.unknowns;
  const worse = spare > 0 ? Math.max(1, Math.sqrt(chosen.cost / spare)) : 1;
  return {
    found: {
      ...found,
      rmsPx: Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / kept.length),
      residuals,
      outliers: outliers.sort((a, b) => a - b).map((i) => points[i]!.id),
      sd,
      says,
    },
    pairs: scale.pairs(chosen.camera, sights, worse),
  };
}

/** Of cameras that fit as well, where places are few, the one that has up above. */
function upright(best: readonly Refined[], count: number, scale: Scale): Refined & { others: number } {
  const [first] = best as [Refined];
  const isOpen = 2 * count - scale.unknowns < 4;
  const asGood = isOpen
    ? best.filter(
        ({ camera, cost }) =>
          cost <= first.cost * 4 + 1 &&
          (camera === first.camera || turnBetween(camera.rotation, first.camera.rotation) > APART_DEG),
      )
    : [first];
  const up = asGood.find(({ camera }) => camera.rotation[1][2] < 0) ?? first;
  return { ...up, others: asGood.length - 1 };
}

/** Places centred and as large as 1, the picture as wide as 1, and back. */
class Scale {
  private readonly middle: Xyz;
  private readonly size: number;
  readonly spread: [number, number, number];
  private readonly principal: Point;
  private readonly terms: Terms;

  constructor(
    private readonly picture: Picture,
    private readonly points: readonly NamedPlace[],
    private readonly known: KnownOfCamera,
    private readonly free: ReadonlySet<Freed>,
    private readonly isMirrored = false,
  ) {
    const n = points.length;
    this.middle = [0, 1, 2].map((k) => points.reduce((sum, { xyz }) => sum + xyz[k]!, 0) / n) as unknown as Xyz;
    const off = points.map(({ xyz }): Xyz => [0, 1, 2].map((k) => xyz[k]! - this.middle[k]!) as unknown as Xyz);
    this.size = Math.max(...off.map((v) => Math.hypot(...v))) || 1;
    this.spread = principalAxes(off.map((v) => [v[0] / this.size, v[1] / this.size, v[2] / this.size])).spread;
    const [cu, cv] = known.principal ?? [picture.width / 2, picture.height / 2];
    this.principal = [(isMirrored ? picture.width - cu : cu) / picture.width, cv / picture.width];
    this.terms = {
      focal: known.focalPx === null ? null : known.focalPx / picture.width,
      freePrincipal: free.has('principal'),
      freeKappa: free.has('k1'),
      k1: known.k1,
    };
  }

  get unknowns(): number {
    return unknownsIn(this.terms);
  }

  /** The same with left and right exchanged. */
  mirrored(): Scale {
    return new Scale(this.picture, this.points, this.known, this.free, true);
  }

  sight({ at: [u, v], xyz, sdPx }: NamedPlace): Sight {
    const { width } = this.picture;
    return {
      place: [0, 1, 2].map((k) => (xyz[k]! - this.middle[k]!) / this.size) as unknown as Xyz,
      seen: [(this.isMirrored ? width - u : u) / width, v / width],
      weight: width / sdPx,
    };
  }

  /** The cameras that fit best, each apart from the others. */
  best(sights: readonly Sight[]): Refined[] {
    // What is free besides is found last: it would bend a poor start.
    const plain = { ...this.terms, freePrincipal: false, freeKappa: false };
    const looked = starts(sights, plain, this.principal)
      .flatMap((start) => refined(start, plain, sights, LOOK) ?? [])
      .sort((a, b) => a.cost - b.cost);
    const followed: Refined[] = [];
    for (const one of looked) {
      if (followed.length === FOLLOWED) break;
      const end = refined(one.camera, plain, sights, END);
      if (!end) continue;
      const isKnown = followed.some(
        ({ camera, cost }) =>
          Math.abs(cost - end.cost) <= 1e-6 * Math.max(cost, end.cost, 1e-12) &&
          turnBetween(camera.rotation, end.camera.rotation) < 0.01,
      );
      if (!isKnown) followed.push(end);
      // A perfect one needs no rival where places are many.
      else if (looked.length > 3 && followed[0]!.cost <= end.cost * (1 + 1e-6)) break;
    }
    return followed
      .flatMap((one) => {
        const free =
          this.terms.freePrincipal || this.terms.freeKappa ? refined(one.camera, this.terms, sights, END) : one;
        return free ? [this.before(free, sights)] : [];
      })
      .sort((a, b) => a.cost - b.cost);
  }

  /** A camera that would stand behind, as one very far away may come out, is held far before. */
  private before(found: Refined, sights: readonly Sight[]): Refined {
    if (found.camera.q > FARTHEST) return found;
    const held = { ...this.terms, focal: found.camera.m / FARTHEST };
    const again = refined({ ...found.camera, q: FARTHEST }, held, sights, END);
    return again ?? { ...found, camera: { ...found.camera, q: FARTHEST } };
  }

  /**
   * The place that is furthest off the camera of the others; null where none is off by more than it may. Its own camera says how far it may lie off
   * there: the less the others tell of it, the further.
   */
  furthestOff(
    all: readonly Sight[],
    kept: readonly number[],
    camera: Unknowns,
  ): { place: number; others: Refined[] } | null {
    const sights = kept.map((i) => all[i]!);
    const cost = normalEquations(camera, this.terms, sights)?.cost ?? Infinity;
    // Where all lie within what they may none is off.
    if (cost < OFF.sds ** 2 / 2) return null;
    let worst: { place: number; gain: number; others: Refined[] } | null = null;
    for (const place of kept) {
      const rest = kept.filter((i) => i !== place).map((i) => all[i]!);
      const near = refined(camera, this.terms, rest, 40);
      if (near && (!worst || cost - near.cost > worst.gain)) worst = { place, gain: cost - near.cost, others: [near] };
    }
    if (!worst) return null;
    const { place } = worst;
    const rest = kept.filter((i) => i !== place).map((i) => all[i]!);
    const others = this.best(rest);
    const of = others[0] ?? worst.others[0]!;
    const off = this.offBy(of.camera, rest, all[place]!);
    return off.sds > OFF.sds && off.px > OFF.px ? { place, others: others.length > 0 ? others : worst.others } : null;
  }

  /** How far a place lies off a camera of others: in px, and in standard deviations of it and of where they have it. */
  private offBy(
    camera: Unknowns,
    others: readonly Sight[],
    { place, seen, weight }: Sight,
  ): { px: number; sds: number } {
    const at = blank();
    if (!pictureOf(camera, this.terms, place, at)) return { px: Infinity, sds: Infinity };
    const [u, v] = [seen[0] - at.u, seen[1] - at.v];
    const covariance = this.covariance(camera, others);
    const own = 1 / weight ** 2;
    const spread = (x: readonly number[], y: readonly number[]) => (covariance ? together(covariance, x, y) : 0);
    const [uu, uv, vv] = [own + spread(at.du, at.du), spread(at.du, at.dv), own + spread(at.dv, at.dv)];
    const area = uu * vv - uv * uv;
    const square = area > 0 ? (u * u * vv - 2 * u * v * uv + v * v * uu) / area : Infinity;
    return { px: Math.hypot(u, v) * this.picture.width, sds: Math.sqrt(square) };
  }

  /** How the unknowns may be off together; null where the places do not tell them all. */
  private covariance(camera: Unknowns, sights: readonly Sight[]): number[][] | null {
    const equations = normalEquations(camera, this.terms, sights);
    if (!equations) return null;
    const { matrix } = equations;
    const n = matrix.length;
    // Each unknown in its own size, so that rounding does not decide.
    const sizes = matrix.map((row, i) => Math.sqrt(row[i]!) || 1);
    const columns = matrix.map((_, k) =>
      solveLinear(matrix.map((row, i) => [...row.map((value, j) => value / (sizes[i]! * sizes[j]!)), i === k ? 1 : 0])),
    );
    if (columns.some((column) => column === null)) return null;
    return Array.from({ length: n }, (_, i) => columns.map((column, j) => column![i]! / (sizes[i]! * sizes[j]!)));
  }

  camera({ rotation, a, b, m, q, principal, kappa }: Unknowns): Camera {
    const { width } = this.picture;
    const focal = m / q;
    const [tx, ty, tz] = [a / m, b / m, 1 / q];
    const back = [0, 1, 2].map(
      (k) => this.middle[k]! - this.size * (rotation[0][k]! * tx + rotation[1][k]! * ty + rotation[2][k]! * tz),
    ) as unknown as Xyz;
    return {
      focalPx: this.known.focalPx ?? focal * width,
      principal: this.terms.freePrincipal
        ? [principal[0] * width, principal[1] * width]
        : (this.known.principal ?? [width / 2, this.picture.height / 2]),
      k1: this.terms.freeKappa ? kappa * focal * focal : this.known.k1,
      rotation,
      centre: back,
    };
  }

  /** Cameras one standard deviation off to either side, along each direction of the factor of the covariance; none where the places do not tell it. */
  pairs(camera: Unknowns, sights: readonly Sight[], worse: number): [Camera, Camera][] {
    const covariance = this.covariance(camera, sights);
    const factor = covariance && lowerFactor(covariance);
    if (!factor) return [];
    return factor.map((_, k) => {
      const off = (by: number) =>
        this.camera(
          stepped(
            camera,
            this.terms,
            factor.map((row) => by * worse * row[k]!),
          ),
        );
      return [off(1), off(-1)];
    });
  }

  /** Standard deviations of what was found, by the places' own; infinite where they do not tell it. */
  deviations(camera: Unknowns, sights: readonly Sight[]): FoundCamera['sd'] {
    const covariance = this.covariance(camera, sights);
    if (!covariance) return { focalPx: FAR_OFF, centreMm: [FAR_OFF, FAR_OFF, FAR_OFF], turnDeg: 180 };
    const sdOf = (slope: readonly number[]) =>
      Math.min(FAR_OFF, Math.sqrt(Math.max(0, together(covariance, slope, slope))));
    const { rotation, a, b, m, q } = camera;
    const { focal } = this.terms;
    const t: Xyz = [a / m, b / m, 1 / q];
    // How T and the axes move with each unknown; the centre is -R'T.
    const onT: Xyz[] = [
      [0, 0, 0],
      [0, 0, 0],
      [0, 0, 0],
      [1 / m, 0, 0],
      [0, 1 / m, 0],
      [-a / m ** 2, -b / m ** 2, focal === null ? 0 : -1 / (q * q * focal)],
      ...(focal === null ? [[0, 0, -1 / q ** 2] as const] : []),
    ];
    const column = (k: 0 | 1 | 2): Xyz => [rotation[0][k], rotation[1][k], rotation[2][k]];
    const centre = ([0, 1, 2] as const).map((k) => {
      const r = column(k);
      // A turn w moves a column by w x r: -(w x r)T = -w (r x T).
      const turn: Xyz = [r[1] * t[2] - r[2] * t[1], r[2] * t[0] - r[0] * t[2], r[0] * t[1] - r[1] * t[0]];
      return this.size * sdOf(onT.map((move, i) => (i < 3 ? -turn[i]! : -dot(r, move))));
    });
    const turn = Math.hypot(sdOf([1]), sdOf([0, 1]), sdOf([0, 0, 1]));
    return {
      focalPx: focal === null ? sdOf([0, 0, 0, 0, 0, 1 / q, -m / q ** 2]) * this.picture.width : 0,
      centreMm: centre as unknown as Xyz,
      turnDeg: Math.min(180, (turn * 180) / Math.PI),
    };
  }
}

/** How far two slopes over the unknowns are off together; a slope may end before the unknowns do, or go on beyond them. */
const together = (covariance: readonly (readonly number[])[], x: readonly number[], y: readonly number[]): number =>
  covariance.reduce(
    (sum, row, i) => sum + (x[i] ?? 0) * row.reduce((own, value, j) => own + value * (y[j] ?? 0), 0),
    0,
  );

/** The lower factor of a symmetric matrix (Cholesky); null where it is not positive. */
function lowerFactor(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length;
  const lower = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i]![j]!;
      for (let k = 0; k < j; k += 1) sum -= lower[i]![k]! * lower[j]![k]!;
      if (i === j && !(sum > 0)) return null;
      lower[i]![j] = i === j ? Math.sqrt(sum) : sum / lower[j]![j]!;
    }
  return lower;
}

/** One over the distance of the farthest camera, in sizes of what it looks at. */
const FARTHEST = 1e-4;
/** What stands for no bound at all: numbers that go out are finite. */
const FAR_OFF = 1e12;
