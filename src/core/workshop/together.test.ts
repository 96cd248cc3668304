import { describe, expect, test } from '@jest/globals';
import { paintOf } from '@tests/support/paints';
import { searchTogether, type TogetherQuestion } from './together';

describe('one choice for the whole scheme', () => {
  const question = (more: Partial<TogetherQuestion> = {}): TogetherQuestion => ({
    calls: [
      { code: 'A 1', lab: [50, 0, 0], kind: 'solid' },
      { code: 'A 2', lab: [54, 0, 0], kind: 'solid' },
      { code: 'A 3', lab: [76, 0, 0], kind: 'metallic' },
    ],
    edges: [{ a: 'A 1', b: 'A 2' }],
    paints: [
      paintOf({ id: 'p1', number: '1', lab: [57, 0, 0] }),
      paintOf({ id: 'p2', number: '2', lab: [53.9, 0, 0] }),
      paintOf({ id: 'p3', number: '3', lab: [49.9, 0, 0] }),
      paintOf({ id: 'm', number: '9', kind: 'metallic', lab: [75, 0, 0] }),
    ],
    recipes: false,
    options: { lambda: 1, maxLines: null, sameChemistry: false, perBottle: 0 },
    ...more,
  });
  test('takes the nearest that keep the neighbours’ relation, metal from metal, and says what must be bought', () => {
    const { solutions, proven } = searchTogether(question(), () => undefined);
    const [best] = solutions;
    expect(proven).toBe(true);
    expect(best!.made.map(({ parts }) => parts[0]!.paintId)).toEqual(['p3', 'p2', 'm']);
    expect(best!.pairs[0]!.says).toBe('the contrast is kept');
    expect(best!.buy.sort()).toEqual(['m', 'p2', 'p3']);
  });
  test('nothing is bought for a difference that nobody can see, whatever a bottle is worth; what is owned wins the tie', () => {
    const owned = [
      paintOf({ id: 'o1', number: '4', lab: [50.8, 0, 0], ownedMl: 9 }),
      paintOf({ id: 'o2', number: '5', lab: [54.6, 0, 0], ownedMl: 9 }),
      paintOf({ id: 'om', number: '6', kind: 'metallic', lab: [75.4, 0, 0], ownedMl: 9 }),
    ];
    const { solutions } = searchTogether(question({ paints: [...question().paints, ...owned] }), () => undefined);
    expect(solutions[0]!.made.map(({ parts }) => parts[0]!.paintId)).toEqual(['o1', 'o2', 'om']);
    expect(solutions[0]!.buy).toEqual([]);
  });
  test('a bottle that is bought says what it gains over the nearest that is owned', () => {
    const far = paintOf({ id: 'far', number: '4', lab: [60, 0, 0], ownedMl: 9 });
    const { solutions } = searchTogether(question({ paints: [...question().paints, far] }), () => undefined);
    const gain = solutions[0]!.gains.find(({ paintId }) => paintId === 'p3')!;
    expect(gain.says).toMatch(/^A 1 0\.1 off instead of \d+\.\d with .* 4$/);
    expect(solutions[0]!.gains.find(({ paintId }) => paintId === 'm')!.says).toMatch(/nothing of its kind/);
  });
  test('neighbours that would swap are flagged', () => {
    const swapped = question({
      paints: question().paints.filter(({ id }) => id !== 'p3'),
      options: { ...question().options, lambda: 0 },
    });
    const { solutions } = searchTogether(swapped, () => undefined);
    const flags = solutions.flatMap(({ pairs }) => pairs.map(({ says }) => says));
    expect(flags.some((says) => says !== 'the contrast is kept')).toBe(true);
  });
  test('says which call nothing can serve', () => {
    const { solutions, why } = searchTogether(
      question({ paints: question().paints.filter(({ kind }) => kind === 'solid') }),
      () => undefined,
    );
    expect(solutions).toEqual([]);
    expect(why).toMatch(/A 3/);
  });
  test('mixtures from the drawer serve where no paint is near', () => {
    const paints = [
      paintOf({ id: 'w', number: '1', lab: [95, 0, 1], ownedMl: 9 }),
      paintOf({ id: 'k', number: '2', lab: [15, 0, 0], ownedMl: 9 }),
      paintOf({ id: 'm', number: '9', kind: 'metallic', lab: [75, 0, 0] }),
    ];
    const { solutions } = searchTogether(question({ paints, recipes: true }), () => undefined);
    expect(solutions[0]!.made[0]!.parts.length).toBe(2);
    expect(solutions[0]!.made[0]!.dE00).toBeLessThan(3);
  });
});
