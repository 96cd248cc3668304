import type { Point, Polygon } from './polygon';

/** Points between two corners of a smooth line. */
const BETWEEN = 8;

/** A smooth line through all points (Catmull and Rom 1974, uniform), as points close together; closed or with two ends. */
export function smoothThrough(points: Polygon, closed: boolean, between = BETWEEN): Point[] {
  if (points.length < 3) return [...points];
  const n = points.length;
  const at = (i: number): Point => (closed ? points[((i % n) + n) % n]! : points[Math.min(n - 1, Math.max(0, i))]!);
  const spans = closed ? n : n - 1;
  const line: Point[] = [];
  for (let i = 0; i < spans; i += 1) {
    const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    for (let k = 0; k < between; k += 1) {
      const t = k / between;
      const value = (p: number, q: number, r: number, s: number) =>
        0.5 * (2 * q + (r - p) * t + (2 * p - 5 * q + 4 * r - s) * t * t + (3 * q - p - 3 * r + s) * t ** 3);
      line.push([value(a[0], b[0], c[0], d[0]), value(a[1], b[1], c[1], d[1])]);
    }
  }
  if (!closed) line.push(points[n - 1]!);
  return line;
}
