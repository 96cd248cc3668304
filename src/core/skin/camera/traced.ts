import type { Point } from '@/core/geometry/polygon';
import type { MarkingPlace } from '@/core/markings/place';
import { between, type Xyz } from '@/core/outline/body';
import { project as drawnAt } from '@/core/outline/drawing';
import { cross, dot, plus, unit, way } from '@/core/outline/space';
import { isSide, type View } from '@/core/outline/zones';
import { GRAZING_DEG, isKnown, type Landed, type Lander } from './landing';
import type { LaidOver } from './laid-over';
import { rayOf, type Camera } from './view';

/** What is traced in a picture, on the skin: where it lies, how long, wide or large it is, and how well that is known. */

export const SKIN_TOOLS = {
  border: { title: 'Border', least: 2, most: 60 },
  length: { title: 'Length', least: 2, most: 60 },
  diameter: { title: 'Diameter', least: 3, most: 3 },
  angle: { title: 'Angle', least: 3, most: 3 },
  area: { title: 'Area', least: 3, most: 60 },
  marking: { title: 'Marking', least: 3, most: 3 },
  /** How soft a border is, across it: its greys tell that, not its length. */
  edge: { title: 'Edge', least: 2, most: 2 },
} as const;
export type SkinTool = keyof typeof SKIN_TOOLS;

/** What a figure is of. */
export type FigureOf =
  /** Of a border along a side: mean height above the belly, mm. */
  | 'height'
  /** Of a border across the machine: mean station aft of the nose, mm. */
  | 'station'
  /** Of a border along the span: mean distance from the centre line, mm. */
  | 'breadth'
  | 'length'
  /** Of a marking, along the skin, mm. */
  | 'high'
  | 'diameter'
  | 'angle'
  | 'area';

export interface TracedFigure {
  of: FigureOf;
  /** mm, degrees, or m2 of an area. */
  value: number;
  /** One standard deviation, and the parts of it that come from the points and from the camera. */
  sd: number;
  parts: { points: number; camera: number };
}

export interface TracedPoint {
  /** In the picture, px. */
  at: Point;
  landed: Landed | null;
  isKnown: boolean;
}

export interface Traced {
  /** Where it was clicked. */
  corners: (TracedPoint & { sdMm: number })[];
  /** Followed on the skin, for drawing. */
  along: TracedPoint[];
  /** Null where it cannot be told; `says` why. */
  figure: TracedFigure | null;
  /** Zones that it runs over, in that order. */
  zones: string[];
  /** The view in which it is best drawn. */
  view: View | null;
  /** Where a marking lies, as far as it was traced as one. */
  marking: TracedMarking | null;
  says: string[];
}

/** A marking by three of its corners: lower left, lower right and upper left as it is read. */
export interface TracedMarking {
  zone: string;
  place: MarkingPlace;
  /** Along the skin, mm. */
  wideMm: number;
  highMm: number;
}

/** Points as clicked are off by about so many px. */
const CLICK_SD_PX = 1;
/** A line is followed on the skin in steps of so many px. */
const STEP_PX = 12;
/** Less askew than this, degrees, a marking is taken to stand straight: it was clicked so. */
const ASKEW_DEG = 2;
/** More steps than this tell nothing more. */
const MOST_STEPS = 400;

