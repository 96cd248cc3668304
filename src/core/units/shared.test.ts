import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { shared } from './shared';

const row = (id: string, says: string) => ({ id, says, more: [{ deep: says }] });

/** As from the database: the same words, other objects. */
const readAgain = <T>(what: T): T => JSON.parse(JSON.stringify(what)) as T;

describe('what is read anew', () => {
  const before = { one: row('0', 'a'), list: [row('1', 'a'), row('2', 'b')], other: [row('3', 'c')] };
  test('is the very object of before where it says the same', () => {
    const after = shared(before, readAgain(before));
    expect(after.one).toBe(before.one);
    expect(after.list).toBe(before.list);
    expect(after.other).toBe(before.other);
  });
  test('of a list of which one row changed the other rows are those of before', () => {
    const fresh = readAgain(before);
    fresh.list[1]!.more[0]!.deep = 'other';
    const after = shared(before, fresh);
    expect(after.list).not.toBe(before.list);
    expect(after.list[0]).toBe(before.list[0]);
    expect(after.list[1]).toEqual(fresh.list[1]);
    expect(after.other).toBe(before.other);
  });
  test('has what came, in the order in which it came, without what went', () => {
    const fresh = { ...readAgain(before), list: [row('2', 'b'), row('4', 'd'), row('1', 'a')] };
    expect(shared(before, fresh)).toEqual(fresh);
    expect(shared(before, { ...readAgain(before), list: [row('1', 'a')] }).list).toEqual([row('1', 'a')]);
    expect(shared({ list: [row('2', 'b'), row('1', 'a')] }, { list: before.list }).list).toEqual(before.list);
  });
  test('is what came where nothing was known', () => {
    expect(shared(undefined, before)).toBe(before);
    expect(shared({}, before)).toEqual(before);
  });
});

describe('what came anew', () => {
  test('says what came, whatever was there before', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (before, fresh) => {
        expect(shared(before, fresh)).toEqual(fresh);
      }),
    );
  });
  test('is the very same where it says the same', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const again = JSON.parse(JSON.stringify(value)) as typeof value;
        const before = JSON.parse(JSON.stringify(value)) as typeof value;
        expect(shared(before, again)).toBe(before);
      }),
    );
  });
  test('keeps what did not change beside what did', () => {
    const before = {
      rows: [
        { id: 'a', says: [1] },
        { id: 'b', says: [2] },
      ],
      head: { title: 'x' },
    };
    const fresh = {
      rows: [
        { id: 'a', says: [1] },
        { id: 'b', says: [3] },
      ],
      head: { title: 'x' },
    };
    const made = shared(before, fresh);
    expect(made).toEqual(fresh);
    expect(made.head).toBe(before.head);
    expect(made.rows[0]).toBe(before.rows[0]);
    expect(made.rows[1]).not.toBe(before.rows[1]);
  });
  test('knows rows by their id, wherever they stand now', () => {
    const before = [
      { id: 'a', n: 1 },
      { id: 'b', n: 2 },
    ];
    const made = shared(before, [
      { id: 'c', n: 3 },
      { id: 'b', n: 2 },
      { id: 'a', n: 1 },
    ]);
    expect(made[1]).toBe(before[1]);
    expect(made[2]).toBe(before[0]);
  });
  test('a row less is another list', () => {
    const before = [{ id: 'a' }, { id: 'b' }];
    expect(shared(before, [{ id: 'a' }])).toEqual([{ id: 'a' }]);
    expect(shared({ a: 1, b: 2 }, { a: 1 } as { a: number; b?: number })).toEqual({ a: 1 });
  });
  test('a map is taken as it comes', () => {
    const fresh = new Map([[1, 2]]);
    expect(shared(new Map([[1, 2]]), fresh)).toBe(fresh);
  });
});
