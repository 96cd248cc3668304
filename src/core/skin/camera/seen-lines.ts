import type { Xyz } from '@/core/outline/body';
import { followed } from '@/core/outline/chart';
import type { Outline } from '@/core/outline/outline';
import { times } from '@/core/outline/space';
import type { SkinPiece } from '../piece';
import { seenFrom, type SeenFrom } from '../seen-from';
import { seenNear, type Camera } from './view';

/** The lines of a machine as a camera sees them: borders of its pieces, its contours and its hinges, without what lies behind something. */

/** A machine made ready: its corners in mm, and which triangles meet at each edge. */
export interface LinesOf {
  pieces: { positions: Float32Array; normals: Float32Array; index: Uint32Array; edges: Int32Array }[];
  /** Lines on the skin, mm. */
  lines: Xyz[][];
}

/** Longest side of the picture in which it is told what hides what, px. */
const HIDING_PX = 560;
/** Edges are looked at every so many of those px. */
const EVERY_PX = 3;
/** What lies behind something by less than this share of its distance does not: a skin would hide its own lines. */
const BEHIND = 2.5e-3;

/** `leftOut`: zones that are not drawn. */
export function linesOf(outline: Outline, pieces: readonly SkinPiece[], leftOut: ReadonlySet<string>): LinesOf {
  return {
    pieces: pieces
      .filter(({ zone, marking }) => marking === null && !leftOut.has(zone))
      .map(({ positions, normals, index }) => ({
        positions: positions.map((value) => value * 1000),
        normals,
        index,
        edges: edgesOf(index),
      })),
    lines: outline.lines
      .filter(({ kind }) => kind !== 'edge')
      .map(({ chart, points }) => followed(chart, points, false).map((point) => times(chart.at(point), 1000))),
  };
}

/** Each edge as its two corners and its two triangles; -1 where there is only one. */
function edgesOf(index: Uint32Array): Int32Array {
  const places = new Map<number, number>();
  const edges: number[] = [];
  const corners = index.reduce((most, corner) => Math.max(most, corner), 0) + 1;
  for (let t = 0; t < index.length; t += 3)
    for (let k = 0; k < 3; k += 1) {
      const [a, b] = [index[t + k]!, index[t + ((k + 1) % 3)]!];
      const key = Math.min(a, b) * corners + Math.max(a, b);
      const place = places.get(key);
      if (place === undefined) {
        places.set(key, edges.length);
        edges.push(a, b, t / 3, -1);
      } else edges[place + 3] = t / 3;
    }
  return Int32Array.from(edges);
}

/** Stretches as u, v, u, v in px of a picture of that size. */
export function linesSeen(camera: Camera, { pieces, lines }: LinesOf, width: number, height: number): Float32Array {
  const shrunk = Math.min(1, HIDING_PX / Math.max(width, height));
  const [wide, high] = [Math.max(1, Math.round(width * shrunk)), Math.max(1, Math.round(height * shrunk))];
  const toSeen = (at: Xyz): [number, number, number] => {
    const [u, v, near] = seenNear(camera, at);
    return [u * shrunk, v * shrunk, near];
  };
  const seen = seenFrom(pieces, toSeen, wide, high);
  const out: number[] = [];
  const draw = (a: readonly number[], b: readonly number[]) => stretch(seen, a, b, shrunk, out);
  for (const { positions, index, edges } of pieces) {
    const count = positions.length / 3;
    const at = new Float64Array(3 * count);
    for (let i = 0; i < count; i += 1)
      at.set(toSeen([positions[3 * i]!, positions[3 * i + 1]!, positions[3 * i + 2]!]), 3 * i);
    const faces = new Int8Array(index.length / 3);
    for (let t = 0; t < faces.length; t += 1) {
      const [a, b, c] = [3 * index[3 * t]!, 3 * index[3 * t + 1]!, 3 * index[3 * t + 2]!];
      faces[t] = Math.sign(
        (at[b]! - at[a]!) * (at[c + 1]! - at[a + 1]!) - (at[b + 1]! - at[a + 1]!) * (at[c]! - at[a]!),
      );
    }
    for (let e = 0; e < edges.length; e += 4) {
      const other = edges[e + 3]!;
      // A border of its piece, or where the skin turns away.
      if (other >= 0 && faces[edges[e + 2]!] === faces[other]) continue;
      const [a, b] = [3 * edges[e]!, 3 * edges[e + 1]!];
      draw([at[a]!, at[a + 1]!, at[a + 2]!], [at[b]!, at[b + 1]!, at[b + 2]!]);
    }
  }
  for (const line of lines) {
    const along = line.map(toSeen);
    for (let i = 1; i < along.length; i += 1) draw(along[i - 1]!, along[i]!);
  }
  return Float32Array.from(out);
}

/** Adds what of a straight stretch nothing hides. */
function stretch(seen: SeenFrom, a: readonly number[], b: readonly number[], shrunk: number, out: number[]): void {
  // What lies behind the camera has no place in the picture.
  if (!(a[2]! > 0 && b[2]! > 0)) return;
  const [du, dv] = [b[0]! - a[0]!, b[1]! - a[1]!];
  const steps = Math.min(400, Math.max(1, Math.ceil(Math.hypot(du, dv) / EVERY_PX)));
  let from: number | null = null;
  const end = (to: number) => {
    if (from !== null)
      out.push(
        (a[0]! + from * du) / shrunk,
        (a[1]! + from * dv) / shrunk,
        (a[0]! + to * du) / shrunk,
        (a[1]! + to * dv) / shrunk,
      );
    from = null;
  };
  for (let i = 0; i < steps; i += 1) {
    const t = (i + 0.5) / steps;
    const isSeen = !isHidden(seen, a[0]! + t * du, a[1]! + t * dv, a[2]! + t * (b[2]! - a[2]!));
    if (isSeen) from ??= i / steps;
    else end(i / steps);
  }
  end(1);
}

/** Behind what is nearest all round it: beside an edge there is nothing, or what lies behind. */
function isHidden({ width, height, depth }: SeenFrom, u: number, v: number, near: number): boolean {
  const [column, row] = [Math.floor(u), Math.floor(v)];
  const least = near * (1 + BEHIND);
  for (let y = row - 1; y <= row + 1; y += 1)
    for (let x = column - 1; x <= column + 1; x += 1) {
      if (x < 0 || y < 0 || x >= width || y >= height) return false;
      if (!(depth[y * width + x]! > least)) return false;
    }
  return true;
}
