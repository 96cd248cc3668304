import { describe, expect, test } from '@jest/globals';
import { printCoatOrder, readCoatOrder, underColour } from './coat-order';
import { readValue } from './value';

const kept = (text: string) => {
  const read = readValue('layers', text);
  return 'fault' in read ? read.fault : read.value;
};

describe('an order of coats', () => {
  test('is read bottom up, however fluid and scratching are said', () => {
    const same = 'TCS 7 > chipping fluid > TCS 12 > scratched through';
    for (const typed of [
      same,
      'TCS 7>fluid>TCS 12>scratched',
      ' TCS 7 > Chipping Fluid > TCS 12 > worn through ',
      'TCS 7 > fluid > TCS 12 > Chipped',
    ])
      expect(kept(typed)).toBe(same);
    expect(readCoatOrder(same)).toEqual({ coats: ['TCS 7', null, 'TCS 12'], scratched: true });
  });
  test('is read back as it is printed', () => {
    for (const text of ['A 1 > B 2', 'A 1 > chipping fluid', 'A 1 > B 2 > chipping fluid > C 3 > scratched through']) {
      const order = readCoatOrder(text);
      if ('fault' in order) throw new Error(order.fault);
      expect(printCoatOrder(order)).toBe(text);
      expect(readCoatOrder(printCoatOrder(order))).toEqual(order);
    }
  });
  test.each([
    ['TCS 7 > > TCS 12', /nothing/],
    ['> TCS 12', /nothing/],
    ['fluid > TCS 12', /lies on a colour/],
    ['TCS 7 > scratched > TCS 12', /only the last/],
    ['TCS 7 > fluid > fluid > TCS 12', /once/],
  ])('%s is none', (typed, says) => expect(kept(typed)).toMatch(says));
  test('words stand as they are', () =>
    expect(kept('the old code under the band')).toBe('the old code under the band'));
  test('says what lies under a colour, whether it ends with that or not', () => {
    const under = (text: string, colour: string | null) => {
      const order = readCoatOrder(text);
      if ('fault' in order) throw new Error(order.fault);
      return underColour(order, colour, (code) => code.toUpperCase());
    };
    expect(under('a > fluid > b', 'B')).toEqual(['A', null]);
    expect(under('a > fluid', 'B')).toEqual(['A', null]);
    expect(under('a > b', null)).toEqual(['A']);
    expect(under('a > b', 'C')).toEqual(['A', 'B']);
  });
});
