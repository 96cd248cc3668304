import type { Xyz } from '@/core/outline/body';
import { triangle } from '@/core/outline/skin-area';

/** A skin as triangles; in the unit of what it was made from. */
export interface Mesh {
  /** x, y, z of each corner, one after the other. */
  positions: number[];
  /** Three corners each, counter-clockwise as seen from outside. */
  triangles: number[];
}

/** Corners nearer than this share of the size of the whole are one. */
const ONE = 1e-9;

/** Triangles put together corner by corner: corners at one place become one, triangles without an area fall away. */
export class MeshMaker {
  private readonly known = new Map<string, number>();
  readonly mesh: Mesh = { positions: [], triangles: [] };

  /** `size`: how large the whole is, in its unit. */
  constructor(private readonly size: number) {}

  corner(at: Xyz): number {
    const grid = Math.max(this.size * ONE, Number.MIN_VALUE);
    const key = at.map((value) => Math.round(value / grid)).join();
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const { positions } = this.mesh;
    const index = positions.length / 3;
    positions.push(...at);
    this.known.set(key, index);
    return index;
  }

  triangle(a: number, b: number, c: number) {
    if (a === b || b === c || c === a) return;
    const { positions, triangles } = this.mesh;
    if (areaOf(positions, a, b, c) > 0) triangles.push(a, b, c);
  }
}

export const cornerAt = (positions: ArrayLike<number>, i: number): Xyz => [
  positions[3 * i]!,
  positions[3 * i + 1]!,
  positions[3 * i + 2]!,
];
const areaOf = (positions: ArrayLike<number>, a: number, b: number, c: number): number =>
  triangle(cornerAt(positions, a), cornerAt(positions, b), cornerAt(positions, c));

/** The area of all triangles, in the square of the unit. */
export function meshArea({
  positions,
  triangles,
}: {
  positions: ArrayLike<number>;
  triangles: ArrayLike<number>;
}): number {
  let sum = 0;
  for (let i = 0; i < triangles.length; i += 3)
    sum += areaOf(positions, triangles[i]!, triangles[i + 1]!, triangles[i + 2]!);
  return sum;
}
