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
