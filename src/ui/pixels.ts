import type { Pixels } from '@/core/markings/traced';

/** A picture of the house as the browser shows it. */
export async function pictureOf(id: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = `/pictures/${id}`;
  await image.decode();
  return image;
}

/** Its pixels, made smaller where it is longer than so many. */
export function pixelsOf(image: HTMLImageElement, longest: number): Pixels {
  const { naturalWidth, naturalHeight } = image;
  const times = Math.min(1, longest / Math.max(naturalWidth, naturalHeight));
  const [width, height] = [
    Math.max(2, Math.round(naturalWidth * times)),
    Math.max(2, Math.round(naturalHeight * times)),
  ];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, width, height);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
