import { expect, test } from '@jest/globals';
import { groupBy } from './grouped';

test('groups come in the order in which they are first met, and keep the order of their items', () => {
  const paints = ['blue 2', 'red 1', 'blue 1'];
  expect([...groupBy(paints, (paint) => paint.split(' ')[0]!)]).toEqual([
    ['blue', ['blue 2', 'blue 1']],
    ['red', ['red 1']],
  ]);
});

test('of nothing there are no groups', () => expect(groupBy([], String).size).toBe(0));
