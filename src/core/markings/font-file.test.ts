import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { regionArea } from '@/core/geometry/clip';
import { extentOf } from '@/core/geometry/polygon';
import { PLAIN } from './design';
import { letterFields } from './design-fields';
import { silhouetteOf } from './drawn';
import { FaceFault, fontOf, nameOfFont, signsOf } from './font-file';
import { facedLetters, lackingIn } from './lettering';

const bytesOf = (path: string) => {
  const file = readFileSync(path);
  return file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) as ArrayBuffer;
};
const font = fontOf(
  bytesOf('node_modules/@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-700-normal.woff'),
);

describe('letters of a font file', () => {
  test('goes by the name that is written in it', () => expect(nameOfFont(font)).toMatch(/^Atkinson Hyperlegible/));
  test('a capital is as high as the marking, and stands on its foot line', () => {
    const { top, bottom } = extentOf(facedLetters('HEH', signsOf(font, 'HE'), 0));
    expect(top).toBeCloseTo(-0.5, 3);
    expect(bottom).toBeCloseTo(0.5, 3);
  });
  test('the hole of an O is no paint, and small letters reach below the foot line', () => {
    const signs = signsOf(font, 'Ogi');
    const o = signs.O!.rings;
    const outer = extentOf(o);
    expect(regionArea(o)).toBeLessThan(0.75 * (outer.right - outer.left) * (outer.bottom - outer.top));
    expect(extentOf(signs.g!.rings).top).toBeLessThan(-0.1);
    // The dot of an i is a piece of its own.
    expect(signs.i!.rings).toHaveLength(2);
  });
  test('spacing is added between letters and nowhere else', () => {
    const signs = signsOf(font, 'AB');
    const width = (spacing: number) => {
      const { left, right } = extentOf(facedLetters('ABBA', signs, spacing));
      return right - left;
    };
    expect(width(0.2) - width(0)).toBeCloseTo(0.6, 6);
  });
  test('letters are about their middle, whatever room the font leaves beside them', () => {
    const { left, right } = extentOf(facedLetters('JL', signsOf(font, 'JL'), 0));
    expect(left + right).toBeCloseTo(0, 9);
  });
  test('what is kept passes the boundary, and draws the marking', () => {
    const letters = letterFields.parse({ face: nameOfFont(font), outline: signsOf(font, 'FS 21') });
    expect(
      regionArea(silhouetteOf({ kind: 'lettering', text: 'FS 21', design: { ...PLAIN, letters } })),
    ).toBeGreaterThan(0.5);
  });
  test('a text that was changed names the signs that the kept face lacks', () => {
    expect(lackingIn('F 19', signsOf(font, 'F 21'))).toEqual(['9']);
  });
  test('a sign that the font lacks is named', () => {
    expect(() => signsOf(font, 'A機')).toThrow('The font has no 機.');
  });
  test.each([
    ['nothing', new ArrayBuffer(0)],
    ['text', new TextEncoder().encode('this is a shopping list, and no font at all').buffer as ArrayBuffer],
    ['a picture', new Uint8Array([137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13]).buffer as ArrayBuffer],
    [
      'a font cut off in the middle',
      bytesOf('node_modules/@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-700-normal.woff').slice(
        0,
        4000,
      ),
    ],
    [
      'the compressed form for the web',
      bytesOf('node_modules/@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-700-normal.woff2'),
    ],
  ])('%s is refused with a sentence', (_, bytes) => {
    expect(() => fontOf(bytes)).toThrow(FaceFault);
  });
});
