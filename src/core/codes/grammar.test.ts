import { describe, expect, test } from '@jest/globals';
import { chipOf, codeOf } from '@tests/support/paints';
import { ambiguity } from './resolve';
import { codeBook, finishOfCode, officialColours, relatedCodes } from './official';
import {
  canonicalCode,
  canonicalIn,
  otherFinishes,
  readCode,
  readIn,
  type CodeShape,
  type ColourSystem,
} from './system';

const system = (name: string, shape: CodeShape, digits = 2): ColourSystem => ({
  name,
  title: name,
  shape,
  prefix: name,
  digits,
});
const FIVE = system('NL', 'gloss-family', 5);
const FOUR = system('QR', 'family', 4);
const LETTERS = system('SE', 'letters', 2);
const THREE = system('OV', 'digits', 3);
const MUNSELL = system('MU', 'munsell', 1);

describe('how codes are written', () => {
  test('five digits carry gloss and hue family: 1 gloss, 2 semi, 3 flat', () => {
    expect(readIn(FIVE, 'nl-34997')).toEqual({ system: 'NL', code: 'NL 34997', finish: 'matt', family: 'green' });
    expect(readIn(FIVE, '16998')).toMatchObject({ finish: 'gloss', family: 'grey' });
    expect(readIn(FIVE, '2 4997')).toMatchObject({ code: 'NL 24997', finish: 'satin' });
  });
  test.each(['44997', '04997', '3499', '349972', 'N34997', '39997'])('%s is no five-digit code', (text) =>
    expect(readIn(FIVE, text)).toBeNull(),
  );
  test('four digits carry a family', () => {
    expect(readIn(FOUR, 'qr7016')).toMatchObject({ code: 'QR 7016', family: 'grey', finish: null });
    expect(readIn(FOUR, '0316')).toBeNull();
    expect(readIn(FOUR, '701')).toBeNull();
  });
  test('letters and digits, however they are set apart', () => {
    for (const text of ['K7', 'k-7', 'SE K 07', 'se-k.7']) expect(canonicalCode(LETTERS, text)).toBe('SE K 07');
    expect(canonicalCode(LETTERS, 'K 7a')).toBe('SE K 07A');
    for (const text of ['7', 'KLMN 7', 'K 777', '']) expect(canonicalCode(LETTERS, text)).toBeNull();
  });
  test('two and three digits are filled up', () => {
    expect(canonicalCode(THREE, '7')).toBe('OV 007');
    expect(canonicalCode(THREE, 'OV-417')).toBe('OV 417');
    expect(canonicalCode(THREE, '4170')).toBeNull();
  });
  test('Munsell is a coordinate: printed canonically, what is no notation is none', () => {
    expect(canonicalCode(MUNSELL, '5.5gy4.2/3.1')).toBe('5.5GY 4.2/3.1');
    expect(canonicalCode(MUNSELL, 'n 4')).toBe('N 4/');
    for (const text of ['12R 5/4', '5R 11/4', '5R 5/-2', '31']) expect(canonicalCode(MUNSELL, text)).toBeNull();
  });
  test('what is printed reads as itself', () => {
    for (const [one, text] of [
      [FIVE, '34997'],
      [FOUR, '7016'],
      [LETTERS, 'K7'],
      [THREE, '7'],
      [MUNSELL, '5R 5/4'],
    ] as const) {
      const code = canonicalCode(one, text)!;
      expect(canonicalCode(one, code)).toBe(code);
    }
  });
});

describe('a code that several systems take', () => {
  const other = system('XY', 'digits', 3);
  test('is asked about, and stays as it was typed', () => {
    const book = { systems: [THREE, other], known: new Set(['OV 417', 'XY 417']), named: new Map() };
    expect(ambiguity(book, '417')?.says).toBe('"417" is a code of OV and of XY: write OV 417 or XY 417');
    expect(canonicalIn(book, '417')).toBe('417');
    expect(canonicalIn(book, 'xy 417')).toBe('XY 417');
  });
  test('is clear where only one of them has it', () => {
    const book = { systems: [THREE, other], known: new Set(['XY 417']), named: new Map() };
    expect(ambiguity(book, '417')).toBeNull();
    expect(readCode(book, '417').map(({ code }) => code)).toEqual(['XY 417']);
  });
});

