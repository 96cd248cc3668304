import type { Xyz } from '@/core/outline/body';
import { dot, plus, unit } from '@/core/outline/space';
import { hexToLab, labToXyz, xyzToSrgb } from '@/core/colour/spaces';
import type { SkinPiece } from './piece';
import { aheadOf, framed, seenFrom, USUAL_LAMP, type Eye } from './seen-from';

/** A picture of the machine for paper, drawn without a browser, lit as it is in the hand. */

export interface PaintedPiece {
  piece: SkinPiece;
  /** `#rrggbb`. */
  colour: string;
  opacity: number;
}

/** Points that one point of the picture is the mean of, along each way. */
const FINER = 2;
/** So much of the light comes from all round, the rest from the lamp. */
const AROUND = 0.5;

/**
 * RGBA, row by row; what is not machine is clear. It fills the picture, as an eye far off sees it, unless `place` says where a place (m) lies in it
 * (px) and how near it is.
 */
export function pictureOf(
  painted: readonly PaintedPiece[],
  eye: Eye,
  width: number,
  height: number,
  place?: (at: Xyz) => [u: number, v: number, near: number],
): Uint8ClampedArray {
  const [wide, high] = [width * FINER, height * FINER];
  const [solid, clear] = [painted.filter(({ opacity }) => opacity === 1), painted.filter(({ opacity }) => opacity < 1)];
  const finer = (at: Xyz): [number, number, number] => {
    const [u, v, near] = place!(at);
    return [u * FINER, v * FINER, near];
  };
  const project = place
    ? finer
    : framed(
        painted.map(({ piece }) => piece),
        eye,
        wide,
        high,
      );
  const below = seenFrom(
    solid.map(({ piece }) => piece),
    project,
    wide,
    high,
  );
  // Glass and blotches lie over what shows through them.
  const above = seenFrom(
    clear.map(({ piece }) => piece),
    project,
    wide,
    high,
    below,
  );
  const [right, up] = USUAL_LAMP;
  const lamp = unit(plus(plus(plus([0, 0, 0], eye.right, right), eye.up, up), eye.toward, aheadOf(USUAL_LAMP)));
  const inks = [solid, clear].map((list) => list.map(({ colour }) => linear(colour))) as [Xyz[], Xyz[]];
  const sums = new Float64Array(4 * width * height);
  for (let at = 0; at < wide * high; at += 1) {
    const [under, over] = [below.piece[at]!, above.piece[at]!];
    if (under < 0 && over < 0) continue;
    const into = 4 * (Math.floor(Math.floor(at / wide) / FINER) * width + Math.floor((at % wide) / FINER));
    const opacity = over < 0 ? 0 : clear[over]!.opacity;
    const through = under < 0 ? 0 : (1 - opacity) * lit(below.normal, at, eye, lamp);
    const on = over < 0 ? 0 : opacity * lit(above.normal, at, eye, lamp);
    for (let k = 0; k < 3; k += 1)
      sums[into + k]! += (under < 0 ? 0 : through * inks[0][under]![k]!) + (over < 0 ? 0 : on * inks[1][over]![k]!);
    sums[into + 3]! += under < 0 ? opacity : 1;
  }
  const picture = new Uint8ClampedArray(4 * width * height);
  for (let i = 0; i < sums.length; i += 4) {
    const share = sums[i + 3]!;
    if (share === 0) continue;
    const mean: Xyz = [sums[i]! / share, sums[i + 1]! / share, sums[i + 2]! / share];
    picture.set([...xyzToSrgb(mean).map((value) => 255 * value), (255 * share) / FINER ** 2], i);
  }
  return picture;
}

/** How much light falls on a point of the skin: all of it on what faces the lamp. */
function lit(normals: Float32Array, at: number, { toward }: Eye, lamp: Xyz): number {
  const own: Xyz = [normals[3 * at]!, normals[3 * at + 1]!, normals[3 * at + 2]!];
  // What is turned away is seen from behind: there is no inside.
  const facing = (dot(own, toward) < 0 ? -1 : 1) / (Math.sqrt(dot(own, own)) || 1);
  return AROUND + (1 - AROUND) * Math.max(0, facing * dot(own, lamp));
}

/** Light of a screen colour, as it adds up. */
const linear = (hex: string): Xyz => [...labToXyz(hexToLab(hex))];
