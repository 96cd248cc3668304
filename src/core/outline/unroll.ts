import { polygonArea, steps, type Point } from '@/core/geometry/polygon';
import { between, bodyPoint, girthOfAngle, type Body, type Xyz } from './body';

/** A place on a body: station, and the angle in which it is seen from the axis (0 top, 90 starboard, 180 belly, 270 port). */
export interface BodyPlace {
  x: number;
  angleDeg: number;
}

export interface Unrolled {
  /** A flat piece to cut: first along the side of the lesser angle, aftwards. */
  outline: Point[];
  area: number;
  /** Greatest stretch of any stretch of the skin, %. 0 where the skin is developable. */
  errorPercent: number;
  /** Pieces of equal angle that keep within `MOST_STRETCH`; 1 where the whole does. */
  gores: number;
}

/** A stretch that paper or tape takes without a crease, %. */
export const MOST_STRETCH = 2;
const MOST_GORES = 36;
/** Degrees between the lines along which the skin is cut into strips, and the least of strips. */
const STRIP_DEG = 1.5;
const COARSE_DEG = 6;
/** Below this stretch, %, a skin is developable. */
const EXACT = 0.01;
const LEAST_STRIPS = 8;
/** Steps along, beside the sections themselves. */
const ALONG = 20;

/**
 * Lays the skin between two stations and two angles flat. It is cut along its length into narrow strips; each is unfolded triangle by
 * triangle (which keeps every length in it) and laid against the one before along the side that they share. Cones and cylinders come out
 * exact; elsewhere the sides do not fit, and every point is moved to where its neighbours want it (stress majorization, de Leeuw 1977) until
 * lengths are stretched as little as may be. What is left of that is told.
 */
export function unroll(body: Body, from: BodyPlace, to: BodyPlace): Unrolled {
  const whole = flat(body, from, to);
  if (whole.errorPercent <= MOST_STRETCH) return { ...whole, gores: 1 };
  const fits = (gores: number) => {
    const angle = (i: number) => from.angleDeg + ((to.angleDeg - from.angleDeg) * i) / gores;
    return Array.from({ length: gores }, (_, i) => i).every(
      (i) =>
        stretched(body, { ...from, angleDeg: angle(i) }, { ...to, angleDeg: angle(i + 1) }).errorPercent <=
        MOST_STRETCH,
    );
  };
  let [few, many] = [1, MOST_GORES];
  while (many - few > 1) {
    const middle = (few + many) >> 1;
    if (fits(middle)) many = middle;
    else few = middle;
  }
  return { ...whole, gores: many };
}

type Grid<T> = readonly (readonly T[])[];

/** The patch in one piece, however much it stretches. */
export function flat(body: Body, from: BodyPlace, to: BodyPlace): Omit<Unrolled, 'gores'> {
  const fine = gridOf(body, from, to, STRIP_DEG, stationsOf(body, from.x, to.x));
  const exact = joinedStrips(fine);
  return stretchOf(fine, exact) < EXACT ? piece(fine, exact) : stretched(body, from, to);
}

/** A patch that has to be stretched: what it takes is known as well on fewer points. */
function stretched(body: Body, from: BodyPlace, to: BodyPlace): Omit<Unrolled, 'gores'> {
  const skin = gridOf(body, from, to, COARSE_DEG, steps(from.x, to.x, ALONG));
  return piece(skin, leastStretched(skin, joinedStrips(skin)));
}

/** The grid laid with as little stretch as may be, from its joined strips or from its middle, whichever stretches less to begin with. */
function leastStretched(skin: Grid<Xyz>, joined: Grid<Point>): Point[][] {
  const spread = alongMiddle(skin);
  return settled(skin, stretchOf(skin, spread) < stretchOf(skin, joined) ? spread : joined);
}

function gridOf(body: Body, from: BodyPlace, to: BodyPlace, stripDeg: number, stations: readonly number[]): Xyz[][] {
  const strips = Math.max(LEAST_STRIPS, Math.ceil((to.angleDeg - from.angleDeg) / stripDeg));
  return steps(from.angleDeg, to.angleDeg, strips).map((angle) =>
    stations.map((x) => bodyPoint(body, x, girthOfAngle(body, x, angle))),
  );
}

function piece(skin: Grid<Xyz>, laid: Grid<Point>): Omit<Unrolled, 'gores'> {
  const inner = laid.slice(1, -1);
  const outline = withoutDoubles([
    ...laid[0]!,
    ...inner.map((line) => line.at(-1)!),
    ...[...laid.at(-1)!].reverse(),
    ...[...inner].reverse().map((line) => line[0]!),
  ]);
  return { outline, area: polygonArea(outline), errorPercent: stretchOf(skin, laid) };
}

