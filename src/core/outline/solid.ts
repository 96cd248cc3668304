import { polygonHull } from 'd3-polygon';
import { steps, type Point, type Polygon } from '@/core/geometry/polygon';
import { bodyPoint, type Body, type Section, type Xyz } from './body';
import { bodySkin } from './skin-area';
import { cross, dot, plus, unit, way } from './space';
import { remembering } from '@/core/units/remembered';
import type { View } from './zones';

/**
 * A bulging piece fitted to the airframe: a leg, a wheel, a blade, a tank. A body about an axis of its own, which lies in any direction, so
 * that it has a surface like the airframe: station along its axis (m) and girth angle (degrees) give a point in space.
 */
export interface Solid {
  zone: string;
  body: Body;
  /** Where station 0 of its axis lies, m. */
  at: Xyz;
  /** Unit vectors square to one another: the axis, and the way that girth 90 lies. */
  along: Xyz;
  across: Xyz;
  /** The views that show it; that from ahead shows all. */
  views: readonly View[];
}

/** From station and girth of a solid to space, m. */
export function solidPoint({ body, at, along, across }: Solid, station: number, girth: number): Xyz {
  const [s, y, z] = bodyPoint(body, station, girth);
  return plus(plus(plus(at, along, s), across, y), cross(along, across), z);
}

const remember = remembering<number>(64);

/**
 * Its whole skin, m2. All sections of a solid have one shape, so that its skin is straight along each stretch and needs no steps there; pairs
 * of one shape, and the same leg in the next outline, are measured once.
 */
export const solidArea = ({ body }: Solid): number =>
  remember(JSON.stringify(body), () => bodySkin(body, undefined, 1).area);

const GIRTHS = steps(0, 345, 23);

/** What is seen of a solid where points in space are drawn as `to` says: the hull of its sections, since it bulges everywhere. */
export const silhouette = (solid: Solid, to: (point: Xyz) => Point): Polygon =>
  polygonHull(
    solid.body.sections.flatMap(({ x }) =>
      GIRTHS.map((girth) => [...to(solidPoint(solid, x, girth))] as [number, number]),
    ),
  ) ?? [];

/** Sections with their ends closed: a body's skin has no caps of its own. */
function closed(sections: readonly Section[]): Section[] {
  const [first, last] = [sections[0]!, sections.at(-1)!];
  const thin = (last.x - first.x) * 1e-6;
  const point = (of: Section, x: number): Section => ({ ...of, x, width: 0, height: 0 });
  return [
    ...(first.width > 0 ? [point(first, first.x - thin)] : []),
    ...sections,
    ...(last.width > 0 ? [point(last, last.x + thin)] : []),
  ];
}

interface Placed {
  zone: string;
  views: readonly View[];
}

/** A solid whose axis runs from one point to another; `sections` by the share of the way, their sizes in m. */
export function solidBetween(
  { zone, views }: Placed,
  from: Xyz,
  to: Xyz,
  sections: readonly { t: number; width: number; height: number; n?: number }[],
  towards: Xyz = [0, 1, 0],
): Solid {
  const axis = way(from, to);
  const length = Math.hypot(...axis);
  const along = unit(axis);
  // An axis that runs that way itself is given its breadth fore and aft.
  const wanted: Xyz = Math.abs(dot(along, towards)) > 0.99 ? [1, 0, 0] : towards;
  return {
    zone,
    views,
    at: from,
    along,
    across: unit(plus(wanted, along, -dot(wanted, along))),
    body: {
      y: 0,
      sections: closed(sections.map(({ t, width, height, n = 2 }) => ({ x: t * length, width, height, z: 0, n }))),
    },
  };
}

/** A round bar, thinning or not; radii in m. */
export const rod = (placed: Placed, from: Xyz, to: Xyz, radius: number, endRadius = radius): Solid =>
  solidBetween(placed, from, to, [
    { t: 0, width: 2 * radius, height: 2 * radius },
    { t: 1, width: 2 * endRadius, height: 2 * endRadius },
  ]);

/** A blade of even chord and thickness whose breadth lies the way of `towards`. */
export const blade = (placed: Placed, from: Xyz, to: Xyz, chord: number, thickness: number, towards: Xyz): Solid =>
  solidBetween(
    placed,
    from,
    to,
    [0, 1].map((t) => ({ t, width: chord, height: thickness })),
    towards,
  );

/** Breadth of a tyre as a share of its diameter, and how round its shoulders are. */
const TYRE = 0.3;
const SHOULDERS = [
  { t: 0, share: 0.78 },
  { t: 0.12, share: 0.93 },
  { t: 0.5, share: 1 },
  { t: 0.88, share: 0.93 },
  { t: 1, share: 0.78 },
] as const;

/** A wheel that turns about an axle from port to starboard. */
export function wheel(placed: Placed, [x, y, z]: Xyz, diameter: number): Solid {
  const half = (TYRE * diameter) / 2;
  return solidBetween(
    placed,
    [x, y - half, z],
    [x, y + half, z],
    SHOULDERS.map(({ t, share }) => ({ t, width: share * diameter, height: share * diameter })),
    [1, 0, 0],
  );
}
