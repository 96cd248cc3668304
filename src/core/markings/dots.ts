import type { Sheet } from './cut-sheet';

/** A sheet in the dots of a printer. */

/** Dots to the inch that printers have. */
export const RESOLUTIONS = [300, 600] as const;
/** More than this would fill the memory: a sheet of A4 at 600 to the inch has half of it. */
export const MOST_DOTS = 80_000_000;
/** Round the sheet, mm. */
export const DOTTED_MARGIN_MM = 4;

/** The ruler and the square to prove the printer stand so far under the sheet, and take so much, mm. */
export const PROOF_ABOVE_MM = 4;
const PROOF_MM = PROOF_ABOVE_MM + 50;

export interface DottedSheet {
  sheet: Sheet;
  dotsPerInch: (typeof RESOLUTIONS)[number];
}

export function dotsOf({ sheet: { width, height }, dotsPerInch }: DottedSheet): { across: number; down: number } {
  const dots = (mm: number) => Math.ceil(((mm + 2 * DOTTED_MARGIN_MM) * dotsPerInch) / 25.4);
  // The ruler and the square lie beside each other.
  return { across: dots(Math.max(width, 160)), down: dots(height + PROOF_MM) };
}