/** Strips side by side, the line between two of them in the middle of both. */
function joinedStrips(skin: Grid<Xyz>): Point[][] {
  const laid: Point[][] = [];
  let loose: Point[] | null = null;
  for (let j = 0; j + 1 < skin.length; j += 1) {
    const strip = unfolded(skin[j]!, skin[j + 1]!);
    const move: (p: Point) => Point = loose ? fitting(strip.lower, loose) : (p) => p;
    const lower = strip.lower.map(move);
    laid.push(loose ? lower.map(([u, v], i) => [(u + loose![i]![0]) / 2, (v + loose![i]![1]) / 2]) : lower);
    loose = strip.upper.map(move);
  }
  return [...laid, loose!];
}

/** The line in the middle laid straight, and the girth square to it at every station: the gore of a globe. */
function alongMiddle(skin: Grid<Xyz>): Point[][] {
  const middle = (skin.length - 1) >> 1;
  const line = skin[middle]!;
  const along = line.reduce<number[]>((all, p, i) => [...all, i ? all[i - 1]! + between(line[i - 1]!, p) : 0], []);
  const laid: Point[][] = skin.map(() => []);
  along.forEach((u, i) => {
    laid[middle]![i] = [u, 0];
    for (const way of [-1, 1]) {
      let v = 0;
      for (let j = middle + way; j >= 0 && j < skin.length; j += way) {
        v += way * between(skin[j - way]![i]!, skin[j]![i]!);
        laid[j]![i] = [u, v];
      }
    }
  });
  return laid;
}

const ROUNDS = 120;
const NEIGHBOURS = [
  [-1, 0],
  [1, 0],
  [0, -1],
  [0, 1],
  [-1, -1],
  [-1, 1],
  [1, -1],
  [1, 1],
] as const;

/** Every point again and again to the mean of where its neighbours, each at its true distance, would have it. */
function settled(skin: Grid<Xyz>, start: Grid<Point>): Point[][] {
  const laid = start.map((line) => [...line]);
  const [columns, rows] = [laid.length, laid[0]!.length];
  const wanted = skin.map((line, j) =>
    line.map((p, i) =>
      NEIGHBOURS.flatMap(([dj, di]) => {
        const q = skin[j + dj]?.[i + di];
        return q && i + di >= 0 && i + di < rows ? [{ j: j + dj, i: i + di, far: between(p, q) }] : [];
      }).filter(({ far }) => far > 0),
    ),
  );
  for (let round = 0; round < ROUNDS; round += 1)
    for (let j = 0; j < columns; j += 1)
      for (let i = 0; i < rows; i += 1) {
        const [u, v] = laid[j]![i]!;
        let [sumU, sumV, weights] = [0, 0, 0];
        for (const near of wanted[j]![i]!) {
          const [a, b] = laid[near.j]![near.i]!;
          const apart = Math.hypot(u - a, v - b) || 1;
          // By the inverse square of the distance every length counts by its relative error.
          const weight = 1 / (near.far * near.far);
          sumU += weight * (a + ((u - a) * near.far) / apart);
          sumV += weight * (b + ((v - b) * near.far) / apart);
          weights += weight;
        }
        if (weights > 0) laid[j]![i] = [sumU / weights, sumV / weights];
      }
  return laid;
}

function stationsOf({ sections }: Body, from: number, to: number): number[] {
  const own = sections.map(({ x }) => x).filter((x) => x > from && x < to);
  const near = (to - from) * 1e-9;
  return [...steps(from, to, ALONG), ...own]
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - all[i - 1]! > near);
}

/** A strip between two lines on the skin, unfolded from its first end. */
function unfolded(lower: readonly Xyz[], upper: readonly Xyz[]): { lower: Point[]; upper: Point[] } {
  const low: Point[] = [[0, 0]];
  const up: Point[] = [[0, between(lower[0]!, upper[0]!)]];
  for (let i = 1; i < lower.length; i += 1) {
    const [a, b] = [low[i - 1]!, up[i - 1]!];
    const c = beyond(a, b, between(lower[i - 1]!, lower[i]!), between(upper[i - 1]!, lower[i]!));
    low.push(c);
    up.push(beyond(c, b, between(lower[i]!, upper[i]!), between(upper[i - 1]!, upper[i]!)));
  }
  return { lower: low, upper: up };
}

