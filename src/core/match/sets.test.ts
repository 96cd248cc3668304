import { describe, expect, test } from '@jest/globals';
import { paintOf } from '@tests/support/paints';
import { readCatalogue, writeCatalogue } from '@/core/interchange/catalogue-csv';
import { judgeSets, type PaintSet } from './sets';
import type { Target } from './single';

const target = (code: string, L: number): Target => ({ code, lab: [L, 0, 0], sd: 0.5, finish: 'matt', kind: 'solid' });
const set = (number: string, contents: string[], priceCents = 1000): PaintSet => ({
  id: number,
  version: 1,
  lineId: 'l',
  line: 'Hask',
  number,
  name: `Set ${number}`,
  scheme: 'coast',
  contents,
  priceCents,
  currency: 'EUR',
});
const paint = (number: string, L: number, claims: string[] = []) =>
  paintOf({ id: number, line: 'Hask', number, lab: [L, 0, 0], claims });
const paints = [paint('1', 50.2, ['A 1']), paint('2', 30), paint('3', 50), paint('9', 90)];
const targets = [target('A 1', 50), target('A 2', 31), target('A 3', 70)];

describe('a set', () => {
  test('says which calls it serves and for which it lacks a colour', () => {
    const [judged] = judgeSets(targets, [set('S1', ['1', '2'])], paints);
    expect(judged!.serves.map(({ code, paint: { number } }) => [code, number])).toEqual([
      ['A 1', '1'],
      ['A 2', '2'],
    ]);
    expect(judged!.lacks).toEqual(['A 3']);
  });
  test('serves a code by the paint that claims it before one that is nearer by a hair', () => {
    const [judged] = judgeSets(targets, [set('S1', ['3', '1'])], paints);
    expect(judged!.serves[0]).toMatchObject({ claimed: true, paint: { number: '1' } });
  });
  test('that serves more calls comes first, the cheaper of two alike; one that serves none is left out', () => {
    const sets = [set('S9', ['9']), set('dear', ['1', '2'], 3000), set('one', ['2']), set('cheap', ['1', '2'], 900)];
    expect(judgeSets(targets, sets, paints).map(({ set: { number } }) => number)).toEqual(['cheap', 'dear', 'one']);
  });
  test('still holds a paint that was renumbered, or merged into another, since', () => {
    const renamed = [{ ...paint('101', 50), formerly: ['1'] }];
    const [judged] = judgeSets(targets, [set('S1', ['1'])], renamed);
    expect(judged!.serves[0]).toMatchObject({ code: 'A 1', paint: { number: '101' } });
    expect(judged!.unknown).toEqual([]);
  });
  test('names what the catalogue does not know of its contents', () => {
    expect(judgeSets(targets, [set('S1', ['1', '77'])], paints)[0]!.unknown).toEqual(['77']);
  });
});

describe('sets in a table', () => {
  test('are rows of the kind set, out and in again', () => {
    const { rows, sets, faults } = readCatalogue(writeCatalogue(paints, [set('S1', ['1', '2'])]));
    expect(faults).toEqual([]);
    expect(rows).toHaveLength(paints.length);
    expect(sets.map(({ line, set: read }) => ({ line: line.name, ...read }))).toEqual([
      {
        line: 'Hask',
        number: 'S1',
        name: 'Set S1',
        scheme: 'coast',
        contents: ['1', '2'],
        priceCents: 1000,
        currency: 'EUR',
      },
    ]);
  });
  test('without contents, or with a number that a paint has, are named and left out', () => {
    const { sets, faults } = readCatalogue(
      'line,number,kind,contents,L,a,b\nHask,1,solid,,50,0,0\nHask,1,set,1|2,,,\nHask,2,set,,,,\n',
    );
    expect(sets).toEqual([]);
    expect(faults.map(({ row }) => row)).toEqual([3, 4]);
  });
});
