import { deltaE00 } from './difference';
import { adapt, labToXyz, srgbToXyz, WHITE_D65, xyzToLab } from './spaces';
import type { Lab, Srgb, Xyz } from './types';

/** Pixels of one patch of a picture, as 8-bit red, green, blue in a row (alpha is left out by the caller). */
export interface Patch {
  /** Mean of the linear light of the patch. */
  xyz: Xyz;
  /** Standard deviation of single pixels, in units of luminance. */
  spread: number;
  pixels: number;
  /** Share of pixels at the end of the scale, where the camera lost the colour. */
  clipped: number;
}

const LEAST_PIXELS = 25;
const MOST_CLIPPED = 0.02;
/** What a camera's own colours are off after white balance, dE00: metamerism between its filters and the eye. */
const CAMERA_SD = 2.5;

/** Throws RangeError for an empty patch. */
export function patchOf(rgb: ArrayLike<number>): Patch {
  const pixels = Math.floor(rgb.length / 3);
  if (pixels === 0) throw new RangeError('the patch is empty');
  let [X, Y, Z, squares, clipped] = [0, 0, 0, 0, 0];
  for (let i = 0; i < pixels; i += 1) {
    const sign = [rgb[3 * i]!, rgb[3 * i + 1]!, rgb[3 * i + 2]!] as const;
    if (sign.some((value) => value >= 254) || sign.every((value) => value <= 1)) clipped += 1;
    const [x, y, z] = srgbToXyz(sign.map((value) => value / 255) as unknown as Srgb);
    X += x;
    Y += y;
    Z += z;
    squares += y * y;
  }
  const mean = Y / pixels;
  return {
    xyz: [X / pixels, mean, Z / pixels],
    spread: Math.sqrt(Math.max(0, squares / pixels - mean * mean)),
    pixels,
    clipped: clipped / pixels,
  };
}

export interface SampledColour {
  lab: Lab;
  /** Uncertainty, dE00. */
  sd: number;
  /** What it is made up of and what is wrong with the picture, in words. */
  because: string[];
}

/** Why a picture cannot be used; null when it can. */
export function photoFault(sample: Patch, card: Patch): string | null {
  if (sample.pixels < LEAST_PIXELS || card.pixels < LEAST_PIXELS)
    return `A patch needs at least ${LEAST_PIXELS} pixels: draw it larger.`;
  if (card.clipped > MOST_CLIPPED) return 'The card is overexposed or lost in black: its light cannot be told.';
  if (sample.clipped > MOST_CLIPPED) return 'The patch is overexposed or lost in black: its colour cannot be told.';
  if (card.xyz.some((value) => value < 0.005)) return 'The card is too dark in this picture to tell the light by it.';
  return null;
}

/**
 * The colour of a patch beside a card of known colour in the same light: the picture's linear light is scaled so that the card comes out
 * as what it is (exposure by luminance, colour of the light by Bradford). Assumes that both lie flat in the same light.
 */
export function colourFromPhoto(sample: Patch, card: Patch, cardLab: Lab, cardSd = 0.5): SampledColour {
  const known = labToXyz(cardLab);
  // What the light's white would be in this picture: the card's light, over its reflectance, at the card's own tint.
  const seenWhite = card.xyz.map((value, i) => (value / known[i]!) * WHITE_D65[i]!) as unknown as Xyz;
  const level = seenWhite[1];
  const scaled = (xyz: Xyz) => xyz.map((value) => value / level) as unknown as Xyz;
  const lab = xyzToLab(adapt(scaled(sample.xyz), scaled(seenWhite), WHITE_D65));
  const noisy = (patch: Patch) => {
    const [X, Y, Z] = patch.xyz;
    const error = patch.spread / Math.sqrt(patch.pixels);
    const up = (Y + error) / Y;
    return deltaE00(xyzToLab([X, Y, Z]), xyzToLab([X * up, Y * up, Z * up]));
  };
  // Uneven light shows as spread within the patch: a fifth of it is taken to differ between patch and card.
  const uneven = (patch: Patch) => {
    const share = (0.2 * patch.spread) / Math.max(patch.xyz[1], 0.01);
    const light = lab[0];
    return (light * share) / 3;
  };
  const chroma = Math.hypot(lab[1], lab[2]);
  const camera = CAMERA_SD * (0.6 + Math.min(1, chroma / 60));
  const sd = Math.hypot(noisy(sample), noisy(card), uneven(sample), uneven(card), camera, cardSd);
  const cast = Math.hypot(
    ...xyzToLab(scaled(card.xyz))
      .slice(1)
      .map((value, i) => value - cardLab[i + 1]!),
  );
  return {
    lab,
    sd,
    because: [
      `the camera's own colours: ± ${camera.toFixed(1)}`,
      `noise and uneven light within the patches: ± ${Math.hypot(noisy(sample), noisy(card), uneven(sample), uneven(card)).toFixed(1)}`,
      `the card's own value: ± ${cardSd.toFixed(1)}`,
      cast > 15
        ? `the light was strongly tinted (card ${cast.toFixed(0)} off neutral): what is corrected this far is less sure than it looks`
        : `the light was ${cast.toFixed(0)} off the card's own colour, corrected`,
    ],
  };
}
