import type { XY } from './homography';

/** Pixels of a picture as a canvas gives them: four bytes each, row by row. */
export interface Pixels {
  width: number;
  height: number;
  data: ArrayLike<number>;
}

/** The grey of a patch, 0..1 of the picture's own scale, with its scatter over the patch. */
export interface PatchGrey {
  grey: number;
  sd: number;
  count: number;
}

/** Rec. 709 luma of the encoded values of a pixel, 0..255; `at`: where its bytes begin. */
export const lumaAt = (data: Pixels['data'], at: number): number =>
  0.2126 * data[at]! + 0.7152 * data[at + 1]! + 0.0722 * data[at + 2]!;

/** Mean grey (Rec. 709 luma of the encoded values) of the disc of `radius` px round a point; null when it lies outside the picture. */
export function patchGrey({ width, height, data }: Pixels, [cx, cy]: XY, radius: number): PatchGrey | null {
  let [sum, squares, count] = [0, 0, 0];
  for (let y = Math.max(0, Math.ceil(cy - radius)); y <= Math.min(height - 1, Math.floor(cy + radius)); y += 1) {
    for (let x = Math.max(0, Math.ceil(cx - radius)); x <= Math.min(width - 1, Math.floor(cx + radius)); x += 1) {
      if ((x - cx) ** 2 + (y - cy) ** 2 > radius * radius) continue;
      const grey = lumaAt(data, (y * width + x) * 4) / 255;
      sum += grey;
      squares += grey * grey;
      count += 1;
    }
  }
  if (count === 0) return null;
  const mean = sum / count;
  return { grey: mean, sd: Math.sqrt(Math.max(0, squares / count - mean * mean)), count };
}
