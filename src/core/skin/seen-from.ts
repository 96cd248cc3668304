import type { Xyz } from '@/core/outline/body';
import { cross, dot, unit } from '@/core/outline/space';
import type { SkinPiece } from './piece';

/** The machine as an eye far off sees it: which piece shows at each point of a picture, and how it lies to the light. Without a browser. */

/** Where an eye looks from, as unit vectors: to the right and up in its picture, and towards it. */
export interface Eye {
  right: Xyz;
  up: Xyz;
  toward: Xyz;
}

/** From the port bow, above: how a model is shown on a lid. */
export const THREE_QUARTER: Xyz = [-0.62, -0.66, 0.42];

/** An eye in some direction from the machine, upright. */
export function eyeFrom(direction: Xyz): Eye {
  const toward = unit(direction);
  const isSteep = Math.abs(toward[2]) > 0.999;
  // From above and below the nose lies to the left.
  const right = isSteep ? ([1, 0, 0] as Xyz) : unit(cross([0, 0, 1], toward));
  return { right, up: unit(cross(toward, right)), toward };
}

/** What is seen at each point of a picture, row by row from its upper left. */
export interface SeenFrom {
  width: number;
  height: number;
  /** Place of the piece that is nearest; -1 for none. */
  piece: Int32Array;
  /** The way that the skin looks there, x, y, z. */
  normal: Float32Array;
  /** How near it is to the eye, m. */
  depth: Float32Array;
}

/** Where the light comes from, seen from the eye: to the right and up, each -1 to 1; in the middle it stands where one looks from. */
export type Lamp = readonly [right: number, up: number];
/** From the upper left, as drawings are lit. */
export const USUAL_LAMP: Lamp = [-0.45, 0.5];
/** How far a lamp stands before the machine, where its distance is 1. */
export const aheadOf = ([right, up]: Lamp): number => Math.sqrt(Math.max(0.05, 1 - right * right - up * up));

/** So much of a picture is filled. */
export const FILLS = 0.94;

/** Places the machine so that it fills a picture: from space (m) to picture (px, down) and how near it is. */
export function framed(pieces: readonly Pick<SkinPiece, 'positions'>[], eye: Eye, width: number, height: number) {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { positions } of pieces)
    for (let i = 0; i < positions.length; i += 3) {
      const at: Xyz = [positions[i]!, positions[i + 1]!, positions[i + 2]!];
      const [u, v] = [dot(at, eye.right), dot(at, eye.up)];
      [left, right, low, high] = [Math.min(left, u), Math.max(right, u), Math.min(low, v), Math.max(high, v)];
    }
  const scale = FILLS * Math.min(width / (right - left), height / (high - low));
  return (at: Xyz): [u: number, v: number, near: number] => [
    width / 2 + scale * (dot(at, eye.right) - (left + right) / 2),
    height / 2 - scale * (dot(at, eye.up) - (low + high) / 2),
    dot(at, eye.toward),
  ];
}

/** Draws pieces over one another by how near they are; where `over` is given, only what is nearer than that. */
export function seenFrom(
  pieces: readonly Pick<SkinPiece, 'positions' | 'normals' | 'index'>[],
  project: ReturnType<typeof framed>,
  width: number,
  height: number,
  over?: SeenFrom,
): SeenFrom {
  const seen: SeenFrom = {
    width,
    height,
    piece: new Int32Array(width * height).fill(-1),
    normal: new Float32Array(3 * width * height),
    depth: over ? over.depth.slice() : new Float32Array(width * height).fill(-Infinity),
  };
  pieces.forEach(({ positions, normals, index }, rank) => {
    const count = positions.length / 3;
    const drawn = new Float64Array(3 * count);
    for (let i = 0; i < count; i += 1)
      drawn.set(project([positions[3 * i]!, positions[3 * i + 1]!, positions[3 * i + 2]!]), 3 * i);
    for (let t = 0; t < index.length; t += 3)
      drawTriangle(seen, rank, drawn, normals, [index[t]!, index[t + 1]!, index[t + 2]!]);
  });
  return seen;
}

function drawTriangle(
  { width, height, piece, normal, depth }: SeenFrom,
  rank: number,
  drawn: Float64Array,
  normals: Float32Array,
  [i, j, k]: readonly [number, number, number],
): void {
  const [au, av, an] = [drawn[3 * i]!, drawn[3 * i + 1]!, drawn[3 * i + 2]!];
  const [bu, bv, bn] = [drawn[3 * j]!, drawn[3 * j + 1]!, drawn[3 * j + 2]!];
  const [cu, cv, cn] = [drawn[3 * k]!, drawn[3 * k + 1]!, drawn[3 * k + 2]!];
  const whole = (bu - au) * (cv - av) - (bv - av) * (cu - au);
  if (whole === 0) return;
  const [top, bottom] = [Math.ceil(Math.min(av, bv, cv) - 0.5), Math.floor(Math.max(av, bv, cv) - 0.5)];
  const [from, to] = [Math.ceil(Math.min(au, bu, cu) - 0.5), Math.floor(Math.max(au, bu, cu) - 0.5)];
  for (let row = Math.max(0, top); row <= Math.min(height - 1, bottom); row += 1) {
    const v = row + 0.5;
    for (let column = Math.max(0, from); column <= Math.min(width - 1, to); column += 1) {
      const u = column + 0.5;
      const a = ((bu - u) * (cv - v) - (bv - v) * (cu - u)) / whole;
      const b = ((cu - u) * (av - v) - (cv - v) * (au - u)) / whole;
      const c = 1 - a - b;
      if (a < 0 || b < 0 || c < 0) continue;
      const near = a * an + b * bn + c * cn;
      const at = row * width + column;
      if (near <= depth[at]!) continue;
      depth[at] = near;
      piece[at] = rank;
      for (let n = 0; n < 3; n += 1)
        normal[3 * at + n] = a * normals[3 * i + n]! + b * normals[3 * j + n]! + c * normals[3 * k + n]!;
    }
  }
}
