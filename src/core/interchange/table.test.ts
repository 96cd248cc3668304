import { describe, expect, test } from '@jest/globals';
import type { ColumnKind } from './columns';
import { MOST_ROWS, readAs, RowReader } from './table';

const KINDS: ColumnKind[] = ['code', 'name', 'colour_name'].map((field) => ({
  field,
  title: field,
  words: [field.replace('_', ' ')],
}));
const readTable = (text: string) => readAs(text, KINDS);

const rowOf = (cells: Record<string, string>) => new RowReader(7, cells);
const flat = (value: string, count = 31) => Array.from({ length: count }, () => value).join(' ');

describe('a table', () => {
  test.each([
    ['commas', 'Code,Colour name\nTCS 1,Grey'],
    ['semicolons', 'Code;Colour name\nTCS 1;Grey'],
    ['tabs', 'Code\tColour name\nTCS 1\tGrey'],
    ['a byte order mark and Windows line ends', '\uFEFFCode,Colour name\r\nTCS 1,Grey\r\n'],
  ])('is read with %s; heads in lower case, blanks as underscores', (_, text) => {
    const { heads, rows, faults } = readTable(text);
    expect(heads).toEqual(['code', 'colour_name']);
    expect(rows).toEqual([{ row: 2, cells: { code: 'TCS 1', colour_name: 'Grey' } }]);
    expect(faults).toEqual([]);
  });
  test('rows are counted as in the file, the head being 1; empty lines are no rows', () => {
    const { rows } = readTable('code\nA\n\nB\n');
    expect(rows.map(({ cells }) => cells.code)).toEqual(['A', 'B']);
    expect(rows[0]!.row).toBe(2);
  });
  test('a row with too many cells is named and left out, the others stand', () => {
    const { rows, faults } = readTable('code,name\nA,one\nB,two,three\nC,four\n');
    expect(rows.map(({ cells }) => cells.code)).toEqual(['A', 'C']);
    expect(faults.map(({ row }) => row)).toEqual([3]);
  });
  test('what a spreadsheet was kept from running is the text behind the apostrophe', () => {
    const { rows } = readTable("code,name\n'=7,'plain\n");
    expect(rows[0]!.cells).toEqual({ code: '=7', name: "'plain" });
  });
  test('more rows than are taken at once are refused, with how many', () => {
    const { rows, faults } = readTable(`code\n${'A\n'.repeat(MOST_ROWS + 1)}`);
    expect(rows).toEqual([]);
    expect(faults[0]!.says).toContain(String(MOST_ROWS + 1));
  });
  test('no text at all has neither heads nor rows', () => {
    expect(readTable('')).toMatchObject({ heads: [], rows: [] });
  });
});

describe('a number in a cell', () => {
  test.each([
    ['3.5', 3.5],
    ['3,5', 3.5],
    ['-0.25', -0.25],
    ['12', 12],
  ])('%s', (text, value) => expect(rowOf({ n: text }).number('n')).toBe(value));
  test('an empty cell is none, and no fault', () => {
    const row = rowOf({ n: '' });
    expect(row.number('n')).toBeNull();
    expect(row.faults).toEqual([]);
  });
  test.each(['1.234,5', '1,234.5'])('%s: which is the decimal mark is asked, not guessed', (text) => {
    const row = rowOf({ n: text });
    expect(row.number('n')).toBeNull();
    expect(row.faults).toEqual([{ row: 7, field: 'n', says: expect.stringContaining('which is the decimal mark') }]);
  });
  test('words are no number', () => {
    const row = rowOf({ n: 'much' });
    row.number('n');
    expect(row.faults[0]!.says).toBe('"much" is no number');
  });
});

describe('a reflectance in a cell', () => {
  test('31 values from 0 to 1 are taken as they are', () => {
    expect(rowOf({ reflectance: flat('0.25') }).curve('reflectance')).toEqual(Array.from({ length: 31 }, () => 0.25));
  });
  test('percent is told by its size', () => {
    expect(rowOf({ reflectance: flat('25') }).curve('reflectance')![0]).toBeCloseTo(0.25, 12);
  });
  test('it may stand in a column for each band', () => {
    const cells = Object.fromEntries(Array.from({ length: 31 }, (_, i) => [`nm${400 + 10 * i}`, String(i / 100)]));
    expect(rowOf(cells).curve('reflectance')![30]).toBeCloseTo(0.3, 12);
  });
  test('30 values are too few, and it says how many there are', () => {
    const row = rowOf({ reflectance: flat('0.2', 30) });
    expect(row.curve('reflectance')).toBeNull();
    expect(row.faults[0]!.says).toMatch(/^30 values/);
  });
  test.each([
    ['-0.1', 450],
    ['1.4', 450],
  ])('%s is outside 0..1, with its band', (value, nm) => {
    const values = Array.from({ length: 31 }, (_, i) => (400 + 10 * i === nm ? value : '0.5')).join(' ');
    const row = rowOf({ reflectance: values });
    expect(row.curve('reflectance')).toBeNull();
    expect(row.faults[0]!.says).toContain(`${value} at ${nm} nm`);
  });
  test('a hair above 1, as instruments give it for white, is 1', () => {
    expect(rowOf({ reflectance: flat('1.02') }).curve('reflectance')![0]).toBe(1);
  });
  test('a word among the values is named with its band', () => {
    const values = Array.from({ length: 31 }, (_, i) => (i === 2 ? 'x' : '0.5')).join(' ');
    const row = rowOf({ reflectance: values });
    row.curve('reflectance');
    expect(row.faults[0]!.says).toBe('"x" at 420 nm is no number');
  });
});

test('lists in a cell are apart by semicolons or bars', () => {
  expect(rowOf({ claims: 'TCS 31; TCS 27 |SE 5;' }).list('claims')).toEqual(['TCS 31', 'TCS 27', 'SE 5']);
});
