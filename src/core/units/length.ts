import { parseNumber } from './number';
import { MM_PER_INCH, type ShownUnits } from './shown';

/** A length in millimetres, on the real aircraft or on the model as the name beside it says. */
export type Mm = number;

/** A length on the model: the true one divided by the scale denominator. Throws on a denominator that is not above 0. */
export function atScale(realMm: Mm, denominator: number): Mm {
  if (!(denominator > 0)) throw new RangeError('the scale denominator must be above 0');
  return realMm / denominator;
}

/** The true length behind a length on the model. */
export function atFullSize(modelMm: Mm, denominator: number): Mm {
  if (!(denominator > 0)) throw new RangeError('the scale denominator must be above 0');
  return modelMm * denominator;
}

/**
 * The longest "round" length (1, 2 or 5 times a power of ten, mm on the model) that is no longer than `mostMm`:
 * what a scale bar shows.
 */
export function roundBarLength(mostMm: Mm): Mm {
  if (!(mostMm > 0)) return 0;
  const power = 10 ** Math.floor(Math.log10(mostMm));
  const step = [5, 2, 1].find((factor) => factor * power <= mostMm) ?? 1;
  return step * power;
}

/** A round length for a scale bar, mm on the model, in what the house shows: so many round millimetres, or round inches. */
export const roundBarShown = (mostMm: Mm, shown: ShownUnits): Mm =>
  shown === 'metric' ? roundBarLength(mostMm) : roundBarLength(mostMm / MM_PER_INCH) * MM_PER_INCH;

/** The denominator of a scale as people write it: `1/72`, `1:72` or `72`; null for anything else. */
export function parseScale(text: string): number | null {
  const written = /^\s*(?:1\s*[/:]\s*)?(\S+)\s*$/.exec(text)?.[1];
  return written === undefined ? null : parseNumber(written);
}
