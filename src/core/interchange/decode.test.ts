import { describe, expect, test } from '@jest/globals';
import { decodeText, withMark, type Encoding } from './decode';
import { STANDARD_COLUMNS } from './column-kinds';
import { readAs } from './table';

const readTable = (text: string) => readAs(text, STANDARD_COLUMNS);

const TEXT = 'name;L\nGrüngrau – hell;41,5\n';
const utf16 = (text: string, little: boolean, mark = false) => {
  const units = [...(mark ? '\uFEFF' : ''), ...text].map((sign) => sign.charCodeAt(0));
  return Uint8Array.from(units.flatMap((unit) => (little ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255])));
};
/** Of these signs only the dash lies elsewhere in Windows-1252 than in Latin-1. */
const windows = (text: string) => Uint8Array.from([...text].map((sign) => (sign === '–' ? 0x96 : sign.charCodeAt(0))));

describe('a table as bytes', () => {
  test.each<[string, Uint8Array, Encoding]>([
    ['UTF-8', new TextEncoder().encode(TEXT), 'utf-8'],
    ['UTF-8 with a mark', new TextEncoder().encode(withMark(TEXT)), 'utf-8'],
    ['Windows-1252', windows(TEXT), 'windows-1252'],
    ['UTF-16, little end first', utf16(TEXT, true), 'utf-16le'],
    ['the same with a mark', utf16(TEXT, true, true), 'utf-16le'],
    ['UTF-16, big end first', utf16(TEXT, false), 'utf-16be'],
    ['the same with a mark', utf16(TEXT, false, true), 'utf-16be'],
  ])('in %s reads rightly', (_, bytes, encoding) => {
    const read = decodeText(bytes) as { text: string; encoding: Encoding };
    expect(read.encoding).toBe(encoding);
    expect(readTable(read.text).rows[0]!.cells).toEqual({ name: 'Grüngrau – hell', l: '41,5' });
  });
  test('with bytes that Western tables do not hold is asked about, and read as it is said', () => {
    // An old desktop's "é" is where Windows-1252 has a letter of other languages.
    const bytes = Uint8Array.from([...'name\nPr'].map((sign) => sign.charCodeAt(0)).concat(0x8e));
    expect(decodeText(bytes)).toEqual({ asks: expect.stringMatching(/which encoding/) });
    expect(decodeText(bytes, 'windows-1252')).toMatchObject({ encoding: 'windows-1252' });
  });
  test('that is not what was said is refused with the question, not read as nonsense', () => {
    expect(decodeText(windows(TEXT), 'utf-8')).toEqual({ asks: expect.stringMatching(/not UTF-8/) });
    expect(decodeText(Uint8Array.of(65), 'utf-16le')).toEqual({ asks: expect.stringMatching(/UTF-16/) });
  });
});

describe('how a table is written', () => {
  test('a first line that names the delimiter is no row', () => {
    const { heads, rows } = readTable('sep=;\nname;L\ngrey;50,5\n');
    expect(heads).toEqual(['name', 'l']);
    expect(rows).toEqual([{ row: 2, cells: { name: 'grey', l: '50,5' } }]);
  });
  test('decimal commas do not pass for delimiters, however many there are', () => {
    const { rows } = readTable('name;L;a;b\ngrey;50,5;-1,2;3,4\nblue;30,1;2,2;-20,5\n');
    expect(rows[1]!.cells).toEqual({ name: 'blue', l: '30,1', a: '2,2', b: '-20,5' });
  });
  test.each([',', ';', '\t', '|'])('"%s" apart', (delimiter) => {
    expect(readTable(['name', 'note'].join(delimiter) + '\n' + ['grey', 'x'].join(delimiter)).rows[0]!.cells).toEqual({
      name: 'grey',
      note: 'x',
    });
  });
});
