import { mhvcToLab } from 'munsell';
import { maxChromaTable, maxChromaTableDark } from 'munsell/dist/src/MRD.js';
import { labFromWhite } from './spaces';
import type { Lab } from './types';

const HUES = ['R', 'YR', 'Y', 'GY', 'G', 'BG', 'B', 'PB', 'P', 'RP'] as const;

/** Hue 0..100 (0 = 10RP = 0R), value 0..10, chroma >= 0; hue is 0 for greys. */
export interface Munsell {
  hue: number;
  value: number;
  chroma: number;
}

/** A notation refused: the message says what is wrong, and which notation of the solid is nearest where there is one. */
export class MunsellFault extends RangeError {}

/**
 * Reads `5.5GY 4.2/3.1`, `N 4`, `N4.5/`; any case and blanks. Strict about the rest:
 * hue 0..10, one of ten letters, value 0..10, chroma >= 0. Throws MunsellFault.
 */
export function parseMunsell(text: string): Munsell {
  const plain = text.trim().toUpperCase().replace(/\s+/g, ' ');
  const number = '(-?\\d+(?:\\.\\d+)?)';
  const grey = new RegExp(`^N ?${number} ?/?$`).exec(plain);
  if (grey) return { hue: 0, value: checkedValue(Number(grey[1])), chroma: 0 };
  const full = new RegExp(`^${number} ?(R|YR|Y|GY|G|BG|B|PB|P|RP) ?${number} ?/ ?${number}$`).exec(plain);
  if (!full) throw new MunsellFault(`"${text.trim()}" is not a Munsell notation such as "5.5GY 4.2/3.1" or "N 4/"`);
  const step = Number(full[1]);
  if (step < 0 || step > 10) throw new MunsellFault(`the hue number is ${full[1]}; it runs from 0 to 10`);
  const value = checkedValue(Number(full[3]));
  const chroma = Number(full[4]);
  if (chroma < 0) throw new MunsellFault(`the chroma is ${full[4]}; it is never below 0`);
  const hue = (HUES.indexOf(full[2] as (typeof HUES)[number]) * 10 + step) % 100;
  return { hue, value, chroma };
}

function checkedValue(value: number): number {
  if (value < 0 || value > 10) throw new MunsellFault(`the value is ${value}; it runs from 0 to 10`);
  return value;
}

/** Prints canonically: `5.5GY 4.2/3.1`, `N 4/`. Hue 0 of a letter is written 10 of the letter before. */
export function printMunsell({ hue, value, chroma }: Munsell): string {
  const short = (n: number) => String(Math.round(n * 100) / 100);
  if (chroma === 0) return `N ${short(value)}/`;
  const step = hue % 10 === 0 ? 10 : hue % 10;
  const letter = HUES[(Math.ceil(hue / 10) + 9) % 10]!;
  return `${short(step)}${letter} ${short(value)}/${short(chroma)}`;
}

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
