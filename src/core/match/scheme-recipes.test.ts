import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import { pigmentOf } from '@/core/paint/pigment';
import { chooseScheme, type SchemeCandidate } from './scheme';
import { recipeCandidates } from './scheme-recipes';

const candidate = (id: string, lab: Lab, more: Partial<SchemeCandidate> = {}): SchemeCandidate => ({
  id,
  lab,
  line: 'Hask',
  chemistry: 'WA',
  owned: true,
  ...more,
});
const calls = [
  { id: 'one', lab: [50, 0, 0] as Lab, weight: 1 },
  { id: 'two', lab: [60, 0, 0] as Lab, weight: 1 },
];

describe('mixtures in a scheme', () => {
  test('two mixtures that share a bottle to buy pay for it once', () => {
    const parts = [
      { id: 'white', line: 'Hask', owned: false },
      { id: 'black', line: 'Hask', owned: true },
    ];
    const mixes = [
      candidate('m1', [50, 0, 0], { parts, owned: false, only: ['one'] }),
      candidate('m2', [60, 0, 0], { parts, owned: false, only: ['two'] }),
    ];
    const { best } = chooseScheme(calls, [], mixes, { perBottle: 5, perLine: 0 });
    expect(best!.choice).toEqual({ one: 'm1', two: 'm2' });
    expect(best!.F).toBeCloseTo(5, 9);
  });
  test('a candidate serves only the calls that it may', () => {
    const { best } = chooseScheme(
      calls,
      [],
      [candidate('metal', [50, 0, 0], { only: ['two'] }), candidate('solid', [40, 0, 0])],
      { perLine: 0 },
    );
    expect(best!.choice.one).toBe('solid');
  });
  test('the mixtures of a call are made of its paints, two or more', () => {
    const paints = (['white', 'black'] as const).map((id) => ({
      id,
      pigment: pigmentOf({ colour: id === 'white' ? [95, 0, 1] : [15, 0, 0], opacity: 'opaque' }).pigment,
      sd: 1,
      chemistry: 'WA',
      line: 'Hask',
      owned: id === 'black',
    }));
    const found = recipeCandidates([calls[0]!], paints, { effort: 10_000, top: 4 });
    expect(found.length).toBeGreaterThan(0);
    for (const { candidate: made } of found) {
      expect(made.only).toEqual(['one']);
      expect(made.parts!.map(({ id }) => id).sort()).toEqual(['black', 'white']);
    }
  });
});
