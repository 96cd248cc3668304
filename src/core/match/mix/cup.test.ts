import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import { mixed, type Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import { scaled } from '@/core/paint/paint-pigment';
import { labOfPigment, pigmentOf } from '@/core/paint/pigment';
import { bottleOf, paintOf } from '@tests/support/paints';
import { correct, type CupPaint } from './correct';
import { findLocked } from './locked';
import { chemistryOf, mixingOrder, mixPaints, scaleTo, tintStrength, whyNoNearer } from './cup';
import { findRecipes } from './find-recipes';
import type { MixPaint } from './recipe';
import { toneFamily, TONE_STEPS } from './tones';

const of = (lab: Lab): Pigment => pigmentOf({ colour: lab, opacity: 'opaque' }).pigment;
const WHITE = of([95, -0.5, 2]);
const BLACK = of([14, 0, 0]);
const YELLOW = of([78, 8, 75]);
const BLUE = of([32, 4, -38]);
const RED = of([42, 55, 35]);
const paints: MixPaint[] = Object.entries({ WHITE, BLACK, YELLOW, BLUE, RED }).map(([id, pigment]) => ({
  id,
  pigment,
  sd: 1.5,
  chemistry: 'WA',
}));
const cup = (...parts: [string, number][]): CupPaint[] =>
  parts.map(([paintId, drops]) => ({ paintId, drops, pigment: paints.find(({ id }) => id === paintId)!.pigment }));
const colourOf = (parts: readonly CupPaint[]): Lab => labOfPigment(mixed(parts));

describe('what can be mixed', () => {
  test('solid paints with a colour; metallics, clears and unmeasured ones are not', () => {
    const found = mixPaints([
      paintOf({ id: 'solid' }),
      paintOf({ id: 'metal', kind: 'metallic' }),
      paintOf({ id: 'clear', kind: 'clear', lab: null }),
      paintOf({ id: 'unknown', lab: null }),
    ]);
    expect(found.map(({ id }) => id)).toEqual(['solid']);
  });
  test('a bottle that was found to tint twice as strongly counts like two drops', () => {
    const [plain] = mixPaints([paintOf({ id: 'p', lab: [30, 4, -30] })]);
    const [strong] = mixPaints([paintOf({ id: 'p', lab: [30, 4, -30], bottles: [bottleOf({ strength: 2 })] })]);
    const one = labOfPigment(
      mixed([
        { pigment: WHITE, drops: 8 },
        { pigment: strong!.pigment, drops: 1 },
      ]),
    );
    const two = labOfPigment(
      mixed([
        { pigment: WHITE, drops: 8 },
        { pigment: plain!.pigment, drops: 2 },
      ]),
    );
    expect(deltaE00(one, two)).toBeLessThan(1e-6);
  });
});

describe('making a mixture', () => {
  test('the largest share goes in first, the strongest tint last and one by one', () => {
    const order = mixingOrder([
      { paintId: 'black', drops: 1, pigment: BLACK },
      { paintId: 'white', drops: 6, pigment: WHITE },
      { paintId: 'yellow', drops: 2, pigment: YELLOW },
    ]);
    expect(order[0]).toMatchObject({ paintId: 'white', oneByOne: false });
    const rest = order.slice(1).map(({ paintId }) => (paintId === 'black' ? BLACK : YELLOW));
    expect(tintStrength(rest[1]!)).toBeGreaterThan(tintStrength(rest[0]!));
    expect(order[2]!.oneByOne).toBe(true);
  });
  test('scaled to what is needed in whole drops of the same ratio, never less', () => {
    expect(
      scaleTo(
        [
          { paintId: 'a', drops: 5 },
          { paintId: 'b', drops: 2 },
        ],
        1,
      ),
    ).toEqual({
      parts: [
        { paintId: 'a', drops: 15 },
        { paintId: 'b', drops: 6 },
      ],
      times: 3,
      ml: 1.05,
    });
    expect(scaleTo([{ paintId: 'a', drops: 20 }], 1).times).toBe(1);
  });
  test('paints of two chemistries have none together', () => {
    expect(
      chemistryOf([
        { chemistry: 'WA', drops: 1 },
        { chemistry: 'WA', drops: 5 },
      ]),
    ).toBe('WA');
    expect(
      chemistryOf([
        { chemistry: 'WA', drops: 1 },
        { chemistry: 'EN', drops: 5 },
      ]),
    ).toBeNull();
  });
});

describe('recipes that keep what is locked', () => {
  const target = colourOf(cup(['WHITE', 5], ['BLUE', 2], ['BLACK', 1]));
  test('a locked paint is in every one, with its drops where those are locked', () => {
    for (const { drops } of findLocked(target, paints, [{ id: 'BLACK', count: null }]).recipes)
      expect(drops.some(({ id }) => id === 'BLACK')).toBe(true);
    for (const { drops } of findLocked(target, paints, [{ id: 'WHITE', count: 3 }]).recipes)
      expect(drops.find(({ id }) => id === 'WHITE')!.count).toBe(3);
  });
  test('the true recipe is found round one of its paints', () => {
    const [best] = findLocked(target, paints, [{ id: 'BLUE', count: 2 }], { perPaint: 0, perDrop: 0 }).recipes;
    expect(best!.dE00).toBeLessThan(1e-9);
    expect(Object.fromEntries(best!.drops.map(({ id, count }) => [id, count]))).toEqual({
      WHITE: 5,
      BLUE: 2,
      BLACK: 1,
    });
  });
  test('nothing better exists than without locks', () => {
    const free = findRecipes(target, paints).recipes[0]!.score;
    for (const id of ['WHITE', 'YELLOW', 'RED']) {
      const locked = findLocked(target, paints, [{ id, count: null }]).recipes[0]!;
      expect(locked.score).toBeGreaterThanOrEqual(free - 1e-9);
    }
  });
  test('drops keep within the limit, and a lock on nothing known answers nothing', () => {
    for (const { drops } of findLocked(target, paints, [{ id: 'WHITE', count: null }], { maxDrops: 6 }).recipes)
      expect(drops.reduce((sum, { count }) => sum + count, 0)).toBeLessThanOrEqual(6);
    expect(findLocked(target, paints, [{ id: 'GREEN', count: null }]).recipes).toEqual([]);
  });
});

describe('why nothing comes nearer', () => {
  test('lighter, darker or stronger than anything there', () => {
    expect(whyNoNearer([99, 0, 0], [95, 0, 0], paints)).toMatch(/no paint here is as light/);
    expect(whyNoNearer([5, 0, 0], [14, 0, 0], paints)).toMatch(/no paint here is as dark/);
    expect(whyNoNearer([60, -60, 30], [60, -20, 10], paints)).toMatch(/stronger than any paint here of its hue/);
  });
});

describe('correcting after a test spray', () => {
  const parts = cup(['WHITE', 8], ['BLUE', 2]);
  const target = colourOf(parts);
  const others = cup(['YELLOW', 0], ['BLACK', 0], ['RED', 0]);
  test('a blue that tints half as strongly again is found out, and white is what it takes', () => {
    const seen = labOfPigment(
      mixed([
        { pigment: WHITE, drops: 8 },
        { pigment: scaled(BLUE, 1.5), drops: 2 },
      ]),
    );
    const { learnt, next, dE00 } = correct(parts, others, target, { lab: seen, sd: 0.4 });
    const [white, blue] = learnt;
    // Only the ratio of the two can be learnt from one spray.
    expect(blue!.strength / white!.strength).toBeGreaterThan(1.3);
    expect(blue!.strength / white!.strength).toBeLessThan(1.6);
    expect(next!.paintId).toBe('WHITE');
    expect(next!.dE00).toBeLessThan(dE00);
  });
  test('what was as predicted teaches nothing and asks for nothing', () => {
    const { learnt, next } = correct(parts, others, target, { lab: target, sd: 0.5 });
    for (const { strength } of learnt) expect(strength).toBeCloseTo(1, 2);
    expect(next).toBeNull();
  });
  test('a vague observation teaches less than a measured one', () => {
    const seen = labOfPigment(
      mixed([
        { pigment: WHITE, drops: 8 },
        { pigment: scaled(BLUE, 1.5), drops: 2 },
      ]),
    );
    const ratio = (sd: number) => {
      const [white, blue] = correct(parts, others, target, { lab: seen, sd }).learnt;
      return blue!.strength / white!.strength;
    };
    expect(ratio(5)).toBeLessThan(ratio(0.4));
    expect(ratio(5)).toBeGreaterThan(1);
  });
  test('too blue is not answered with more blue', () => {
    const seen: Lab = [target[0], target[1], target[2] - 6];
    expect(correct(parts, others, target, { lab: seen, sd: 1 }).next?.paintId).not.toBe('BLUE');
  });
});

describe('a tone family', () => {
  const buff: CupPaint = { paintId: 'BUFF', drops: 0, pigment: of([80, 3, 18]) };
  const adders = [...cup(['WHITE', 0], ['BLACK', 0]), buff];
  const base: CupPaint[] = [{ paintId: 'BROWN', drops: 4, pigment: of([40, 7, 14]) }];
  const baseLab = colourOf(base);
  test('each member lies about its step from the base, lighter or darker as it should', () => {
    const family = toneFamily(base, adders, []);
    expect(family.map(({ tone }) => tone)).toEqual(['faded', 'bleached', 'shadow', 'chip']);
    for (const { tone, lab, dE00, step } of family) {
      expect(step).toBe(TONE_STEPS[tone].step);
      expect(Math.abs(dE00 - step)).toBeLessThan(2);
      expect(lab[0] > baseLab[0]).toBe(TONE_STEPS[tone].lighter);
      expect(dE00).toBeCloseTo(deltaE00(baseLab, lab), 9);
    }
  });
  test('never pure white over a warm base unless it is asked for', () => {
    const whites = (given: { pureWhite: boolean }) =>
      toneFamily(base, cup(['WHITE', 0]), [], given)
        .flatMap(({ parts }) => parts)
        .filter(({ paintId }) => paintId === 'WHITE');
    expect(whites({ pureWhite: false })).toEqual([]);
    expect(whites({ pureWhite: true }).length).toBeGreaterThan(0);
  });
  test('stays within half the way to a near neighbour, and names it', () => {
    const near: Lab = [baseLab[0] + 4, baseLab[1], baseLab[2]];
    const room = deltaE00(baseLab, near) / 2;
    for (const { step, limitedBy } of toneFamily(base, adders, [{ name: 'Moss', lab: near }])) {
      expect(step).toBeCloseTo(room, 9);
      expect(limitedBy).toBe('Moss');
    }
  });
});
