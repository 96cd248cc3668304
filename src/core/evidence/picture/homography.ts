import { solveLinear } from '@/core/units/linear';

/** Plane geometry of pictures: points in px of the picture (or mm on a panel), x to the right, y down. */
export type XY = readonly [x: number, y: number];

/** A plane-to-plane projection, row by row, the last element 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number, 1];

/** What is wrong with a set of points or a scale, in words for the builder. */
export class MeasureFault extends Error {}

const cross = (o: XY, a: XY, b: XY) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
export const distance = (a: XY, b: XY): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/**
 * Throws MeasureFault when three of four points lie in a line (within 1 % of their longest distance) or when they are not the
 * corners of a convex quadrangle in order.
 */
export function checkFourPoints(points: readonly XY[], what: string): void {
  const size = Math.max(...points.flatMap((a) => points.map((b) => distance(a, b))));
  if (size === 0) throw new MeasureFault(`${what}: the four points are one and the same`);
  const turns = points.map((point, i) => {
    const [next, after] = [points[(i + 1) % 4]!, points[(i + 2) % 4]!];
    const longest = Math.max(distance(point, next), distance(next, after), distance(point, after));
    const height = longest === 0 ? 0 : Math.abs(cross(point, next, after)) / longest;
    if (height < 0.01 * size)
      throw new MeasureFault(`${what}: three of the four points lie in a line; take the corners of the panel`);
    return Math.sign(cross(point, next, after));
  });
  if (new Set(turns).size > 1)
    throw new MeasureFault(`${what}: the points cross over; take the corners in order, round the panel`);
}

/**
 * The projection that takes four points to four others (direct linear transform; Hartley, Zisserman 2004, section 4.1, exact for
 * four). Throws MeasureFault for points of which three lie in a line.
 */
export function homographyOf(from: readonly XY[], to: readonly XY[]): Homography {
  if (from.length !== 4 || to.length !== 4) throw new MeasureFault('four points are needed on both sides');
  checkFourPoints(from, 'The points in the picture');
  checkFourPoints(to, 'The points on the panel');
  const rows: number[][] = [];
  from.forEach(([x, y], i) => {
    const [u, v] = to[i]!;
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  });
  const h = solveLinear(rows);
  if (!h) throw new MeasureFault('the four points do not fix the panel');
  return [...h, 1] as unknown as Homography;
}

export function projectPoint(h: Homography, [x, y]: XY): XY {
  const w = h[6] * x + h[7] * y + 1;
  return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
}
