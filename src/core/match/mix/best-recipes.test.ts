import { describe, expect, test } from '@jest/globals';
import { pigmentOf } from '@/core/paint/pigment';
import type { Lab } from '@/core/colour/types';
import { Best } from './best-recipes';
import { costOf, dropCounts, recipeCount, recipeSd, type MixPaint } from './recipe';

const paint = (id: string, colour: Lab, sd = 1): MixPaint => ({
  id,
  sd,
  pigment: pigmentOf({ colour, opacity: 'opaque' }).pigment,
});
const paints = [
  paint('white', [94, 0, 2]),
  paint('black', [16, 0, 0]),
  paint('blue', [35, 2, -30]),
  paint('twin', [35, 2, -30]),
];
const cost = { perPaint: 0.2, perDrop: 0.01 };
const best = (kept: number, target: Lab = [50, 0, 0]) => new Best(target, paints, cost, kept);

describe('the best recipes so far', () => {
  test('are as many as are kept at the end, however many were looked at', () => {
    const some = best(3);
    for (let drops = 1; drops <= 12; drops += 1)
      some.look([
        { paint: 0, count: drops },
        { paint: 1, count: 13 - drops },
      ]);
    expect(some.evaluated).toBe(12);
    expect(some.recipes(3)).toHaveLength(3);
    const all = best(50);
    const scores = Array.from({ length: 12 }, (_, i) =>
      all.look([
        { paint: 0, count: i + 1 },
        { paint: 1, count: 12 - i },
      ]),
    ).sort((a, b) => a - b);
    expect(some.recipes(3).map(({ score }) => score)).toEqual(scores.slice(0, 3));
  });
  test('hold none twice', () => {
    const some = best(5);
    for (let again = 0; again < 20; again += 1) some.look([{ paint: 1, count: 1 }]);
    expect(some.recipes(5)).toHaveLength(1);
  });
  test('what is worse than the last of those kept is not wanted', () => {
    const some = best(1);
    for (let drops = 1; drops <= 12; drops += 1)
      some.look([
        { paint: 0, count: drops },
        { paint: 1, count: 1 },
      ]);
    expect(some.limit).toBeLessThan(Infinity);
    const [first] = some.recipes(1);
    expect(some.limit).toBeGreaterThanOrEqual(first!.score);
  });
  test('of two that are as good, the one whose paint comes first stands first', () => {
    const some = best(4, [35, 2, -30]);
    some.look([{ paint: 3, count: 1 }]);
    some.look([{ paint: 2, count: 1 }]);
    expect(some.recipes(2).map(({ drops }) => drops[0]!.id)).toEqual(['blue', 'twin']);
  });
  test('a recipe scores its difference, 0.2 for each further paint and 0.01 a drop', () => {
    const some = best(4);
    some.look([
      { paint: 0, count: 2 },
      { paint: 1, count: 3 },
    ]);
    const [recipe] = some.recipes(1);
    expect(recipe!.score - recipe!.dE00).toBeCloseTo(0.2 + 0.05, 12);
    expect(costOf(3, 12, cost)).toBeCloseTo(0.4 + 0.12, 12);
  });
});

describe('how sure a recipe is', () => {
  test('one paint is as sure as its own colour, whatever is known of its mixing', () => {
    expect(recipeSd([{ sd: 3.4, share: 1 }])).toBe(recipeSd([{ sd: 1, share: 1 }]));
  });
  test('a mixture lies between its paints, nearer to that of the larger share', () => {
    const sd = recipeSd([
      { sd: 1, share: 0.8 },
      { sd: 3, share: 0.2 },
    ]);
    expect(sd).toBeGreaterThan(1);
    expect(sd).toBeLessThan(2);
  });
});

test('how many recipes there are is how many ways there are to make one', () => {
  const pairs = 3;
  expect(recipeCount(3, { maxPaints: 2, maxDrops: 5 })).toBe(3 + pairs * dropCounts(2, 5).length);
  expect(recipeCount(2, { maxPaints: 4, maxDrops: 3 })).toBe(2 + dropCounts(2, 3).length);
});
