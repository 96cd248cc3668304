import { describe, expect, test } from '@jest/globals';
import { paintOf } from '@tests/support/paints';
import { BLANK_RECIPE } from '@/core/kept/blank';
import type { Kept } from '@/core/kept/records';
import { recipeAsPaint, recipeLabel, recipeView } from './recipes';

const grey = paintOf({ id: 'g', line: 'Hask', number: '104', ownedMl: 10 });
const blue = paintOf({ id: 'b', line: 'Hask', number: '108', ownedMl: 1, finish: 'gloss' });
const paints = new Map([grey, blue].map((paint) => [paint.id, paint]));
const recipe = (over: Partial<Kept<'recipe'>> = {}): Kept<'recipe'> => ({
  id: 'r',
  version: 1,
  codeId: 'c',
  ...BLANK_RECIPE,
  parts: [
    { paintId: 'g', drops: 5 },
    { paintId: 'b', drops: 2 },
  ],
  predicted: [50, -2, -6],
  sd: 1.5,
  ...over,
});

describe('a recipe as the paint that it makes', () => {
  test('is called by its drops, and is what its main paint is in everything but colour', () => {
    const view = recipeView(recipe(), paints);
    expect(recipeLabel(view.parts)).toBe('5 Hask 104 + 2 Hask 108');
    expect(recipeAsPaint(view)).toMatchObject({ id: 'r', finish: 'matt', chemistry: 'WA', lab: [50, -2, -6], sd: 1.5 });
  });
  test('what was seen counts before what was predicted', () => {
    expect(recipeAsPaint(recipeView(recipe({ observed: [49, -1, -7], observedSd: 0.5 }), paints))).toMatchObject({
      lab: [49, -1, -7],
      sd: 0.5,
    });
  });
  test('the scarcest bottle says how much can be mixed', () => {
    expect(recipeAsPaint(recipeView(recipe(), paints))!.ownedMl).toBeCloseTo(3.5, 9);
  });
  test('a paint that is gone is counted; without any there is no paint', () => {
    expect(recipeView(recipe(), new Map([['g', grey]]))).toMatchObject({ lost: 1 });
    expect(recipeAsPaint(recipeView(recipe(), new Map()))).toBeNull();
  });
});
