import type { Point } from './polygon';

/**
 * Reads a picture at a place between its pixels, straight between the four about it: answers with what mixes their values, which are asked for by
 * the number of the pixel, row by row. Null beyond the picture.
 */
export function betweenPixels(
  { width, height }: { width: number; height: number },
  [u, v]: Point,
): ((valueOf: (pixel: number) => number) => number) | null {
  const [x, y] = [u - 0.5, v - 0.5];
  const [i, j] = [Math.floor(x), Math.floor(y)];
  if (i < 0 || j < 0 || i + 1 >= width || j + 1 >= height) return null;
  const [s, t] = [x - i, y - j];
  const at = j * width + i;
  return (of) =>
    (1 - t) * ((1 - s) * of(at) + s * of(at + 1)) + t * ((1 - s) * of(at + width) + s * of(at + width + 1));
}
