import type { Pixels } from '@/core/markings/traced';

/** A picture of the house as the browser shows it. */
export async function pictureOf(id: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = `/pictures/${id}`;
  await image.decode();
  return image;
}

/** A piece of a picture, as shares of its width and height. */
export interface Crop {
  x: number;
  y: number;
  width: number;
  height: number;
}
export const WHOLE: Crop = { x: 0, y: 0, width: 1, height: 1 };

/** The pixels of a piece of it, made smaller where that is longer than so many. */
export function pixelsOf(image: HTMLImageElement, longest: number, crop = WHOLE): Pixels {
  const [across, down] = [image.naturalWidth * crop.width, image.naturalHeight * crop.height];
  const times = Math.min(1, longest / Math.max(across, down));
  const [width, height] = [Math.max(2, Math.round(across * times)), Math.max(2, Math.round(down * times))];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  const [left, top] = [image.naturalWidth * crop.x, image.naturalHeight * crop.y];
  context.drawImage(image, left, top, across, down, 0, 0, width, height);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
