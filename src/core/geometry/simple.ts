import { polygonArea, type Point, type Polygon } from './polygon';

/** Why a row of points is no shape that can be painted or cut; null where it is one. */
export function faultOf(polygon: Polygon): string | null {
  if (polygon.length < 3) return 'a shape needs at least three points';
  if (!polygon.flat().every(Number.isFinite)) return 'every point needs two finite numbers';
  const corners = withoutRepeats(polygon);
  if (corners.length < 3) return 'its points lie on one spot: it has no size';
  const crossing = selfCrossing(corners);
  if (crossing)
    return `its border crosses itself at ${said(crossing.at)}, between points ${crossing.first + 1} and ${crossing.second + 1}`;
  const size = Math.max(...corners.flat().map(Math.abs));
  if (polygonArea(corners) <= size * size * 1e-14) return 'it has no area: zero size';
  return null;
}

const said = ([x, y]: Point) => `[${round(x)}, ${round(y)}]`;
const round = (value: number) => Math.round(value * 1000) / 1000;

/** The polygon without points that repeat the one before them, the closing one among them. */
export function withoutRepeats(polygon: Polygon): Point[] {
  return polygon.filter(([x, y], i) => {
    const [u, v] = polygon[(i + polygon.length - 1) % polygon.length]!;
    return polygon.length === 1 || x !== u || y !== v;
  });
}

export interface Crossing {
  /** Sides by the number of their first corner, from 0. */
  first: number;
  second: number;
  at: Point;
}

/**
 * The first pair of sides that meet elsewhere than at a shared corner; null for a simple polygon. Sides are compared in the order of their
 * left ends, so that only those that lie over one another are tried.
 */
export function selfCrossing(polygon: Polygon): Crossing | null {
  const sides = polygon.map((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    return { i, a, b, left: Math.min(a[0], b[0]), right: Math.max(a[0], b[0]) };
  });
  sides.sort((one, other) => one.left - other.left);
  for (let k = 0; k < sides.length; k += 1) {
    const one = sides[k]!;
    for (let m = k + 1; m < sides.length && sides[m]!.left <= one.right; m += 1) {
      const other = sides[m]!;
      const [first, second] = one.i < other.i ? [one, other] : [other, one];
      const isNext = second.i === first.i + 1;
      const isClosing = first.i === 0 && second.i === polygon.length - 1;
      const at = isNext
        ? foldBack(first.a, first.b, second.b)
        : isClosing
          ? foldBack(second.a, second.b, first.b)
          : meeting(first.a, first.b, second.a, second.b);
      if (at) return { first: first.i, second: second.i, at };
    }
  }
  return null;
}

/** Where a side runs back over the one before it; they share the middle point. */
function foldBack(a: Point, b: Point, c: Point): Point | null {
  const [ux, uy, vx, vy] = [a[0] - b[0], a[1] - b[1], c[0] - b[0], c[1] - b[1]];
  return ux * vy - uy * vx === 0 && ux * vx + uy * vy > 0 ? b : null;
}

/** Where two segments meet, ends and overlaps included; null where they do not. */
export function meeting(a: Point, b: Point, c: Point, d: Point): Point | null {
  const turn = (p: Point, q: Point, r: Point) => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
  const [d1, d2, d3, d4] = [turn(c, d, a), turn(c, d, b), turn(a, b, c), turn(a, b, d)];
  if (((d1 > 0 && d2 < 0) || (d1 < 0 && d2 > 0)) && ((d3 > 0 && d4 < 0) || (d3 < 0 && d4 > 0))) {
    const t = d1 / (d1 - d2);
    return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
  }
  const within = (p: Point, q: Point, r: Point) =>
    Math.min(p[0], q[0]) <= r[0] &&
    r[0] <= Math.max(p[0], q[0]) &&
    Math.min(p[1], q[1]) <= r[1] &&
    r[1] <= Math.max(p[1], q[1]);
  if (d1 === 0 && within(c, d, a)) return a;
  if (d2 === 0 && within(c, d, b)) return b;
  if (d3 === 0 && within(a, b, c)) return c;
  if (d4 === 0 && within(a, b, d)) return d;
  return null;
}
