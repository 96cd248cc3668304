import { readFileSync } from 'node:fs';
import * as opentype from 'opentype.js';
import { FONT_FILES } from './font-files';

/** How high a text stands on paper: lines are filled word by word, as the layouter fills them. */

/** A bundler reads the library as it is written, Node by what it hands out. */
const { parse } = 'parse' in opentype ? opentype : (opentype as { default: typeof opentype }).default;

type Face = keyof typeof FONT_FILES;
type Widths = (sign: string) => number;

const faces = new Map<Face, Widths>();
/** Width of a sign as a share of the size of the type. */
function widthsOf(face: Face): Widths {
  const known = faces.get(face);
  if (known) return known;
  const { buffer, byteOffset, byteLength } = readFileSync(FONT_FILES[face]);
  const font = parse(buffer.slice(byteOffset, byteOffset + byteLength));
  const widths = new Map<string, number>();
  const widthOf = (sign: string) => {
    const width = widths.get(sign) ?? (font.charToGlyph(sign).advanceWidth ?? 0) / font.unitsPerEm;
    widths.set(sign, width);
    return width;
  };
  faces.set(face, widthOf);
  return widthOf;
}

/** Lines that a text takes within a width in points. A word that is wider than that stands on lines of its own. */
export function linesIn(text: string, width: number, size: number, face: Face = 'regular'): number {
  const widthOf = widthsOf(face);
  const wide = (word: string) => [...word].reduce((sum, sign) => sum + widthOf(sign), 0) * size;
  const space = widthOf(' ') * size;
  return text.split('\n').reduce((lines, paragraph) => {
    let [own, used] = [1, 0];
    for (const word of paragraph.split(' ')) {
      const length = wide(word);
      if (used > 0 && used + space + length > width) {
        own += 1;
        used = 0;
      }
      own += Math.max(0, Math.ceil(length / width) - 1);
      used += (used > 0 ? space : 0) + Math.min(length, width);
    }
    return lines + own;
  }, 0);
}
