import {
  areaPathsD,
  booleanOpD,
  ClipType,
  EndType,
  FillRule,
  inflatePathsD,
  JoinType,
  simplifyPathsD,
  type PathsD,
} from 'clipper2-ts';
import { isWithin, type Polygon } from './polygon';

/** One area of any number of pieces, holes among them: what an odd number of its rings surround lies inside. */
export type Region = readonly Polygon[];

/** Everything within the outer borders of a region, its holes filled. */
export const solid = (region: Region): Region => {
  const rings = region.filter((ring) => ring.length > 2);
  return rings.filter(
    (ring) => !rings.some((other) => other !== ring && ring.every((point) => isWithin(point, other))),
  );
};

/** Clipping works on whole numbers; beyond this one their products are no longer exact, and it grows slow. */
const MOST_WHOLE = 5e7;

/** Decimals that survive: as many as the largest coordinate leaves, at least seven figures in all. */
function decimalsFor(...regions: Region[]): number {
  let most = 0;
  for (const region of regions)
    for (const ring of region) for (const [x, y] of ring) most = Math.max(most, Math.abs(x) + Math.abs(y));
  return most === 0 ? 0 : Math.max(-8, Math.min(8, Math.floor(Math.log10(MOST_WHOLE / most))));
}

/**
 * Shapes of the house lie along the axes, and level edges that run to and fro can keep the library in a loop without end: everything is
 * clipped turned by an odd angle, and turned back.
 */
const TURN = 0.3183;
const [COS, SIN] = [Math.cos(TURN), Math.sin(TURN)];

const paths = (region: Region): PathsD =>
  region.map((ring) => ring.map(([x, y]) => ({ x: x * COS - y * SIN, y: x * SIN + y * COS })));
const region = (found: PathsD): Polygon[] =>
  found.map((path) => path.map(({ x, y }) => [x * COS + y * SIN, y * COS - x * SIN] as const));

const clip =
  (type: ClipType) =>
  (one: Region, other: Region): Polygon[] =>
    one.length === 0 && type !== ClipType.Union
      ? []
      : region(booleanOpD(type, paths(one), paths(other), FillRule.EvenOdd, decimalsFor(one, other)));

/** What lies in both. Rings come out disjoint, holes wound the other way, so that signed areas add up. */
export const intersection = clip(ClipType.Intersection);
/** What lies in the first and not in the second. */
export const difference = clip(ClipType.Difference);
/** What lies in either. */
export const union = clip(ClipType.Union);

/** What rings fill that may lie over one another, holes wound the other way: the way that fonts are drawn. */
export const wound = (rings: Region): Polygon[] =>
  region(booleanOpD(ClipType.Union, paths(rings), [], FillRule.NonZero, decimalsFor(rings)));

/** All areas together, each taken as filled however it is wound. */
export const together = (regions: readonly Region[]): Polygon[] =>
  regions.reduce<Polygon[]>((all, next) => (all.length === 0 ? [...next] : union(all, next)), []);

export type Corners = 'round' | 'sharp';

/**
 * The region grown by a distance all round (shrunk where it is negative). Round corners lie at the distance from every point (Minkowski sum
 * with a disc); sharp ones move every side by the distance and keep its direction.
 */
export function grown(of: Region, by: number, corners: Corners = 'round', tolerance = 0): Polygon[] {
  const decimals = decimalsFor(of, [[[by, by]]]);
  const solid = booleanOpD(ClipType.Union, paths(of), [], FillRule.EvenOdd, decimals);
  const join = corners === 'round' ? JoinType.Round : JoinType.Miter;
  return region(inflatePathsD(solid, by, join, EndType.Polygon, MITRE, decimals, tolerance));
}

/** Corners down to 6 degrees stay sharp. */
const MITRE = 20;

/** A line with a breadth, as the area that it covers: strokes of letters, seams, tape. */
export function stroked(lines: readonly Polygon[], breadth: number, ends: 'square' | 'flat' = 'flat'): Polygon[] {
  const end = ends === 'square' ? EndType.Square : EndType.Butt;
  const each = lines.map((line) =>
    region(inflatePathsD(paths([line]), breadth / 2, JoinType.Miter, end, 4, decimalsFor(lines))),
  );
  return together(each);
}

/** Signed area of all rings: holes count against what they lie in. */
export const regionArea = (of: Region): number => Math.abs(areaPathsD(paths(of)));

/** The same region with fewer points, none further off than the tolerance. */
export const simplified = (of: Region, tolerance: number): Polygon[] =>
  region(simplifyPathsD(paths(of), tolerance, true));
