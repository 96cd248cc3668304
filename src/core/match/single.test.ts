import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import type { Paint } from '@/core/paint/catalogue';
import { paintOf } from '@tests/support/paints';
import { bestOfEach, bestToTake, claimInWords, compareNeighbours, matchSingle, type Target } from './single';

const paint = (id: string, lab: Lab | null, over: Partial<Paint> = {}): Paint =>
  paintOf({ id, number: id, lab, ...over });
const target: Target = { lab: [40, -8, 12], sd: 0.5, code: 'TCS 31', finish: 'matt', kind: 'solid' };

describe('the nearest paints', () => {
  test('the drawer comes first even when the shop has a nearer one', () => {
    const found = matchSingle(target, [
      paint('shop', [40, -8, 12]),
      paint('mine', [43, -8, 12], { ownedMl: 4 }),
      paint('mine too', [41, -8, 12], { ownedMl: 1 }),
    ]);
    expect(found.map((m) => m.paint.id)).toEqual(['mine too', 'mine', 'shop']);
    expect(found[2]!.dE00).toBe(0);
    expect(found[2]!.says).toBe("can't tell apart");
  });
  test('metallics, clears and paints without colour data are not matched to a solid', () => {
    expect(matchSingle(target, [paint('silver', [40, -8, 12], { kind: 'metallic' }), paint('unknown', null)])).toEqual(
      [],
    );
  });
  test('an empty catalogue gives nothing, and says so by an empty list', () => {
    expect(matchSingle(target, [])).toEqual([]);
  });
  test('a claim is shown with how far it is really off; a wrong finish gets a clear', () => {
    const [m] = matchSingle(target, [paint('claimed', [48, -8, 12], { claims: ['TCS 31'], finish: 'gloss' })]);
    expect(m!.claimed).toBe(true);
    expect(m!.dE00).toBeGreaterThan(6);
    expect(m!.finishAdvice).toBe('gloss: a matt clear over it');
  });
});

test('two colours that merge after substitution are named', () => {
  const [pair] = compareNeighbours([
    { code: 'a', official: [40, 0, 0], chosen: [42, 0, 0] },
    { code: 'b', official: [46, 0, 0], chosen: [43, 0, 0] },
  ]);
  expect(pair!.officialDE).toBeGreaterThan(5);
  expect(pair!.says).toBe('these two will hardly show apart');
});

describe('single match, told apart', () => {
  const silver = {
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
    const found = matchSingle(silver, [
      metal('wrong', { ground: 'grey', flop: 'low' }),
      metal('right', { ground: 'gloss black', flop: 'high', lab: [70, 0, 0] }),
      metal('unknown', {}),
    ]);
    expect(found.map(({ paint }) => paint.id)).toEqual(['right', 'unknown', 'wrong']);
    expect(found[2]!.says).toMatch(/meant for grey, wanted over gloss black; it darkens aslant: low, not high/);
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

describe('the best that is owned, and the best to be had', () => {
  const found = matchSingle(target, [
    paint('mine', [43, -8, 12], { ownedMl: 4 }),
    paint('nearest', [40.2, -8, 12]),
    paint('claims', [40.5, -8, 12], { claims: ['TCS 31'] }),
    paint('claims, far off', [60, -8, 12], { claims: ['TCS 31'] }),
  ]);
  test('are named apart; where no eye tells two apart, the one that claims the code', () => {
    const { owned, toBeHad } = bestOfEach(found);
    expect([owned!.paint.id, toBeHad!.paint.id]).toEqual(['mine', 'claims']);
    expect(claimInWords(toBeHad!, 'TCS 31')).toBe('claims TCS 31, and cannot be told apart from it');
    const far = found.find(({ paint: { id } }) => id === 'claims, far off')!;
    expect(claimInWords(far, 'TCS 31')).toMatch(/^claims TCS 31, but is \d+\.\d off$/);
  });
  test('what is owned is taken while it is no more than a shade off', () => {
    expect(bestToTake(found)!.paint.id).toBe('mine');
    const poor = matchSingle(target, [paint('mine', [55, -8, 12], { ownedMl: 4 }), paint('shop', [40.2, -8, 12])]);
    expect(bestToTake(poor)!.paint.id).toBe('shop');
    expect(bestToTake([])).toBeNull();
  });
});