/** `points` as the camera has them: a mirrored print turned over. `length` of the machine, m. */
export function traceOnSkin(
  tool: SkinTool,
  points: readonly Point[],
  { camera, pairs }: Pick<LaidOver, 'camera' | 'pairs'>,
  land: Lander,
  length: number,
): Traced {
  const seen = (at: Point): TracedPoint => {
    const landed = land(camera, at, CLICK_SD_PX);
    return { at, landed, isKnown: isKnown(landed) };
  };
  const followed = followedIn(asDrawn(tool, points), tool === 'area');
  const along = followed.map(({ at }) => seen(at));
  const says: string[] = [];
  if (along.some(({ landed }) => landed === null))
    says.push('Part of it misses the machine, or lies behind something: that part is not used.');
  if (along.some((one) => one.landed !== null && !one.isKnown))
    says.push(`Part of it is seen more aslant than ${GRAZING_DEG}°: it is drawn dashed, and that part is not used.`);
  const corners = points.map(seen);
  const enough = points.length >= SKIN_TOOLS[tool].least;
  const of = enough && tool !== 'edge' ? figureKind(tool, along) : null;
  // A marking's side ends, and its foot begins, at its lower left corner.
  const turns = of === 'high' ? followed.findIndex(({ of: shares }) => shares.at(-1)!.join() === '1,1') : 0;
  const line =
    of === 'diameter' || of === 'angle'
      ? { along: corners, parts: oneByOne(points) }
      : of === 'high'
        ? { along: along.slice(0, turns + 1), parts: followed.slice(0, turns + 1) }
        : { along, parts: followed };
  const figure = of ? figureOf(of, points.length, line, camera, pairs) : null;
  if (enough && tool !== 'edge' && !figure && says.length === 0) says.push('It cannot be told from here.');
  return {
    corners: corners.map((one) => ({ ...one, sdMm: one.isKnown ? cornerSd(one, pairs) : Number.MAX_SAFE_INTEGER })),
    along,
    figure,
    zones: [...new Set(along.flatMap((one) => (one.isKnown ? [one.landed!.zone] : [])))],
    view: bestView(along),
    marking: of === 'high' && figure ? markingBy(corners, figure.value, along.slice(turns), length) : null,
    says,
  };
}

/** `foot`: its lower edge, followed on the skin; `length` of the machine, m. */
function markingBy(
  corners: readonly TracedPoint[],
  highMm: number,
  foot: readonly TracedPoint[],
  length: number,
): TracedMarking | null {
  const view = bestView([...corners, ...foot]);
  const wideMm = figureIn(
    'length',
    foot.map((one) => (one.isKnown ? one.landed!.xyz : null)),
  );
  const [left, right, top] = corners.map((one) => (one.isKnown ? one.landed! : null));
  if (!view || wideMm === null || !left || !right || !top) return null;
  const drawn = ({ xyz: [x, y, z] }: Landed) => drawnAt(view, length, x / 1000, y / 1000, z / 1000);
  const [[u, v], [toU, toV]] = [drawn(left), drawn(right)];
  const [one, other] = [cornerIn(view, right), cornerIn(view, top)];
  const turn = (Math.atan2(toV - v, toU - u) * 180) / Math.PI;
  const straight = Math.round(turn / 90) * 90;
  return {
    zone: left.zone,
    place: {
      view,
      station: (one[0] + other[0]) / 2,
      offset: (one[1] + other[1]) / 2,
      turn: Math.abs(turn - straight) < ASKEW_DEG ? (straight === -180 ? 180 : straight) : turn,
      mirrored: false,
    },
    wideMm,
    highMm,
  };
}

/** In the order in which they are joined: a marking's side and foot meet at its lower left corner, which is clicked first. */
export const asDrawn = (tool: SkinTool, points: readonly Point[]): readonly Point[] =>
  tool === 'marking' && points.length === 3 ? [points[2]!, points[0]!, points[1]!] : points;

/** A point of a line with the share that each of its two corners has in it. */
interface Part {
  at: Point;
  of: readonly (readonly [corner: number, share: number])[];
}
const oneByOne = (points: readonly Point[]): Part[] => points.map((at, i) => ({ at, of: [[i, 1]] }));

