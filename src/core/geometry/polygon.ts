export type Point = readonly [u: number, v: number];
export type Polygon = readonly Point[];

/** Area by the shoelace formula (half the sum of cross products of successive corners); below 0 for one that runs clockwise, with y up. */
export function signedArea(polygon: Polygon): number {
  let twice = 0;
  polygon.forEach(([x, y], i) => {
    const [nextX, nextY] = polygon[(i + 1) % polygon.length]!;
    twice += x * nextY - nextX * y;
  });
  return twice / 2;
}

export const polygonArea = (polygon: Polygon): number => Math.abs(signedArea(polygon));

/** The border of a polygon with points no further apart than `step`. */
export function dense(ring: Polygon, step: number): Point[] {
  return ring.flatMap(([x, y], i) => {
    const [u, v] = ring[(i + 1) % ring.length]!;
    const parts = Math.max(1, Math.ceil(Math.hypot(u - x, v - y) / step));
    return Array.from({ length: parts }, (_, k): Point => [x + ((u - x) * k) / parts, y + ((v - y) * k) / parts]);
  });
}

export interface Extent {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The smallest upright rectangle round all points; all zero for none. */
export function extentOf(polygons: readonly Polygon[]): Extent {
  const extent = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
  for (const polygon of polygons)
    for (const [u, v] of polygon) {
      extent.left = Math.min(extent.left, u);
      extent.right = Math.max(extent.right, u);
      extent.top = Math.min(extent.top, v);
      extent.bottom = Math.max(extent.bottom, v);
    }
  return extent.left === Infinity ? { left: 0, right: 0, top: 0, bottom: 0 } : extent;
}

export function steps(from: number, to: number, count: number): number[] {
  return Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count);
}

export function ellipse(u: number, v: number, radiusU: number, radiusV: number, corners = 28): Polygon {
  return Array.from({ length: corners }, (_, i) => {
    const angle = (2 * Math.PI * i) / corners;
    return [u + radiusU * Math.cos(angle), v + radiusV * Math.sin(angle)] as const;
  });
}

export function rectangle(left: number, top: number, right: number, bottom: number): Polygon {
  return [
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ];
}

/** Whether a point lies within a polygon: a ray to the right crosses its border an odd number of times (Shimrat 1962). */
export function isWithin([x, y]: Point, polygon: Polygon): boolean {
  let within = false;
  polygon.forEach(([ax, ay], i) => {
    const [bx, by] = polygon[(i + polygon.length - 1) % polygon.length]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) within = !within;
  });
  return within;
}

/** Whether an odd number of rings surround a point: in an area, and in none of its holes. */
export const isInRegion = (point: Point, rings: readonly Polygon[]): boolean =>
  rings.filter((ring) => isWithin(point, ring)).length % 2 === 1;

/** The `i`th number (from 1) between 0 and 1 of the evenly spread sequence of a base that is prime (Halton 1960): the same every time. */
export function halton(i: number, base: number): number {
  let [value, share] = [0, 1];
  for (let n = i; n > 0; n = Math.floor(n / base)) {
    share /= base;
    value += share * (n % base);
  }
  return value;
}
