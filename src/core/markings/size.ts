import { atFullSize, atScale, type Mm } from '@/core/units/length';

export interface SizeCheck {
  /** What it should measure on the model. */
  modelMm: Mm;
  /** Printed / model - 1, in percent; null without a printed size. */
  errorPercent: number | null;
  /** What the printed size would be on the real machine. */
  equalsRealMm: Mm | null;
  says: string;
}

/** Within this many percent a decal passes for right: a tenth of a millimetre on a 5 mm letter. */
const PASSES_PERCENT = 2;

/** What nobody measures or sees on a model, and no blade follows, mm. */
export const UNTOLD_MM = 0.1;

/** Whether a printed size passes for the true one at scale. Lengths in mm. */
export function isRightSize(trueMm: Mm, denominator: number, printedMm: Mm): boolean {
  const modelMm = atScale(trueMm, denominator);
  const off = Math.abs(printedMm - modelMm);
  return off < UNTOLD_MM || (off / modelMm) * 100 <= PASSES_PERCENT;
}

/** Checks a decal's measured size against the true one at scale. Lengths in mm. */
export function checkSize(trueMm: Mm, denominator: number, printedMm: Mm | null): SizeCheck {
  const modelMm = atScale(trueMm, denominator);
  if (printedMm === null) return { modelMm, errorPercent: null, equalsRealMm: null, says: 'not measured on the sheet' };
  const errorPercent = (printedMm / modelMm - 1) * 100;
  const off = Math.abs(errorPercent);
  const says = isRightSize(trueMm, denominator, printedMm)
    ? 'right'
    : `${off.toFixed(off < 10 ? 1 : 0)} % too ${errorPercent > 0 ? 'big' : 'small'}`;
  return { modelMm, errorPercent, equalsRealMm: atFullSize(printedMm, denominator), says };
}
