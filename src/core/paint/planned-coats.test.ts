import { describe, expect, test } from '@jest/globals';
import { paintOf } from '@tests/support/paints';
import type { Lab } from '@/core/colour/types';
import { plannedCoats } from './planned-coats';
import { thinningOf } from './thinning';

const GREY: Lab = [60, 0, 0];
const yellow = paintOf({ id: 'y', lab: [80, 5, 80], opacity: 'weak' });

describe('coats that are planned for', () => {
  test('follow the paint and its ground', () => {
    const olive = paintOf({ id: 'o', lab: [36, -2, 18], opacity: 'opaque' });
    expect(plannedCoats(yellow, GREY).coats).toBeGreaterThan(plannedCoats(olive, GREY).coats);
    expect(plannedCoats(yellow, GREY).because).toMatch(/no longer shows at arm's length/);
  });
  test('a line that is thinned more needs more of them', () => {
    const coats = (thinRatio: number) => plannedCoats({ ...yellow, thinRatio }, GREY).coats;
    expect(coats(3)).toBeGreaterThan(coats(1));
  });
  test('are what the builder laid of it before, whatever is reckoned', () => {
    expect(plannedCoats(yellow, GREY, [5, 2, 6])).toEqual({ coats: 5, because: '5 by your own log, 3 times' });
  });
  test('of a metal are those of custom, and it says so', () => {
    expect(plannedCoats(paintOf({ id: 'm', kind: 'metallic' }), GREY)).toMatchObject({
      coats: 2,
      because: expect.stringMatching(/custom/),
    });
  });
});

describe('thinning', () => {
  test('is the line’s own where it has one, else that of the chemistry', () => {
    expect(thinningOf(paintOf({ id: 'a', thinRatio: 0.5, thinner: 'Hask thinner' }))).toEqual({
      ratio: 0.5,
      thinner: 'Hask thinner',
    });
    expect(thinningOf(paintOf({ id: 'a', chemistry: 'AL' }))).toEqual({ ratio: 2, thinner: 'lacquer thinner' });
    expect(thinningOf(paintOf({ id: 'a', thinRatio: 0 })).ratio).toBe(0);
  });
});
