import earcut from 'earcut';
import { union, type Region } from '@/core/geometry/clip';
import { isInRegion, signedArea, type Point, type Polygon } from '@/core/geometry/polygon';
import { between, type Xyz } from '@/core/outline/body';
import type { Chart } from '@/core/outline/chart';
import { cross, onWay, plus, unit, way } from '@/core/outline/space';
import { solidPoint, type Solid } from '@/core/outline/solid';
import { pointGrid } from './grid';
import { cornerAt, type Mesh } from './mesh';

/** Regions of a chart lifted off the page: cut there, triangulated there, and bent with the skin. Their borders stay crisp at any size. */

/** What is drawn of a region: corners with the way the skin looks there, and triangles that are turned outwards. */
export interface Lifted {
  positions: Float32Array;
  normals: Float32Array;
  index: Uint32Array;
}

/** Outwards, by the order of a chart's two coordinates. */
export const turnOf = ({ on }: Chart): 1 | -1 =>
  on.kind === 'body' ? 1 : on.face * on.of.side * (on.of.upright ? -1 : 1) > 0 ? -1 : 1;

/** How far the skin goes on for a thousandth of a step, to tell how it lies. */
const NEAR = 1e-3;
/** More corners than a region has: an edge is known by both of its own. */
const MOST_CORNERS = 2 ** 25;
/** Halvings of one edge at the most. */
const MOST_HALVED = 9;

/** `tolerance`: how far a triangle may lie off the skin, m; `above`: how far over the skin it lies, m. */
export function liftedRegion(chart: Chart, region: Region, tolerance: number, above = 0): Lifted {
  const corners: Point[] = [];
  const triangles: number[] = [];
  for (const polygon of polygonsOf(region)) {
    const base = corners.length;
    const holes: number[] = [];
    polygon.forEach((ring, i) => {
      if (i > 0) holes.push(corners.length - base);
      corners.push(...ring);
    });
    // Scaled so that neither coordinate is as good as nothing beside the other.
    const flat = corners.slice(base).flatMap(([p, q]) => [p / chart.step[0], q / chart.step[1]]);
    triangles.push(...earcut(flat, holes).map((i) => base + i));
  }
  const bent = new Bent(chart, corners, tolerance);
  for (let i = 0; i < triangles.length; i += 3) bent.add(triangles[i]!, triangles[i + 1]!, triangles[i + 2]!, 0);
  return bent.lifted(above);
}

/** Outer borders, each with its holes. */
function polygonsOf(region: Region): Polygon[][] {
  const [only] = region;
  if (region.length === 1 && only) return only.length > 2 ? [[only]] : [];
  const rings = union(region, []).filter((ring) => ring.length > 2);
  // Holes are wound the other way.
  const holes = rings.filter((ring) => signedArea(ring) < 0);
  return rings
    .filter((ring) => signedArea(ring) > 0)
    .map((ring) => [ring, ...holes.filter((hole) => isInRegion(hole[0]!, [ring]))]);
}

/** Triangles whose edges are halved until none lies further off the skin than it may: an edge alone decides, so that its neighbours agree. */
class Bent {
  private readonly at: Xyz[];
  private readonly halves = new Map<number, number | null>();
  private readonly index: number[] = [];

  constructor(
    private readonly chart: Chart,
    private readonly corners: Point[],
    private readonly tolerance: number,
  ) {
    this.at = corners.map(chart.at);
  }

