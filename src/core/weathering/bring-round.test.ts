import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { paintOf } from '@tests/support/paints';
import { bringRound } from './bring-round';

const paint = (name: string, lab: Lab, chemistry: 'WA' | 'AL' = 'WA') =>
  paintOf({ id: name, line: 'Invented', number: name, name, lab, chemistry, kind: 'solid' });
const white = paint('white', [95, 0, 1]);
const black = paint('black', [12, 0, 0]);
const buff = paint('buff', [72, 4, 24]);
const blue = paint('blue', [40, -2, -28]);

describe('a colour that came out off', () => {
  test('too dark is brought round with the lighter paint, too light with the darker, too blue with the warm one', () => {
    const called: Lab = [48, -2, 6];
    expect(bringRound(called, [44, -2, 6], [white, black, blue], 'WA')!.paint.name).toBe('white');
    expect(bringRound(called, [54, -2, 6], [white, black], 'WA')!.paint.name).toBe('black');
    expect(bringRound(called, [47, -2, 1], [black, blue, buff], 'WA')!.paint.name).toBe('buff');
  });

  test('what is expected is nearer than what is seen, by the difference that it says', () => {
    const [called, seen]: [Lab, Lab] = [
      [48, -2, 6],
      [44, -3, 3],
    ];
    const round = bringRound(called, seen, [white, black, buff, blue], 'WA')!;
    expect(round.was).toBeCloseTo(deltaE00(called, seen), 9);
    expect(round.now).toBeCloseTo(deltaE00(called, round.lab), 9);
    expect(round.now).toBeLessThan(round.was - 0.5);
    expect(round.passes).toBeGreaterThanOrEqual(1);
    expect(round.percent).toBeLessThanOrEqual(5);
  });

  test('no filter where none helps: what is as called, what lacks light that only black is at hand for, and what would attack it', () => {
    expect(bringRound([48, -2, 6], [48, -2, 6], [white, black], 'WA')).toBeNull();
    expect(bringRound([48, -2, 6], [44, -2, 6], [black], 'WA')).toBeNull();
    // Lacquer wrinkles enamel.
    expect(bringRound([48, -2, 6], [44, -2, 6], [paint('lacquer white', [95, 0, 1], 'AL')], 'EN')).toBeNull();
  });
});
