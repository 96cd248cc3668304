import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changed, changesBetween } from './changes';

/** As it travels: through text. */
const sent = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const told = (before: unknown, after: unknown) => changed(before, sent(changesBetween(before, after)));

describe('changes of plain data', () => {
  test('any two pieces of plain data: the changes turn the one into the other', () => {
    const any = fc.jsonValue({ maxDepth: 4 }).map(sent);
    fc.assert(
      fc.property(any, any, (before, after) => {
        expect(told(before, after)).toEqual(after);
      }),
      { numRuns: 300, seed: 30 },
    );
  });
  test('rows that were taken out, put in, moved and changed', () => {
    const row = fc.record({ id: fc.integer({ min: 0, max: 9 }).map(String), says: fc.integer({ min: 0, max: 2 }) });
    const rows = fc.uniqueArray(row, { selector: ({ id }) => id, maxLength: 8 });
    fc.assert(
      fc.property(rows, rows, (before, after) => {
        expect(told({ rows: before }, { rows: after })).toEqual({ rows: after });
      }),
      { numRuns: 300, seed: 31 },
    );
  });
  test('what says the same is no change, whoever made it', () => {
    const page = () => ({ title: 'a', rows: [{ id: '1', cells: [1, 2] }] });
    expect(changesBetween(page(), page())).toEqual([]);
  });
  test('of a long list only the row that changed is told, and the others stay the very objects', () => {
    const before = { rows: Array.from({ length: 200 }, (_, i) => ({ id: `${i}`, cells: [i, { says: 'x' }] })) };
    const after = { rows: before.rows.map((row, i) => (i === 7 ? { ...row, cells: [7, { says: 'y' }] } : row)) };
    const changes = changesBetween(before, sent(after));
    expect(changes).toEqual([{ at: ['rows', 7, 'cells', 1, 'says'], to: 'y' }]);
    const now = changed(before, changes);
    expect(now).toEqual(after);
    expect(now.rows.filter((row, i) => row !== before.rows[i])).toHaveLength(1);
  });
  test('a row more at the top tells that row alone', () => {
    const before = [{ id: 'a' }, { id: 'b' }];
    expect(changesBetween(before, [{ id: 'new' }, ...before])).toEqual([
      { at: [], rows: [{ row: { id: 'new' } }, 0, 1] },
    ]);
  });
  test('a key may have any name', () => {
    const named = JSON.parse('{"__proto__": {"a": 1}, "b": 2}') as object;
    const other = JSON.parse('{"__proto__": {"a": 3}}') as object;
    expect(JSON.stringify(told(named, other))).toBe(JSON.stringify(other));
  });
});