/** A line of the picture in even steps, its corners among them. */
function followedIn(points: readonly Point[], isClosed: boolean): Part[] {
  const ends = isClosed && points.length > 2 ? [...points, points[0]!] : points;
  const long = ends.slice(1).reduce((sum, at, i) => sum + Math.hypot(at[0] - ends[i]![0], at[1] - ends[i]![1]), 0);
  const step = Math.max(STEP_PX, long / MOST_STEPS);
  return ends.flatMap((at, i): Part[] => {
    const before = ends[i - 1];
    const own = i % points.length;
    if (!before) return [{ at, of: [[own, 1]] }];
    const steps = Math.max(1, Math.ceil(Math.hypot(at[0] - before[0], at[1] - before[1]) / step));
    return Array.from({ length: steps }, (_, k): Part => {
      const t = (k + 1) / steps;
      return {
        at: [before[0] + t * (at[0] - before[0]), before[1] + t * (at[1] - before[1])],
        of: [
          [i - 1, 1 - t],
          [own, t],
        ],
      };
    });
  });
}

/** A border is told by its height where it runs along a side, by its station where it runs across, else by how far out it lies. */
function figureKind(tool: Exclude<SkinTool, 'edge'>, along: readonly TracedPoint[]): FigureOf | null {
  if (tool === 'marking') return 'high';
  if (tool !== 'border') return tool;
  const known = along.flatMap((one) => (one.isKnown ? [one.landed!.xyz] : []));
  const view = bestView(along);
  if (known.length < 2 || !view) return null;
  const over = (k: 0 | 1 | 2) => Math.max(...known.map((at) => at[k])) - Math.min(...known.map((at) => at[k]));
  if (isSide(view)) return over(0) >= over(2) ? 'height' : 'station';
  return over(0) >= over(1) ? 'breadth' : 'station';
}

/** Null where part of what it needs is not known. */
function figureIn(of: FigureOf, line: readonly (Xyz | null)[]): number | null {
  if (of === 'diameter' || of === 'angle') {
    const [a, b, c] = line;
    if (!a || !b || !c) return null;
    return of === 'diameter' ? circleThrough(a, b, c) : angleAt(a, b, c);
  }
  if (of === 'length' || of === 'high' || of === 'area') {
    if (line.includes(null)) return null;
    const whole = line as readonly Xyz[];
    return of === 'area' ? areaWithin(whole) : whole.slice(1).reduce((sum, at, i) => sum + between(whole[i]!, at), 0);
  }
  // A border is told by what of it is known, each stretch by its length.
  const k = of === 'height' ? 2 : of === 'station' ? 0 : 1;
  let [sum, long] = [0, 0];
  line.forEach((at, i) => {
    const before = line[i - 1];
    if (!at || !before) return;
    const stretch = between(before, at);
    sum += (stretch * (at[k] + before[k])) / 2;
    long += stretch;
  });
  return long > 0 ? (k === 1 ? Math.abs(sum / long) : sum / long) : null;
}

/** Three points of a rim: twice the circumradius, abc / (2 x area). */
function circleThrough(a: Xyz, b: Xyz, c: Xyz): number | null {
  const twice = Math.hypot(...cross(way(a, b), way(a, c)));
  const [x, y, z] = [between(a, b), between(b, c), between(c, a)];
  return twice < 1e-6 * Math.max(x, y, z) ** 2 ? null : (x * y * z) / twice;
}

/** At the second point, degrees. */
function angleAt(a: Xyz, b: Xyz, c: Xyz): number | null {
  const [one, two] = [way(b, a), way(b, c)];
  if (Math.hypot(...one) === 0 || Math.hypot(...two) === 0) return null;
  return (Math.acos(Math.min(1, Math.max(-1, dot(unit(one), unit(two))))) * 180) / Math.PI;
}

/** m2 within a ring on the skin, from its middle out. */
function areaWithin(ring: readonly Xyz[]): number {
  const middle = [0, 1, 2].map((k) => ring.reduce((sum, at) => sum + at[k]!, 0) / ring.length) as unknown as Xyz;
  const sum = ring.reduce<Xyz>(
    (total, at, i) => {
      const n = cross(way(middle, at), way(middle, ring[(i + 1) % ring.length]!));
      return [total[0] + n[0], total[1] + n[1], total[2] + n[2]];
    },
    [0, 0, 0],
  );
  return Math.hypot(...sum) / 2 / 1e6;
}

