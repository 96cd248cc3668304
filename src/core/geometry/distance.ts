import { isWithin, type Point, type Polygon } from './polygon';
import { meeting } from './simple';

/** The point of a segment that is nearest to a point. */
export function alongSegment([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): Point {
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / square));
  return [ax + t * dx, ay + t * dy];
}

/** Distance of a point from a segment. */
function toSegment(point: Point, a: Point, b: Point): number {
  const [x, y] = alongSegment(point, a, b);
  return Math.hypot(point[0] - x, point[1] - y);
}

const sidesOf = (polygon: Polygon): [Point, Point][] => polygon.map((a, i) => [a, polygon[(i + 1) % polygon.length]!]);

/** Distance of a point from a polygon's border. */
const toBorder = (point: Point, polygon: Polygon): number =>
  sidesOf(polygon).reduce((least, [a, b]) => Math.min(least, toSegment(point, a, b)), Infinity);

/** Distance of a point from what a polygon covers: 0 inside. */
export const toArea = (point: Point, polygon: Polygon): number =>
  isWithin(point, polygon) ? 0 : toBorder(point, polygon);

/** Least distance between two borders: 0 where they meet. Between segments that do not cross, one end is nearest. */
export function betweenBorders(one: Polygon, other: Polygon): number {
  let least = Infinity;
  const others = sidesOf(other);
  for (const [a, b] of sidesOf(one))
    for (const [c, d] of others) {
      if (meeting(a, b, c, d)) return 0;
      least = Math.min(least, toSegment(a, c, d), toSegment(b, c, d), toSegment(c, a, b), toSegment(d, a, b));
    }
  return least;
}

/** Searches stop when no better point than the best by this share of its distance can be left. */
const SEARCH_SHARE = 1e-8;
const MOST_SPLITS = 4000;

/**
 * How far a polygon reaches out of another: the greatest distance of any of its points from what the other covers; 0 inside. From a convex
 * field it is greatest at a corner. Else sides are cut where they meet the field's border; what runs outside is searched: a distance changes
 * by no more than one walks, so that a stretch between two points holds nothing above (d1 + d2 + its length) / 2, and stretches that cannot
 * hold a greater one are dropped, the others halved. `share` is how near it comes to the greatest.
 */
export function overhang(polygon: Polygon, field: Polygon, share = SEARCH_SHARE): number {
  const border = sidesOf(field);
  const out = (point: Point): number =>
    isWithin(point, field) ? 0 : border.reduce((least, [a, b]) => Math.min(least, toSegment(point, a, b)), Infinity);
  let greatest = polygon.reduce((most, point) => Math.max(most, out(point)), 0);
  if (isConvex(field)) return greatest;
  const settled = () => greatest * (1 + share) + share * 1e-3;
  const stretches = sidesOf(polygon).flatMap(([a, b]) =>
    piecesBetween(a, b, border).flatMap(([from, to]) => {
      const dm = out(middleOf(from, to));
      greatest = Math.max(greatest, dm);
      return dm > 0 ? [{ a: from, b: to, da: out(from), db: out(to) }] : [];
    }),
  );
  for (let splits = 0; stretches.length > 0 && splits < MOST_SPLITS * polygon.length; splits += 1) {
    const { a, b, da, db } = stretches.pop()!;
    if ((da + db + Math.hypot(b[0] - a[0], b[1] - a[1])) / 2 <= settled()) continue;
    const middle = middleOf(a, b);
    const dm = out(middle);
    greatest = Math.max(greatest, dm);
    stretches.push({ a, b: middle, da, db: dm }, { a: middle, b, da: dm, db });
  }
  // Whose border lies inside lies inside; else the furthest point may lie within, in the middle of a bay of a hollow field.
  return greatest === 0 ? 0 : Math.max(greatest, furthestWithin(polygon, field, greatest, share));
}

const middleOf = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];

/** A segment cut where it meets any of the sides: each piece runs on one side of their border, or along it. */
function piecesBetween(a: Point, b: Point, sides: readonly [Point, Point][]): [Point, Point][] {
  const far = ([x, y]: Point) => Math.hypot(x - a[0], y - a[1]);
  const cuts = sides.flatMap(([c, d]): Point[] => {
    const at = meeting(a, b, c, d);
    return at ? [at] : [];
  });
  cuts.sort((p, q) => far(p) - far(q));
  const stops = [a, ...cuts, b];
  return stops.slice(1).map((to, i): [Point, Point] => [stops[i]!, to]);
}

function furthestWithin(polygon: Polygon, field: Polygon, least: number, share: number): number {
  const [xs, ys] = [polygon.map(([x]) => x), polygon.map(([, y]) => y)];
  const half = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)) / 2;
  let greatest = least;
  const squares = [
    {
      middle: [(Math.max(...xs) + Math.min(...xs)) / 2, (Math.max(...ys) + Math.min(...ys)) / 2] as Point,
      half,
    },
  ];
  for (let splits = 0; squares.length > 0 && splits < MOST_SPLITS; splits += 1) {
    const { middle, half: reach } = squares.pop()!;
    const isIn = isWithin(middle, polygon);
    const diagonal = reach * Math.SQRT2;
    if (!isIn && toBorder(middle, polygon) > diagonal) continue;
    const distance = toArea(middle, field);
    if (isIn) greatest = Math.max(greatest, distance);
    if (distance + diagonal <= greatest * (1 + share) + half * 1e-9) continue;
    for (const [sx, sy] of [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const)
      squares.push({ middle: [middle[0] + (sx * reach) / 2, middle[1] + (sy * reach) / 2], half: reach / 2 });
  }
  return greatest;
}

/** Whether every corner turns the same way. */
export function isConvex(polygon: Polygon): boolean {
  let sign = 0;
  return polygon.every((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    const c = polygon[(i + 2) % polygon.length]!;
    const turn = Math.sign((b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]));
    if (turn === 0) return true;
    sign ||= turn;
    return turn === sign;
  });
}

/** The length of an open line that lies within a polygon. */
export function lengthWithin(line: Polygon, polygon: Polygon): number {
  let length = 0;
  for (let i = 1; i < line.length; i += 1) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const whole = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (whole === 0) continue;
    const cuts = sidesOf(polygon)
      .flatMap(([c, d]) => {
        const at = meeting(a, b, c, d);
        return at ? [Math.hypot(at[0] - a[0], at[1] - a[1]) / whole] : [];
      })
      .concat(0, 1)
      .sort((one, other) => one - other);
    for (let k = 1; k < cuts.length; k += 1) {
      const t = (cuts[k - 1]! + cuts[k]!) / 2;
      const middle: Point = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
      const part = (cuts[k]! - cuts[k - 1]!) * whole;
      // Along the border a line is not within.
      if (part > whole * 1e-12 && isWithin(middle, polygon) && toBorder(middle, polygon) > part * 1e-9) length += part;
    }
  }
  return length;
}
