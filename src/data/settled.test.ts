import { describe, expect, test } from '@jest/globals';
import { settled } from './settled';

const row = (id: string, says: string) => ({ id, says, more: [{ deep: says }] });

/** As from the database: the same words, other objects. */
const readAgain = <T>(what: T): T => JSON.parse(JSON.stringify(what)) as T;

describe('what is read anew', () => {
  const before = { one: row('0', 'a'), list: [row('1', 'a'), row('2', 'b')], other: [row('3', 'c')] };
  test('is the very object of before where it says the same', () => {
    const after = settled(before, readAgain(before));
    expect(after.one).toBe(before.one);
    expect(after.list).toBe(before.list);
    expect(after.other).toBe(before.other);
  });
  test('of a list of which one row changed the other rows are those of before', () => {
    const fresh = readAgain(before);
    fresh.list[1]!.more[0]!.deep = 'other';
    const after = settled(before, fresh);
    expect(after.list).not.toBe(before.list);
    expect(after.list[0]).toBe(before.list[0]);
    expect(after.list[1]).toEqual(fresh.list[1]);
    expect(after.other).toBe(before.other);
  });
  test('has what came, in the order in which it came, without what went', () => {
    const fresh = { ...readAgain(before), list: [row('2', 'b'), row('4', 'd'), row('1', 'a')] };
    expect(settled(before, fresh)).toEqual(fresh);
    expect(settled(before, { ...readAgain(before), list: [row('1', 'a')] }).list).toEqual([row('1', 'a')]);
    expect(settled({ list: [row('2', 'b'), row('1', 'a')] }, { list: before.list }).list).toEqual(before.list);
  });
  test('is what came where nothing was known', () => {
    expect(settled(undefined, before)).toBe(before);
    expect(settled({}, before)).toEqual(before);
  });
});
