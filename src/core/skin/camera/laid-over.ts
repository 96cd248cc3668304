import { between, type Xyz } from '@/core/outline/body';
import { times } from '@/core/outline/space';
import type { NamedPlace } from '@/core/outline/named-places';
import type { Point } from '@/core/geometry/polygon';
import {
  fewestPlaces,
  NoCamera,
  placesForFreed,
  searchCamera,
  type FoundCamera,
  type NamedPlace as Sighted,
} from './find-camera';
import type { KeptCamera } from './kept-camera';
import { seenBy, type Camera } from './view';

/** A machine laid over a picture: the camera, how well it fits, and what is wrong with it in words. */

export interface LaidPlace {
  id: string;
  title: string;
  /** How far the picture has it from where the camera shows it, and what that is on the machine. */
  offPx: number;
  offMm: number;
  isOutlier: boolean;
  isGear: boolean;
}

export interface LaidOver {
  /** As the print is, or, where it is mirrored, as it would be if it were not. */
  camera: Camera;
  /** Others that the places allow as well, in pairs about it. */
  pairs: readonly (readonly [Camera, Camera])[];
  rmsPx: number;
  /** The same at the machine. */
  rmsMm: number;
  /** Of the middle of the machine, m, with its standard deviation. */
  distanceM: number;
  distanceSdM: number;
  places: LaidPlace[];
  says: string[];
}

/** A place is set by hand to so many px of a picture of 1200 px, and to as many more of a larger one. */
const SET_SD_PX = 2;
const SET_SD_WIDTH = 1200;
/** So far must an outline have changed for a place to have moved, mm. */
const MOVED_MM = 1;

/** A point of the print as its camera has it, and back: a mirrored one is turned over. */
export const unmirrored = ({ isMirrored, width }: Pick<KeptCamera, 'isMirrored' | 'width'>, [u, v]: Point): Point =>
  isMirrored ? [width - u, v] : [u, v];

export const setSdPx = ({ width }: Pick<KeptCamera, 'width'>): number => SET_SD_PX * Math.max(1, width / SET_SD_WIDTH);

const inMm = (at: Xyz): Xyz => times(at, 1000);

/** How many places are missing before a camera can be found; 0 where there are enough. */
export function placesMissing({ points, focalPx, free }: KeptCamera, places: readonly NamedPlace[]): number {
  const known = new Set(places.map(({ id }) => id));
  // Five would do, but another camera often fits as well.
  const fewest = fewestPlaces({ focalPx }) + (focalPx === null ? 1 : 0) + placesForFreed(free);
  return Math.max(0, fewest - points.filter(({ place }) => known.has(place)).length);
}

/** Throws NoCamera where no camera can be found, with why. */
export function laidOver(kept: KeptCamera, places: readonly NamedPlace[]): LaidOver {
  const spots = new Map(places.map((place) => [place.id, place]));
  const sdPx = setSdPx(kept);
  const sighted = kept.points.flatMap(({ place, at }): Sighted[] => {
    const spot = spots.get(place);
    return spot ? [{ id: place, at: unmirrored(kept, at), xyz: inMm(spot.at), sdPx }] : [];
  });
  const missing = placesMissing(kept, places);
  if (missing > 0) throw new NoCamera(`${missing === 1 ? 'one place more is' : `${missing} places more are`} needed`);
  const picture = { width: kept.width, height: kept.height };
  const { found, pairs } = searchCamera(
    picture,
    sighted,
    { focalPx: kept.focalPx, principal: null, k1: 0 },
    new Set(kept.free),
  );
  const off = new Set(found.outliers);
  const laid = found.residuals.map(({ id, px }): LaidPlace => {
    const xyz = sighted.find((one) => one.id === id)!.xyz;
    const [, , ahead] = seenBy(found, xyz);
    const offPx = px ? Math.hypot(...px) : Infinity;
    return {
      id,
      title: spots.get(id)!.title,
      isGear: spots.get(id)!.isGear,
      offPx,
      offMm: (offPx * Math.max(0, ahead)) / found.focalPx,
      isOutlier: off.has(id),
    };
  });
  const kind = laid.filter(({ isOutlier }) => !isOutlier);
  const middle = meanOf(sighted.map(({ xyz }) => xyz));
  const distance = between(middle, found.centre);
  return {
    camera: cameraIn(found),
    pairs,
    rmsPx: found.rmsPx,
    rmsMm: Math.sqrt(kind.reduce((sum, { offMm }) => sum + offMm ** 2, 0) / Math.max(1, kind.length)),
    distanceM: distance / 1000,
    distanceSdM: Math.hypot(...found.sd.centreMm) / 1000,
    places: laid,
    says: found.says,
  };
}

/** The camera alone. */
const cameraIn = ({ focalPx, principal, k1, rotation, centre }: FoundCamera): Camera => ({
  focalPx,
  principal,
  k1,
  rotation,
  centre,
});

const meanOf = (all: readonly Xyz[]): Xyz =>
  [0, 1, 2].map((k) => all.reduce((sum, at) => sum + at[k]!, 0) / all.length) as unknown as Xyz;

/** Worse than this, in px that places are set to, a print is tried the other way round. */
const BADLY = 3;
/** The other way round it must fit so many times better. */
const MIRRORED = 3;

/** Whether the print fits far better with left and right exchanged: a third of what is left over. */
export function isMirrorLikely(kept: KeptCamera, places: readonly NamedPlace[], laid: LaidOver): boolean {
  if (laid.rmsPx < BADLY * setSdPx(kept) && laid.places.every(({ isOutlier }) => !isOutlier)) return false;
  const squares = (of: LaidOver) =>
    of.places.reduce((sum, { offPx }) => sum + (Number.isFinite(offPx) ? offPx : kept.width) ** 2, 0);
  try {
    const other = laidOver({ ...kept, isMirrored: !kept.isMirrored }, places);
    return squares(other) * MIRRORED ** 2 <= squares(laid);
  } catch (error) {
    if (error instanceof NoCamera) return false;
    throw error;
  }
}

/** Places that lie otherwise on the outline now than when they were set. */
export function movedSince(kept: KeptCamera, places: readonly NamedPlace[]): { title: string; mm: number }[] {
  const spots = new Map(places.map((place) => [place.id, place]));
  return kept.points.flatMap(({ place, xyz }) => {
    const spot = spots.get(place);
    if (!spot) return [];
    const mm = between(inMm(spot.at), xyz);
    return mm > MOVED_MM ? [{ title: spot.title, mm }] : [];
  });
}

/** Places that were set and that the outline has no more. */
export const goneSince = (kept: KeptCamera, places: readonly NamedPlace[]): number =>
  kept.points.filter(({ place }) => !places.some(({ id }) => id === place)).length;
