import { intersection, type Region } from '@/core/geometry/clip';
import { extentOf, rectangle, type Point } from '@/core/geometry/polygon';
import type { Signs } from './design';
import { thickened } from './figures';

/**
 * A plain block alphabet of straight strokes on a grid 4 wide and 6 high (v down), drawn for this application.
 * Each glyph is a list of polylines; a stroke is one unit thick.
 */
const GLYPHS: Record<string, string> = {
  A: '0,6 0,1 1,0 3,0 4,1 4,6|0,3.4 4,3.4',
  B: '0,0 3,0 4,1 4,2 3,3 0,3|3,3 4,4 4,5 3,6 0,6 0,0',
  C: '4,1 3,0 1,0 0,1 0,5 1,6 3,6 4,5',
  D: '0,0 3,0 4,1 4,5 3,6 0,6 0,0',
  E: '4,0 0,0 0,6 4,6|0,3 3,3',
  F: '4,0 0,0 0,6|0,3 3,3',
  G: '4,1 3,0 1,0 0,1 0,5 1,6 3,6 4,5 4,3.2 2.4,3.2',
  H: '0,0 0,6|4,0 4,6|0,3 4,3',
  I: '2,0 2,6',
  J: '4,0 4,5 3,6 1,6 0,5',
  K: '0,0 0,6|4,0 0,3.4|1.2,2.6 4,6',
  L: '0,0 0,6 4,6',
  M: '0,6 0,0 2,3 4,0 4,6',
  N: '0,6 0,0 4,6 4,0',
  O: '1,0 3,0 4,1 4,5 3,6 1,6 0,5 0,1 1,0',
  P: '0,6 0,0 3,0 4,1 4,2.4 3,3.4 0,3.4',
  Q: '1,0 3,0 4,1 4,5 3,6 1,6 0,5 0,1 1,0|2.6,4.4 4,6',
  R: '0,6 0,0 3,0 4,1 4,2.2 3,3.2 0,3.2|2,3.2 4,6',
  S: '4,1 3,0 1,0 0,1 0,2 1,3 3,3 4,4 4,5 3,6 1,6 0,5',
  T: '0,0 4,0|2,0 2,6',
  U: '0,0 0,5 1,6 3,6 4,5 4,0',
  V: '0,0 2,6 4,0',
  W: '0,0 0.8,6 2,3 3.2,6 4,0',
  X: '0,0 4,6|4,0 0,6',
  Y: '0,0 2,3 4,0|2,3 2,6',
  Z: '0,0 4,0 0,6 4,6',
  0: '1,0 3,0 4,1 4,5 3,6 1,6 0,5 0,1 1,0',
  1: '0.8,1.2 2,0 2,6',
  2: '0,1 1,0 3,0 4,1 4,2 0,6 4,6',
  3: '0,0 4,0 2.2,2.6 3,2.6 4,3.6 4,5 3,6 1,6 0,5',
  4: '3,6 3,0 0,4 4,4',
  5: '4,0 0,0 0,2.6 3,2.6 4,3.6 4,5 3,6 0,6',
  6: '4,1 3,0 1,0 0,1 0,5 1,6 3,6 4,5 4,3.8 3,2.8 0,2.8',
  7: '0,0 4,0 1.4,6',
  8: '1,3 0,2 0,1 1,0 3,0 4,1 4,2 3,3 1,3 0,4 0,5 1,6 3,6 4,5 4,4 3,3',
  9: '0,5 1,6 3,6 4,5 4,1 3,0 1,0 0,1 0,2.2 1,3.2 4,3.2',
  '-': '0.6,3 3.4,3',
  '.': '2,5.6 2,6',
};

/** Steps of the grid from one letter to the next, and its height with half a stroke above and below. */
const ADVANCE = 6;
const HEIGHT = 7;

/**
 * A text in the block alphabet as one region in units of its height, y up, about its middle. `stroke` is the thickness of a stroke, `spacing`
 * is added between letters, both as shares of the height. Signs without a glyph are left as a gap.
 */
export function blockLetters(text: string, stroke: number, spacing: number): { region: Region; width: number } {
  const signs = [...text.toUpperCase()];
  if (signs.length === 0) return { region: [], width: 0 };
  const advance = ADVANCE / HEIGHT + spacing;
  const letter = (ADVANCE - 1) / HEIGHT;
  const width = (signs.length - 1) * advance + letter;
  // The middle of a stroke runs half its thickness inside the letter's box.
  const fit = (value: number, cells: number, size: number) => stroke / 2 + (value / cells) * (size - stroke);
  const lines = signs.flatMap((sign, i) =>
    (GLYPHS[sign] ?? '')
      .split('|')
      .filter(Boolean)
      .map((line) =>
        line.split(' ').map((pair): Point => {
          const [u, v] = pair.split(',').map(Number);
          return [i * advance + fit(u!, 4, letter) - width / 2, 0.5 - fit(v!, 6, 1)];
        }),
      ),
  );
  // Pointed joints are cut off level with foot and top, as a sign painter does.
  const box = rectangle(-width / 2 - stroke, -0.5, width / 2 + stroke, 0.5);
  return { region: intersection(thickened(lines, stroke), [box]), width };
}

/** What a space is broad where a face does not say, in heights of a capital. */
export const SPACE = 0.4;

/** Signs of a text that a kept face lacks: they are left as a gap. */
export const lackingIn = (text: string, signs: Signs): string[] =>
  [...new Set(text)].filter((sign) => sign.trim() !== '' && !signs[sign]);

/**
 * A text in a face as one region in units of its height, y up, a capital reaching from -0.5 to 0.5, about its middle across. `spacing` is
 * added between letters.
 */
export function facedLetters(text: string, signs: Signs, spacing: number): Region {
  let at = 0;
  const region = [...text].flatMap((sign) => {
    const { rings = [], advance = SPACE } = signs[sign] ?? {};
    const from = at;
    at += advance + spacing;
    return rings.map((ring) => ring.map(([x, y]): Point => [x + from, y - 0.5]));
  });
  if (region.length === 0) return [];
  const { left, right } = extentOf(region);
  return region.map((ring) => ring.map(([x, y]): Point => [x - (left + right) / 2, y]));
}
