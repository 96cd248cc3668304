import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import { bottleOf, paintOf } from '@tests/support/paints';
import { bottleState, KEEPS_MONTHS, usableMl } from './bottle';
import { contrastInWords, undercoatSchools } from './grounds';
import { dataOf, isMixable, pigmentOfPaint, strengthOf } from './paint-pigment';
import { labOfPigment } from './pigment';
import { builderFactor, DROPS_PER_ML, paintNeeded, planCup, TYPICAL_SPRAYING } from './quantity';

const today = '2026-11-23';
const state = (bottle: Parameters<typeof bottleOf>[0]) =>
  bottleState(bottleOf(bottle), paintOf({ id: 'p', sizeMl: 20 }), today).state;

describe('how a bottle stands', () => {
  test('good, low, empty', () => {
    expect(state({ mlLeft: 10 })).toBe('good');
    expect(state({ mlLeft: 2.9 })).toBe('low');
    expect(state({ mlLeft: 0 })).toBe('empty');
  });
  test('open for longer than its chemistry keeps is expired; enamel keeps longer than water-based paint', () => {
    expect(KEEPS_MONTHS.EN.months).toBeGreaterThan(KEEPS_MONTHS.WA.months);
    const openedOn = '2022-11-23';
    expect(state({ openedOn })).toBe('expired');
    expect(bottleState(bottleOf({ openedOn }), paintOf({ id: 'p', chemistry: 'EN' }), today).state).toBe('good');
    expect(state({ openedOn: null })).toBe('good');
  });
  test('what is skinned over or dried up is spoilt, however full', () => {
    expect(state({ condition: 'skinned over', mlLeft: 20 })).toBe('spoilt');
    expect(state({ condition: 'Dried up', mlLeft: 20 })).toBe('spoilt');
    expect(state({ condition: 'a little thick', mlLeft: 20 })).toBe('good');
  });
  test('only what is neither spoilt nor expired can be counted on', () => {
    const bottles = [bottleOf({ mlLeft: 5 }), bottleOf({ mlLeft: 7, condition: 'hard' }), bottleOf({ mlLeft: 1 })];
    expect(usableMl(paintOf({ id: 'p', bottles }), today)).toBe(6);
  });
});

describe('what is known of a paint’s colour', () => {
  const lab = [40, 20, 30] as const;
  test('the best information wins', () => {
    const from = (data: Parameters<typeof dataOf>[0]['data']) => pigmentOfPaint(paintOf({ id: 'p', lab, data }))!.from;
    const flat = (value: number) => Array.from({ length: 31 }, () => value);
    expect(from(null)).toMatch(/being opaque/);
    expect(from({ contrastRatio: 0.9 })).toMatch(/contrast ratio/);
    expect(from({ tint14: [70, 8, 12] })).toMatch(/tint/);
    expect(from({ overBlack: flat(0.2), overWhite: flat(0.3), contrastRatio: 0.9 })).toMatch(/black and a white card/);
    expect(from({ K: flat(1), S: flat(0.5), contrastRatio: 0.9 })).toMatch(/constants/);
  });
  test('in a thick coat it is the colour that it is known by', () => {
    for (const data of [null, { contrastRatio: 0.9 }, { tint14: [70, 8, 12] as const }])
      expect(deltaE00(labOfPigment(pigmentOfPaint(paintOf({ id: 'p', lab, data }))!.pigment), lab)).toBeLessThan(0.6);
  });
  test('nothing is known without a colour, and metallics are not mixed', () => {
    expect(pigmentOfPaint(paintOf({ id: 'p', lab: null }))).toBeNull();
    expect(isMixable(paintOf({ id: 'p', kind: 'metallic' }))).toBe(false);
    expect(
      isMixable(paintOf({ id: 'p', lab: null, data: { reflectance: Array.from({ length: 31 }, () => 0.3) } })),
    ).toBe(true);
  });
  test('the fullest bottle is the one whose strength counts', () => {
    expect(strengthOf([])).toBe(1);
    expect(strengthOf([bottleOf({ mlLeft: 2, strength: 3 }), bottleOf({ mlLeft: 9, strength: 1.2 })])).toBe(1.2);
  });
});

describe('grounds', () => {
  const grounds = (list: { ground: string }[]) => list.map(({ ground }) => ground);
  test('white, pink or red-brown under yellow, never dark grey', () => {
    const { take, avoid } = undercoatSchools([80, 6, 82], 'solid');
    expect(grounds(take)).toEqual(['white', 'pink', 'red-brown']);
    expect(grounds(avoid)).toEqual(['dark-grey']);
  });
  test('white under red; black or grey under metal; silver under clear colour', () => {
    expect(grounds(undercoatSchools([42, 58, 40], 'solid').take)).toEqual(['white']);
    expect(grounds(undercoatSchools([76, 0, 0], 'metallic').take)).toEqual(['black', 'grey']);
    expect(grounds(undercoatSchools([40, 50, 30], 'clear').take)).toEqual(['silver']);
  });
  test('what still shows', () => expect([5, 2, 0.5].map(contrastInWords)).toEqual(['plain', 'a hint', 'gone']));
});

describe('how much goes in the cup', () => {
  test('by hand: 100 cm², two coats of two passes of 25 µm, half lands: 2 ml, and 0.4 ml stays in each of two cups', () => {
    expect(paintNeeded({ ...TYPICAL_SPRAYING, areaCm2: 100, paintFraction: 0.5 })).toEqual({
      sprayedMl: 2.4,
      paintMl: 1.2,
    });
    const plan = planCup({ areaCm2: 100, coats: 2 }, { cupMl: 2, thinRatio: 1, factor: 1 });
    expect(plan).toMatchObject({
      fillings: 2,
      sprayedMl: 2.8,
      paintMl: 1.4,
      thinnerMl: 1.4,
      paintDrops: 14,
      thinnerDrops: 14,
    });
  });
  test('each filling fits the cup, and the fillings together hold what is sprayed', () => {
    for (const areaCm2 of [5, 60, 400, 1500])
      for (const cupMl of [1, 2, 5])
        for (const thinRatio of [0, 1, 2.5]) {
          const plan = planCup({ areaCm2, coats: 3 }, { cupMl, thinRatio, factor: 1.2 });
          expect(plan.sprayedMl / plan.fillings).toBeLessThanOrEqual(cupMl + 1e-9);
          expect(plan.paintMl + plan.thinnerMl).toBeCloseTo(plan.sprayedMl, 9);
          const drops = (plan.paintDrops + plan.thinnerDrops) * plan.fillings;
          expect(drops / DROPS_PER_ML).toBeGreaterThan(plan.sprayedMl * 0.8);
        }
  });
  test('this builder’s factor: none logged is typical; one job counts half, many count whole', () => {
    const job = { areaCm2: 100, coats: 2, fillings: 1 };
    const typical = paintNeeded({ ...TYPICAL_SPRAYING, ...job, paintFraction: 1 }).sprayedMl;
    expect(builderFactor([])).toBe(1);
    expect(builderFactor([{ ...job, sprayedMl: 2 * typical }])).toBeCloseTo(Math.SQRT2, 9);
    const many = Array.from({ length: 19 }, () => ({ ...job, sprayedMl: 2 * typical }));
    expect(builderFactor(many)).toBeGreaterThan(1.9);
    expect(builderFactor([...many, { ...job, sprayedMl: 100 * typical }])).toBeLessThan(2);
  });
});