  /** The corner in the middle of an edge; null where it need not be cut. */
  private half(a: number, b: number): number | null {
    const key = Math.min(a, b) * MOST_CORNERS + Math.max(a, b);
    const known = this.halves.get(key);
    if (known !== undefined) return known;
    const [p, q] = [this.corners[a]!, this.corners[b]!];
    const on = (t: number): Point => [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])];
    const [from, to] = [this.at[a]!, this.at[b]!];
    const middle = this.chart.at(on(0.5));
    const isOff =
      between(middle, onWay(from, to, 0.5)) > this.tolerance ||
      // Within a step of the chart the skin bends one way only.
      (this.isLong(p, q) &&
        [0.25, 0.75].some((t) => between(this.chart.at(on(t)), onWay(from, to, t)) > this.tolerance));
    let made: number | null = null;
    if (isOff) {
      made = this.corners.length;
      this.corners.push(on(0.5));
      this.at.push(middle);
    }
    this.halves.set(key, made);
    return made;
  }

  private isLong([p0, q0]: Point, [p1, q1]: Point): boolean {
    const [sp, sq] = this.chart.step;
    return Math.abs(p1 - p0) > sp || Math.abs(q1 - q0) > sq;
  }

  add(a: number, b: number, c: number, depth: number) {
    const [ab, bc, ca] = depth < MOST_HALVED ? [this.half(a, b), this.half(b, c), this.half(c, a)] : [null, null, null];
    const next = (x: number, y: number, z: number) => this.add(x, y, z, depth + 1);
    if (ab !== null && bc !== null && ca !== null) {
      next(a, ab, ca);
      next(ab, b, bc);
      next(ca, bc, c);
      next(ab, bc, ca);
    } else if (ab !== null && bc !== null) {
      next(ab, b, bc);
      next(a, ab, bc);
      next(a, bc, c);
    } else if (bc !== null && ca !== null) {
      next(bc, c, ca);
      next(b, bc, ca);
      next(b, ca, a);
    } else if (ca !== null && ab !== null) {
      next(ca, a, ab);
      next(c, ca, ab);
      next(c, ab, b);
    } else if (ab !== null) {
      next(a, ab, c);
      next(ab, b, c);
    } else if (bc !== null) {
      next(b, bc, a);
      next(bc, c, a);
    } else if (ca !== null) {
      next(c, ca, b);
      next(ca, a, b);
    } else this.index.push(a, b, c);
  }

  lifted(above: number): Lifted {
    const { chart, corners, at } = this;
    const turn = turnOf(chart);
    const positions = new Float32Array(3 * corners.length);
    const normals = new Float32Array(3 * corners.length);
    corners.forEach((point, i) => {
      const normal = normalAt(chart, point, turn);
      normals.set(normal, 3 * i);
      positions.set(
        at[i]!.map((value, k) => value + above * normal[k]!),
        3 * i,
      );
    });
    // Each is turned the way its corners look.
    const index = new Uint32Array(this.index.length);
    for (let i = 0; i < this.index.length; i += 3) {
      const [a, b, c] = [this.index[i]!, this.index[i + 1]!, this.index[i + 2]!];
      const isOut = facing(corners[a]!, corners[b]!, corners[c]!) * turn > 0;
      index.set(isOut ? [a, b, c] : [a, c, b], i);
    }
    return { positions, normals, index };
  }
}

const facing = (a: Point, b: Point, c: Point): number => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/** The way the skin looks at a place of its chart, of length 1. */
export function normalAt({ at, step }: Chart, [p, q]: Point, turn: 1 | -1): Xyz {
  const [dp, dq] = [step[0] * NEAR, step[1] * NEAR];
  const out = cross(way(at([p - dp, q]), at([p + dp, q])), way(at([p, q - dq]), at([p, q + dq])));
  // At a point of a nose every way is out: the axis is as good as any.
  return Math.hypot(...out) > 0 ? unit(plus([0, 0, 0], out, turn)) : [-1, 0, 0];
}

/** A mesh with the way it looks at each corner: the mean of its triangles there. */
export function smooth({ positions, triangles }: Mesh): Lifted {
  const normals = new Float32Array(positions.length);
  for (let i = 0; i < triangles.length; i += 3) {
    const corners = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!];
    const [a, b, c] = corners.map((corner) => cornerAt(positions, corner)) as [Xyz, Xyz, Xyz];
    const n = cross(way(a, b), way(a, c));
    for (const corner of corners) n.forEach((value, k) => (normals[3 * corner + k]! += value));
  }
  for (let i = 0; i < normals.length; i += 3) {
    const length = Math.hypot(normals[i]!, normals[i + 1]!, normals[i + 2]!);
    // A corner of no triangle looks nowhere: anywhere is as good.
    if (length === 0) normals[i] = 1;
    else for (let k = 0; k < 3; k += 1) normals[i + k]! /= length;
  }
  return { positions: Float32Array.from(positions), normals, index: Uint32Array.from(triangles) };
}

/** The skin of something fitted, as a mesh; without a tolerance as fine as the girths that are given. */
export function solidSkin(
  solid: Solid,
  tolerance: number | null,
  girths: readonly number[] = [0, 90, 180, 270, 360],
): Lifted {
  const stations = solid.body.sections.map(({ x }) => x);
  return smooth(pointGrid((s, girth) => solidPoint(solid, s, girth), stations, girths, tolerance));
}
