import { mhvcToLab } from 'munsell';
import { maxChromaTable, maxChromaTableDark } from 'munsell/dist/src/MRD.js';
import { labFromWhite } from './spaces';
import { MunsellFault, printMunsell, type Munsell } from './munsell-notation';
import type { Lab } from './types';

/** The renotation data, apart from the notation: they are large, and only who converts needs them. */

/** The greatest chroma of the renotation data round this hue and value: the least of the neighbouring entries. */
export function greatestChroma(hue: number, value: number): number {
  const position = hue / 2.5;
  const hues = [Math.floor(position) % 40, Math.ceil(position) % 40];
  const dark = value < 1;
  const table = dark ? maxChromaTableDark : maxChromaTable;
  const row = dark ? value * 5 : value;
  const rows = [Math.floor(row), Math.ceil(row)];
  return Math.min(...hues.flatMap((h) => rows.map((v) => table[h]![v]!)));
}

/**
 * The renotation (Newhall, Nickerson, Judd 1943) as Lab for D65, adapted from illuminant C by Bradford.
 * Throws MunsellFault for a chroma beyond the data, naming the nearest that exists.
 */
export function munsellToLab(notation: Munsell): Lab {
  const most = greatestChroma(notation.hue, notation.value);
  if (notation.chroma > most) {
    const nearest = printMunsell({ ...notation, chroma: most });
    throw new MunsellFault(
      `${printMunsell(notation)} lies outside the Munsell solid; the nearest that exists is ${nearest}`,
    );
  }
  return labFromWhite(mhvcToLab(notation.hue, notation.value, notation.chroma) as unknown as Lab, 'C');
}
