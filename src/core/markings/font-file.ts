import { parse, type Font } from 'opentype.js';
import { simplified, wound, type Region } from '@/core/geometry/clip';
import { extentOf, type Point } from '@/core/geometry/polygon';
import { ringsOfPath } from '@/core/geometry/svg-paths';
import { MOST_SIGNS, type Glyph, type Signs } from './design';
import { SPACE } from './lettering';

/** Why letters of a font cannot be taken, in a sentence. */
export class FaceFault extends Error {}

const MOST_FONT_BYTES = 8 * 1024 * 1024;
/** Curves of a letter are followed to this share of a capital's height: 0.01 mm on letters of 5 mm. */
const FLATNESS = 0.002;

/** A font as its file gives it. Throws FaceFault for what is none. */
export function fontOf(bytes: ArrayBuffer): Font {
  if (bytes.byteLength > MOST_FONT_BYTES) throw new FaceFault('The font has more than 8 MB.');
  try {
    const font = parse(bytes);
    if (font.glyphs.length > 0 && font.unitsPerEm > 0) return font;
  } catch {
    // Said below, in the house's own words.
  }
  throw new FaceFault('This is no font that can be read: TrueType, OpenType or WOFF is wanted (no WOFF2).');
}

/** The name that a font goes by. */
export const nameOfFont = (font: Font): string =>
  font.getEnglishName('fullName') || font.getEnglishName('fontFamily') || 'A font without a name';

/**
 * The signs of a text as a font draws them, in heights of its capital H. Throws FaceFault where it lacks one of them, or draws too finely to
 * be kept.
 */
export function signsOf(font: Font, text: string): Signs {
  const signs = [...new Set(text)].filter((sign) => sign.trim() !== '');
  if (signs.length === 0) throw new FaceFault('There are no letters to draw.');
  if (signs.length > MOST_SIGNS) throw new FaceFault(`At most ${MOST_SIGNS} different signs can be kept.`);
  const missing = signs.filter((sign) => font.charToGlyphIndex(sign) === 0);
  if (missing.length > 0) throw new FaceFault(`The font has no ${missing.join(' ')}.`);
  const capital = extentOf(ringsOf(font, 'H', font.unitsPerEm * FLATNESS)).bottom;
  if (!(capital > 0)) throw new FaceFault('The font draws no capital H: its height is not known.');
  return Object.fromEntries(
    signs.map((sign): [string, Glyph] => [
      sign,
      {
        advance: round((font.charToGlyph(sign).advanceWidth ?? SPACE * capital) / capital),
        rings: ringsOf(font, sign, capital * FLATNESS).map((ring) =>
          ring.map(([x, y]): [number, number] => [round(x / capital), round(y / capital)]),
        ),
      },
    ]),
  );
}

const round = (value: number) => Math.round(value * 10_000) / 10_000;

/** A sign in the font's units, y up from the foot line. */
function ringsOf(font: Font, sign: string, flatness: number): Region {
  // Contours of a font are closed without saying so.
  const d = font.charToGlyph(sign).getPath(0, 0, font.unitsPerEm).toPathData(2);
  const rings = ringsOfPath(`${d.replace(/(?!^)Z?M/g, 'ZM')}Z`, flatness).map((ring) =>
    ring.map(([x, y]): Point => [x, -y]),
  );
  return simplified(wound(rings), flatness / 2).filter((ring) => ring.length > 2);
}
