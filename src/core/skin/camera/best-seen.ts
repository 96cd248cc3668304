import { extentOf, halton, isInRegion, type Point } from '@/core/geometry/polygon';
import type { Xyz } from '@/core/outline/body';
import { areaOn } from '@/core/outline/chart';
import type { Outline } from '@/core/outline/outline';
import { plus, times, unit } from '@/core/outline/space';
import { isKnown, seenAt, type Lander } from './landing';
import { lookingAt, type Camera } from './view';

/** How well pictures see the zones of a machine, and from where a picture would show most of what is open. */

export interface SeenFrom {
  /** Share of a zone that is seen at all. */
  share: number;
  /** The angle between line of sight and skin, degrees: the median of what is seen. */
  deg: number;
}

/** A zone is seen well where at least half of it is seen, and half of that less aslant than this. */
const WELL_SHARE = 0.5;
const WELL_DEG = 30;
/** Less of a zone than this is not called seen. */
const SEEN_SHARE = 0.1;
const isWell = ({ share, deg }: SeenFrom): boolean => share >= WELL_SHARE && deg >= WELL_DEG;

/** So many places tell how well a zone is seen. */
const SAMPLES = 10;

/** Places spread evenly over each of these zones, mm; zones that are no part of the skin have none. */
export function placesOver({ regions }: Outline, zones: Iterable<string>): Map<string, Xyz[]> {
  const over = new Map<string, Xyz[]>();
  for (const zone of zones) {
    const parts = regions.filter((part) => part.zone === zone);
    const areas = parts.map(({ chart, region }) => areaOn(chart, region));
    const whole = areas.reduce((sum, area) => sum + area, 0);
    const places = parts.flatMap(({ chart, region }, i) => {
      const { left, right, top, bottom } = extentOf(region);
      const wanted = Math.max(1, Math.round((SAMPLES * areas[i]!) / whole));
      const found: Xyz[] = [];
      // Of a narrow region few of the points of its extent lie within.
      for (let k = 1; found.length < wanted && k < 60 * wanted; k += 1) {
        const at: Point = [left + (right - left) * halton(k, 2), top + (bottom - top) * halton(k, 3)];
        if (isInRegion(at, region)) found.push(times(chart.at(at), 1000));
      }
      return found;
    });
    if (places.length > 0) over.set(zone, places);
  }
  return over;
}

/** How a camera sees a zone by places over it; `size` of its picture, px, where it has edges. */
export function seenOf(
  places: readonly Xyz[],
  camera: Camera,
  land: Lander,
  size: { width: number; height: number } | null,
): SeenFrom {
  const isBeside = ([u, v]: Point) => size !== null && (u < 0 || v < 0 || u > size.width || v > size.height);
  const degs = places.flatMap((place) => {
    const seen = seenAt(place, camera, land);
    return seen && !isBeside(seen.at) && isKnown(seen.landed) ? [seen.landed.grazingDeg] : [];
  });
  degs.sort((a, b) => a - b);
  return { share: degs.length / places.length, deg: degs[Math.floor(degs.length / 2)] ?? 0 };
}

/** Of the pictures that see a zone the one that looks at it most squarely; null where none sees it. */
export interface BestSeen {
  zone: string;
  best: (SeenFrom & { picture: string }) | null;
}

/** Zones of `over` that no picture sees well, the worst first. */
export function seenPoorly(
  over: ReadonlyMap<string, readonly Xyz[]>,
  pictures: readonly { id: string; camera: Camera; land: Lander; width: number; height: number }[],
): BestSeen[] {
  return [...over]
    .map(([zone, places]) => {
      const seen = pictures
        .map(({ id, camera, land, ...size }) => ({ picture: id, ...seenOf(places, camera, land, size) }))
        .filter(({ share }) => share >= SEEN_SHARE);
      return { zone, isWell: seen.some(isWell), best: seen.sort((a, b) => b.deg - a.deg)[0] ?? null };
    })
    .filter((one) => !one.isWell)
    .map(({ zone, best }) => ({ zone, best }))
    .sort((a, b) => (a.best?.deg ?? 0) - (b.best?.deg ?? 0));
}

export const ALONG = ['ahead', 'abeam', 'behind'] as const;
export const HEIGHTS = ['below', 'level', 'above'] as const;
/** From where a picture is taken. */
export interface Viewpoint {
  along: (typeof ALONG)[number];
  side: 'port' | 'starboard';
  height: (typeof HEIGHTS)[number];
}

export const VIEWPOINTS: readonly Viewpoint[] = ALONG.flatMap((along) =>
  HEIGHTS.flatMap((height) => (['port', 'starboard'] as const).map((side) => ({ along, side, height }))),
);

/** A picture from there, far enough off that near and far parts are about equally large. */
export function cameraFrom({ along, side, height }: Viewpoint, { spec }: Outline): Camera {
  const { length, span } = spec.dimensions;
  const aim: Xyz = [500 * length, 0, 0];
  const towards = unit([
    { ahead: -1, abeam: 0, behind: 1 }[along],
    side === 'port' ? -1 : 1,
    { below: -1, level: 0.05, above: 1 }[height],
  ]);
  const centre = plus(aim, towards, 6000 * Math.max(length, span));
  return { focalPx: 4000, principal: [800, 600], k1: 0, rotation: lookingAt(centre, aim), centre };
}

/** What is open on a zone: so much would be redone if it were wrong, by how likely that is. */
export interface Wanted {
  zone: string;
  weight: number;
}

export interface WouldShow {
  from: Viewpoint;
  /** Of all that is wanted, the share by weight. */
  share: number;
  /** Zones that it would show well, what weighs most first. */
  zones: string[];
}

/** From where a picture would show most of what is wanted, the best first; those that show nothing of it are left out. */
export function bestViewpoints(outline: Outline, land: Lander, wanted: readonly Wanted[]): WouldShow[] {
  const weights = new Map<string, number>();
  for (const { zone, weight } of wanted) weights.set(zone, (weights.get(zone) ?? 0) + weight);
  const over = placesOver(outline, weights.keys());
  const whole = [...over.keys()].reduce((sum, zone) => sum + weights.get(zone)!, 0);
  return VIEWPOINTS.map((from) => {
    const camera = cameraFrom(from, outline);
    const zones = [...over]
      .filter(([, places]) => isWell(seenOf(places, camera, land, null)))
      .map(([zone]) => zone)
      .sort((a, b) => weights.get(b)! - weights.get(a)!);
    return { from, zones, share: zones.reduce((sum, zone) => sum + weights.get(zone)!, 0) / whole };
  })
    .filter(({ zones }) => zones.length > 0)
    .sort((a, b) => b.share - a.share);
}