describe('what stands beside a code', () => {
  const codes = ['NL 34997', 'NL 24997', 'NL 14997', 'NL 34996', 'OV 417'].map((code) => codeOf({ code }));
  const book = codeBook({ codes, systems: [FIVE, THREE] });
  test('the same last four in another finish', () => {
    expect(otherFinishes(book, 'NL 34997').map(({ code, finish }) => [code, finish])).toEqual([
      ['NL 24997', 'satin'],
      ['NL 14997', 'gloss'],
    ]);
    expect(otherFinishes(book, 'OV 417')).toEqual([]);
  });
  test('the finish that the number states', () => {
    expect(finishOfCode([FIVE, THREE], 'NL 14997')).toBe('gloss');
    expect(finishOfCode([FIVE, THREE], 'OV 417')).toBeNull();
  });
  test('an equivalent is near, not equal, with its distance; superseded is seen from both ends', () => {
    const chips = [
      chipOf({ codeId: 'code NL 34997', lab: [35, -8, 12], sd: 0.5 }),
      chipOf({ codeId: 'code OV 417', lab: [40, -8, 12], sd: 0.5 }),
    ];
    const official = officialColours(codes, chips);
    const relation = {
      id: 'r',
      version: 1,
      codeId: 'code NL 34997',
      otherId: 'code OV 417',
      fromDay: '1948-01-01',
      toDay: null,
      note: '',
    };
    const from = (code: string, kind: 'superseded' | 'equivalent') =>
      relatedCodes(official.get(code)!, [{ ...relation, kind }], official)[0]!;
    expect(from('NL 34997', 'equivalent')).toMatchObject({
      code: 'OV 417',
      kind: 'equivalent',
      says: 'near, not equal',
      fromDay: '1948-01-01',
    });
    expect(from('NL 34997', 'equivalent').dE00).toBeGreaterThan(3);
    expect(from('NL 34997', 'superseded').kind).toBe('superseded');
    expect(from('OV 417', 'superseded')).toMatchObject({ code: 'NL 34997', kind: 'supersedes' });
  });
});

describe('several chips of one code', () => {
  const code = codeOf({ code: 'OV 417' });
  const chip = (id: string, L: number, more = {}) => chipOf({ id, codeId: code.id, lab: [L, 0, 0], sd: 0.5, ...more });
  test('are pooled; an outlier is named and left out of the mean', () => {
    const { lab, pooled } = officialColours(
      [code],
      [chip('a', 50), chip('b', 50.4), chip('c', 49.6), chip('yellowed', 58)],
    ).get('OV 417')!;
    expect(lab![0]).toBeCloseTo(50, 6);
    expect(pooled!.outliers.map(({ chip: { id } }) => id)).toEqual(['yellowed']);
  });
  test('two that disagree are not judged: no telling which is wrong, and the uncertainty grows', () => {
    const { sd, pooled } = officialColours([code], [chip('a', 50), chip('b', 58)]).get('OV 417')!;
    expect(pooled!.outliers).toEqual([]);
    expect(pooled!.disagree).toBe(true);
    expect(sd).toBeGreaterThan(2);
  });
  test('a batch stands beside the standard, with its distance; what is left out by hand counts nowhere', () => {
    const { lab, batches } = officialColours(
      [code],
      [chip('a', 50), chip('b', 55, { batch: 'two' }), chip('c', 90, { leftOut: true })],
    ).get('OV 417')!;
    expect(lab).toEqual([50, 0, 0]);
    expect(batches).toHaveLength(1);
    expect(batches[0]!.dE00).toBeGreaterThan(4);
  });
});