/**
 * The figure with its standard deviation, to first order: every corner is moved by its click error, the camera by each of its pairs, what was met
 * moves along the skin as it lies there, and the changes are added in squares (GUM 2008, section 5.1.2). Null where it is not known.
 */
function figureOf(
  of: FigureOf,
  corners: number,
  { along, parts }: { along: readonly TracedPoint[]; parts: readonly Part[] },
  camera: Camera,
  pairs: LaidOver['pairs'],
): TracedFigure | null {
  const value = figureIn(
    of,
    along.map((one) => (one.isKnown ? one.landed!.xyz : null)),
  );
  if (value === null) return null;
  const moved = (from: Camera, by: (part: Part) => Point) =>
    figureIn(
      of,
      along.map((one, i) => (one.isKnown ? onTangent(one.landed!, from, by(parts[i]!)) : null)),
    ) ?? value;
  const click = (corner: number, k: 0 | 1, by: number) =>
    moved(camera, ({ at, of: shares }) => {
      const share = shares.reduce((sum, [own, part]) => sum + (own === corner ? part : 0), 0);
      return k === 0 ? [at[0] + by * share, at[1]] : [at[0], at[1] + by * share];
    });
  const byPoints = Math.hypot(
    ...Array.from({ length: corners }, (_, i) => i).flatMap((i) =>
      ([0, 1] as const).map((k) => (click(i, k, CLICK_SD_PX) - click(i, k, -CLICK_SD_PX)) / 2),
    ),
  );
  const still = ({ at }: Part) => at;
  const byCamera = Math.hypot(...pairs.map(([one, other]) => (moved(one, still) - moved(other, still)) / 2));
  return { of, value, sd: Math.hypot(byPoints, byCamera), parts: { points: byPoints, camera: byCamera } };
}

/** Where another line of sight meets the skin as it lies about a place. */
function onTangent({ xyz, normal }: Landed, camera: Camera, at: Point): Xyz {
  const ray = rayOf(camera, at);
  const far = dot(normal, way(camera.centre, xyz)) / dot(normal, ray);
  return plus(camera.centre, ray, far);
}

/** How far a corner may lie off on the skin, mm: by the click, and by the camera. */
const cornerSd = ({ at, landed }: TracedPoint, pairs: LaidOver['pairs']): number =>
  Math.hypot(
    landed!.sdMm,
    ...pairs.map(([one, other]) => between(onTangent(landed!, one, at), onTangent(landed!, other, at)) / 2),
  );

/** The view that looks at most of it. */
function bestView(along: readonly TracedPoint[]): View | null {
  const counts = new Map<View, number>();
  for (const one of along) {
    const view = one.isKnown ? viewOf(one.landed!) : null;
    if (view) counts.set(view, (counts.get(view) ?? 0) + 1);
  }
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? null;
}

function viewOf({ on }: Landed): View | null {
  if (!on) return null;
  const {
    chart: { on: surface, seen },
    at,
  } = on;
  if (surface.kind === 'lifting') return (Object.keys(seen) as View[])[0] ?? null;
  const girth = ((at[1] % 360) + 360) % 360;
  // What lies between the spine and 45 degrees off it is told from above, and so on round.
  if (girth < 35 || girth > 325) return 'upper';
  if (girth > 145 && girth < 215) return 'lower';
  return girth < 180 ? 'starboard' : 'port';
}

/** Station and offset of a place in a view, m: up from the belly from the side, to starboard from above and below. */
export const cornerIn = (view: View, { xyz }: Landed): [x: number, y: number] => [
  xyz[0] / 1000,
  (isSide(view) ? xyz[2] : xyz[1]) / 1000,
];