/** The point at two distances from two others, to the right of the line from the first to the second; two circles meet there. */
function beyond(a: Point, b: Point, fromA: number, fromB: number): Point {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const apart = Math.hypot(dx, dy);
  if (apart < 1e-12 * (fromA + fromB)) return [a[0] + fromA, a[1]];
  const along = (apart * apart + fromA * fromA - fromB * fromB) / (2 * apart);
  const out = Math.sqrt(Math.max(0, fromA * fromA - along * along));
  return [a[0] + (along * dx + out * dy) / apart, a[1] + (along * dy - out * dx) / apart];
}

/** The turn and shift that brings one line of points nearest to another (Procrustes in the plane). */
function fitting(line: readonly Point[], onto: readonly Point[]): (p: Point) => Point {
  const middle = (points: readonly Point[]): Point => [
    points.reduce((sum, [u]) => sum + u, 0) / points.length,
    points.reduce((sum, [, v]) => sum + v, 0) / points.length,
  ];
  const [m, n] = [middle(line), middle(onto)];
  let [dot, cross] = [0, 0];
  line.forEach(([u, v], i) => {
    const [a, b] = [u - m[0], v - m[1]];
    const [c, d] = [onto[i]![0] - n[0], onto[i]![1] - n[1]];
    dot += a * c + b * d;
    cross += a * d - b * c;
  });
  const size = Math.hypot(dot, cross) || 1;
  const [cos, sin] = [dot / size || (dot === 0 && cross === 0 ? 1 : 0), cross / size];
  return ([u, v]) => [n[0] + (u - m[0]) * cos - (v - m[1]) * sin, n[1] + (u - m[0]) * sin + (v - m[1]) * cos];
}

/** Greatest change of any length of the grid, %; lengths that are nothing beside the patch do not count. */
function stretchOf(skin: Grid<Xyz>, laid: Grid<Point>): number {
  const columns = skin.length - 1;
  const rows = skin[0]!.length - 1;
  const longest = between(skin[0]![0]!, skin[columns]![rows]!) || 1;
  let most = 0;
  const compare = (j: number, i: number, k: number, l: number) => {
    const real = between(skin[j]![i]!, skin[k]![l]!);
    if (real < longest * 1e-6) return;
    const [a, b] = [laid[j]![i]!, laid[k]![l]!];
    most = Math.max(most, Math.abs(Math.hypot(a[0] - b[0], a[1] - b[1]) / real - 1));
  };
  for (let j = 0; j <= columns; j += 1)
    for (let i = 0; i <= rows; i += 1) {
      if (i < rows) compare(j, i, j, i + 1);
      if (j < columns) compare(j, i, j + 1, i);
    }
  return most * 100;
}

const withoutDoubles = (points: readonly Point[]): Point[] =>
  points.filter((point, i) => i === 0 || (isApart(point, points[i - 1]!) && isApart(point, points[0]!)));

const isApart = ([u, v]: Point, [a, b]: Point) => Math.abs(u - a) > 1e-9 || Math.abs(v - b) > 1e-9;

/**
 * The skin between two stations and two girth angles laid flat, as a map from any place on it: to cut what lies there. `errorPercent` is the
 * greatest stretch. Between the points of the grid places are found straight.
 */
export function flattened(
  body: Body,
  xs: readonly [from: number, to: number],
  girths: readonly [from: number, to: number],
): { put: (place: Point) => Point; errorPercent: number } {
  const columns = Math.max(LEAST_STRIPS, Math.ceil((girths[1] - girths[0]) / (COARSE_DEG / 2)));
  const rows = ALONG * 2;
  const [angles, stations] = [steps(girths[0], girths[1], columns), steps(xs[0], xs[1], rows)];
  const skin = angles.map((girth) => stations.map((x) => bodyPoint(body, x, girth)));
  const joined = joinedStrips(skin);
  const laid = stretchOf(skin, joined) < EXACT ? joined : leastStretched(skin, joined);
  const place = (value: number, from: number, to: number, count: number): [number, number] => {
    const at = Math.min(count, Math.max(0, ((value - from) / (to - from)) * count));
    const i = Math.min(count - 1, Math.floor(at));
    return [i, at - i];
  };
  return {
    errorPercent: stretchOf(skin, laid),
    put([x, girth]) {
      const [j, s] = place(girth, girths[0], girths[1], columns);
      const [i, t] = place(x, xs[0], xs[1], rows);
      const [a, b, c, d] = [laid[j]![i]!, laid[j + 1]![i]!, laid[j]![i + 1]!, laid[j + 1]![i + 1]!];
      const mix = (k: 0 | 1) => (1 - s) * ((1 - t) * a[k] + t * c[k]) + s * ((1 - t) * b[k] + t * d[k]);
      return [mix(0), mix(1)];
    },
  };
}
