export type Point = readonly [u: number, v: number];
export type Polygon = readonly Point[];

/** Area by the shoelace formula (half the sum of cross products of successive corners); never negative. */
export function polygonArea(polygon: Polygon): number {
  let twice = 0;
  polygon.forEach(([x, y], i) => {
    const [nextX, nextY] = polygon[(i + 1) % polygon.length]!;
    twice += x * nextY - nextX * y;
  });
  return Math.abs(twice) / 2;
}

export interface Extent {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The smallest upright rectangle round all points; all zero for none. */
export function extentOf(polygons: readonly Polygon[]): Extent {
  const points = polygons.flat();
  if (points.length === 0) return { left: 0, right: 0, top: 0, bottom: 0 };
  const us = points.map(([u]) => u);
  const vs = points.map(([, v]) => v);
  return { left: Math.min(...us), right: Math.max(...us), top: Math.min(...vs), bottom: Math.max(...vs) };
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

/** The middle of the corners: good enough to put a mark or a letter on a zone. */
export function middleOf(polygon: Polygon): Point {
  const { left, right, top, bottom } = extentOf([polygon]);
  return [(left + right) / 2, (top + bottom) / 2];
}

/** Whether a point lies inside, by the crossings of a ray with the edges. */
export function contains(polygon: Polygon, [u, v]: Point): boolean {
  let inside = false;
  polygon.forEach(([u1, v1], i) => {
    const [u2, v2] = polygon[(i + 1) % polygon.length]!;
    if (v1 > v !== v2 > v && u < ((u2 - u1) * (v - v1)) / (v2 - v1) + u1) inside = !inside;
  });
  return inside;
}
