import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import { pigmentOf } from '@/core/paint/pigment';
import { paintOf } from '@tests/support/paints';
import { searchTogether, type TogetherQuestion } from './search';
import { chooseScheme, type SchemeCandidate } from '@/core/match/scheme';
import { recipeCandidates } from '@/core/match/scheme-recipes';
import { matchSingle } from '@/core/match/single';

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

describe('single match, told apart', () => {
  const target = {
    lab: [76, 0, 0] as Lab,
    sd: 0.5,
    code: 'A 3',
    finish: 'satin' as const,
    kind: 'metallic' as const,
    ground: 'gloss black' as const,
    flop: 'high' as const,
  };
  const metal = (id: string, more: object) =>
    paintOf({ id, kind: 'metallic', finish: 'satin', lab: [76, 0, 0], ...more });
  test('a metallic is matched by ground and flop before lightness', () => {
    const found = matchSingle(target, [
      metal('wrong', { ground: 'grey', flop: 'low' }),
      metal('right', { ground: 'gloss black', flop: 'high', lab: [70, 0, 0] }),
      metal('unknown', {}),
    ]);
    expect(found.map(({ paint }) => paint.id)).toEqual(['right', 'unknown', 'wrong']);
    expect(found[2]!.says).toMatch(/meant for grey, wanted over gloss black; its flop is low, not high/);
  });
  test('drawer first, then claims with how far they are off, then the nearest', () => {
    const solid = { lab: [50, 0, 0] as Lab, sd: 0, code: 'A 1', finish: 'matt' as const, kind: 'solid' as const };
    const found = matchSingle(solid, [
      paintOf({ id: 'near', lab: [50.2, 0, 0] }),
      paintOf({ id: 'claims', lab: [58, 0, 0], claims: ['A 1'] }),
      paintOf({ id: 'owned', lab: [62, 0, 0], ownedMl: 5 }),
    ]);
    expect(found.map(({ paint }) => paint.id)).toEqual(['owned', 'claims', 'near']);
    expect(found[1]).toMatchObject({ claimed: true });
    expect(found[1]!.dE00).toBeGreaterThan(7);
  });
  test('filters: line, chemistry, finish, and a price that what is owned need not keep to', () => {
    const paints = [
      paintOf({ id: 'a', line: 'Quoin', chemistry: 'AL', priceCents: 900, ownedMl: 3 }),
      paintOf({ id: 'b', priceCents: 900 }),
      paintOf({ id: 'c', finish: 'gloss', priceCents: 100 }),
      paintOf({ id: 'd', line: 'Abroad', priceCents: 400, currency: 'SEK' }),
    ];
    const ids = (filter: object) =>
      matchSingle({ lab: [50, 0, 0], sd: 0, code: '', finish: 'matt', kind: 'solid' }, paints, 9, filter).map(
        ({ paint }) => paint.id,
      );
    expect(ids({ line: 'Quoin' })).toEqual(['a']);
    expect(ids({ chemistry: 'WA' })).toEqual(['b', 'c', 'd']);
    expect(ids({ finish: 'gloss' })).toEqual(['c']);
    expect(ids({ price: { mostCents: 500, currency: 'EUR' } })).toEqual(['a', 'c']);
    expect(ids({ price: { mostCents: 500, currency: 'SEK' } })).toEqual(['a', 'd']);
  });
});
