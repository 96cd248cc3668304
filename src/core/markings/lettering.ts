import type { Point } from '@/core/geometry/polygon';

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

const ADVANCE = 6;
const HEIGHT = 7;

/**
 * Strokes of a text in units of its height: polylines with u to the right from 0 and v down from 0 to 1, the stroke's
 * thickness, and the whole width. Signs without a glyph are left as a gap.
 */
export function lettering(text: string): { strokes: Point[][]; thickness: number; width: number } {
  const signs = [...text.toUpperCase()];
  const strokes = signs.flatMap((sign, i) =>
    (GLYPHS[sign] ?? '')
      .split('|')
      .filter(Boolean)
      .map((line) =>
        line.split(' ').map((pair): Point => {
          const [u, v] = pair.split(',').map(Number);
          return [(u! + 0.5 + i * ADVANCE) / HEIGHT, (v! + 0.5) / HEIGHT];
        }),
      ),
  );
  return { strokes, thickness: 1 / HEIGHT, width: signs.length === 0 ? 0 : (signs.length * ADVANCE - 1) / HEIGHT };
}
