import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { mixPaints, tryRecipe } from './cup';
import { paintOf } from '@tests/support/paints';
import { searchMixtures, type MixAnswer, type MixQuestion } from './mix-question';

const drawer = (
  [
    ['white', [94, 0, 2]],
    ['black', [16, 0, 0]],
    ['ochre', [60, 14, 48]],
    ['blue', [36, 0, -32]],
    ['red', [40, 52, 30]],
    ['green', [42, -28, 20]],
  ] as [string, Lab][]
).map(([id, lab]) => paintOf({ id, number: id, lab, ownedMl: 10 }));
const question = (given: Partial<MixQuestion> = {}): MixQuestion => ({
  target: [55, -4, 6],
  paints: drawer,
  locks: [],
  maxPaints: 3,
  maxDrops: 12,
  sameChemistry: true,
  ...given,
});
const heard = (given: MixQuestion) => {
  const states: MixAnswer[] = [];
  const answer = searchMixtures(given, (state) => states.push(state));
  return { answer, states };
};

describe('the search of the mixing bench', () => {
  test('tells how far it is, ever better, and ends whole', () => {
    const { answer, states } = heard(question());
    expect(states.length).toBeGreaterThan(1);
    const shares = states.map(({ share }) => share);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    const bests = states.flatMap(({ recipes: [first] }) => (first ? [first.score] : []));
    expect(bests).toEqual([...bests].sort((a, b) => b - a));
    expect(answer.share).toBe(1);
    expect(answer.recipes[0]!.score).toBeLessThanOrEqual(bests.at(-1)!);
  });
  test('a drawer of six is looked at whole, and the answer says so', () => {
    const [white, , ochre] = mixPaints(drawer);
    const parts = [
      { ...white!, count: 5 },
      { ...ochre!, count: 2 },
    ];
    const { answer } = heard(question({ target: tryRecipe([50, 0, 0], parts).lab }));
    expect(answer.proven).toBe(true);
    expect(answer.recipes[0]!.drops).toEqual([
      { id: 'white', count: 5 },
      { id: 'ochre', count: 2 },
    ]);
    expect(answer.why).toBeNull();
  });
  test('with nothing to mix it says why, and does not search', () => {
    for (const paints of [[], [paintOf({ id: 'silver', kind: 'metallic' })], [paintOf({ id: 'unknown', lab: null })]]) {
      const { answer } = heard(question({ paints }));
      expect(answer).toMatchObject({
        recipes: [],
        evaluated: 0,
        why: expect.stringMatching(/no paint here can be mixed/),
      });
    }
  });
  test('a colour beyond the drawer comes with the nearest and with what is lacking', () => {
    const { answer } = heard(question({ target: [97, 0, 0] }));
    expect(answer.recipes[0]!.drops.map(({ id }) => id)).toContain('white');
    expect(answer.why).toMatch(/the lightest has L\* 94, wanted is 97/);
    const strong = heard(question({ target: [55, 80, 60] })).answer;
    expect(strong.recipes[0]!.dE00).toBeGreaterThan(5);
    expect(strong.why).toMatch(/stronger than any paint here of its hue/);
  });
  test('a locked paint is in every recipe, with as many drops as are locked', () => {
    const { answer } = heard(question({ locks: [{ id: 'ochre', count: 2 }] }));
    expect(answer.recipes.length).toBeGreaterThan(0);
    for (const { drops } of answer.recipes) expect(drops).toContainEqual({ id: 'ochre', count: 2 });
  });
  test('what is found has the colour that it says, within paints and drops', () => {
    const { answer } = heard(question({ maxPaints: 2, maxDrops: 6 }));
    for (const { drops, lab, dE00 } of answer.recipes) {
      expect(drops.length).toBeLessThanOrEqual(2);
      expect(drops.reduce((sum, { count }) => sum + count, 0)).toBeLessThanOrEqual(6);
      expect(dE00).toBeCloseTo(deltaE00([55, -4, 6], lab), 9);
    }
  });
});
