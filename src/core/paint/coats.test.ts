import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Lab } from '@/core/colour/types';
import type { Opacity } from './catalogue';
import { coatThickness, countCoats, MOST_COATS, type CoatJob } from './coats';
import { pigmentOf } from './pigment';

const GREY: Lab = [56, 0, 0];
const count = (colour: Lab, opacity: Opacity, ground: Lab, more: Partial<CoatJob> = {}) =>
  countCoats({
    pigment: pigmentOf({ colour, opacity }).pigment,
    thickness: coatThickness(1),
    ground: { lab: ground },
    ...more,
  });
const yellow: Lab = [80, 5, 80];
const white: Lab = [95, -0.5, 2];

describe('coats, thinned one to one and looked at from arm’s length', () => {
  test.each<[string, Lab, Opacity, Lab, number, number]>([
    ['an opaque white over light grey', white, 'opaque', [75, 0, 0], 1, 1],
    ['a weak white over mid grey', white, 'weak', GREY, 3, 4],
    ['a weak yellow over pink', yellow, 'weak', [73, 27, 9], 3, 3],
    ['a weak yellow over white', yellow, 'weak', [95, 0, 1], 3, 4],
    ['a weak yellow over mid grey', yellow, 'weak', GREY, 3, 4],
    ['a semi-opaque red over mid grey', [42, 58, 40], 'semi', GREY, 1, 2],
    ['an opaque olive over mid grey', [36, -2, 18], 'opaque', GREY, 1, 2],
    ['a black over white', [14, 0, 0], 'opaque', [95, 0, 0], 1, 2],
  ])('%s', (_, colour, opacity, ground, least, most) => {
    const { coats } = count(colour, opacity, ground);
    expect(coats).toBeGreaterThanOrEqual(least);
    expect(coats).toBeLessThanOrEqual(most);
  });
  test('a ground that is the colour already needs one', () => {
    expect(count(GREY, 'transparent', [56.5, 0, 0]).coats).toBe(1);
  });
  test('a filter of one part in twenty never hides anything, and says so', () => {
    const thickness = coatThickness(19);
    const { coats, hidesAnything, after } = count(yellow, 'transparent', [20, 0, 0], { thickness });
    expect([coats, hidesAnything]).toEqual([null, null]);
    expect(after).toHaveLength(MOST_COATS);
  });
  test('through a lens it takes no fewer than at arm’s length, and there no fewer than across the table', () => {
    const [lens, arm, table] = (['lens', 'arm', 'table'] as const).map(
      (eye) => count(white, 'weak', GREY, { eye }).coats!,
    );
    expect(lens).toBeGreaterThanOrEqual(arm!);
    expect(arm).toBeGreaterThanOrEqual(table!);
  });
  test('thinner paint needs more coats; a lacquer that is sold thinned counts as two to one', () => {
    expect(coatThickness(0, 'AL')).toBe(coatThickness(2, 'AL'));
    expect(coatThickness(0, 'WA')).toBe(1);
    const coats = (ratio: number) => count(yellow, 'weak', GREY, { thickness: coatThickness(ratio) }).coats!;
    expect(coats(3)).toBeGreaterThan(coats(1));
  });
  test('a wish that the paint is not near is never met', () => {
    expect(count(yellow, 'opaque', GREY, { target: [30, 0, -30] }).coats).toBeNull();
  });
  test('each coat shows less of the ground than the one before, whatever the paint', () => {
    const lab = fc.tuple(
      fc.integer({ min: 15, max: 92 }),
      fc.integer({ min: -30, max: 30 }),
      fc.integer({ min: -30, max: 30 }),
    );
    const opacity = fc.constantFrom<Opacity>('opaque', 'semi', 'weak', 'transparent');
    fc.assert(
      fc.property(lab, opacity, fc.integer({ min: 15, max: 95 }), (colour, hides, L) => {
        const { after, coats } = count(colour as Lab, hides, [L, 0, 0]);
        for (const [i, film] of after.entries())
          if (i > 0) expect(film.showsThrough).toBeLessThanOrEqual(after[i - 1]!.showsThrough + 0.05);
        if (coats !== null && coats > 1) expect(after[coats - 1]!.dE00ToTarget).toBeLessThan(3);
      }),
      { numRuns: 40 },
    );
  });
});
