import { describe, expect, test } from '@jest/globals';
import { bottleOf, paintOf } from '@tests/support/paints';
import { bottlesFor, CurrencyFault, planBuying, type Shop } from './buying';
import { paintNeeds, SPARE_SHARE } from './needs';

const shop = (id: string, prices: Record<string, [cents: number, stock: number]>, more: Partial<Shop> = {}): Shop => ({
  id,
  name: id,
  currency: 'EUR',
  postageCents: 400,
  freeFromCents: null,
  offers: Object.entries(prices).map(([paintId, [priceCents, stock]]) => ({
    paintId,
    priceCents,
    stock,
    restockOn: null,
  })),
  ...more,
});
const want = (...list: [string, number][]) => list.map(([paintId, bottles]) => ({ paintId, bottles }));

/** Every way to buy, written out. */
function cheapest(wanted: { paintId: string; bottles: number }[], shops: Shop[]): number {
  const units = wanted.flatMap(({ paintId, bottles }) => Array.from({ length: bottles }, () => paintId));
  let best = Infinity;
  const go = (i: number, picked: number[]) => {
    if (i === units.length) {
      let total = 0;
      shops.forEach((one, s) => {
        const mine = units.filter((_, u) => picked[u] === s);
        for (const id of new Set(mine))
          if (mine.filter((other) => other === id).length > one.offers.find(({ paintId }) => paintId === id)!.stock)
            total = Infinity;
        const goods = mine.reduce((sum, id) => sum + one.offers.find(({ paintId }) => paintId === id)!.priceCents, 0);
        total += goods;
        if (mine.length > 0 && !(one.freeFromCents !== null && goods >= one.freeFromCents)) total += one.postageCents;
      });
      best = Math.min(best, total);
      return;
    }
    shops.forEach((one, s) => {
      if (one.offers.some(({ paintId, stock }) => paintId === units[i] && stock > 0)) go(i + 1, [...picked, s]);
    });
  };
  go(0, []);
  return best;
}

describe('the cheapest way to buy', () => {
  test('one parcel beats two cheaper bottles with two postages', () => {
    const shops = [
      shop('north', { a: [300, 5], b: [300, 5] }),
      shop('south', { a: [250, 5] }),
      shop('east', { b: [250, 5] }),
    ];
    const plan = planBuying(want(['a', 1], ['b', 1]), shops, 'EUR');
    expect(plan).toMatchObject({ totalCents: 1000, proven: true, lacking: [] });
    expect(plan.parcels.map(({ shopId }) => shopId)).toEqual(['north']);
  });
  test('free sending can make the dearer shop the cheaper one', () => {
    const shops = [shop('dear', { a: [1050, 9] }, { freeFromCents: 2000 }), shop('cheap', { a: [900, 9] })];
    expect(planBuying(want(['a', 2]), shops, 'EUR')).toMatchObject({
      totalCents: 2100,
      parcels: [{ shopId: 'dear', postageCents: 0 }],
    });
  });
  test('stock that is too small is split, and what nobody has is named while the rest is bought', () => {
    const shops = [shop('one', { a: [300, 1] }), shop('two', { a: [320, 1], b: [200, 0] })];
    const plan = planBuying(want(['a', 3], ['b', 1]), shops, 'EUR');
    expect(plan.parcels).toHaveLength(2);
    expect(plan.lacking).toEqual(want(['a', 1], ['b', 1]));
  });
  test('nothing to buy costs nothing', () => {
    expect(planBuying([], [shop('one', {})], 'EUR')).toMatchObject({ totalCents: 0, parcels: [], lacking: [] });
    expect(planBuying(want(['a', 1]), [], 'EUR').lacking).toEqual(want(['a', 1]));
  });
  test('is what trying every way finds, on random offers', () => {
    let state = 11;
    const next = () => (state = (state * 16807) % 2147483647) / 2147483647;
    for (let round = 0; round < 40; round += 1) {
      const ids = ['a', 'b', 'c', 'd'];
      const shops = ['x', 'y', 'z'].map((id) =>
        shop(
          id,
          Object.fromEntries(
            ids
              .filter(() => next() < 0.75)
              .map((paint) => [paint, [100 + Math.floor(next() * 400), 1 + Math.floor(next() * 3)]]),
          ),
          {
            postageCents: 100 + Math.floor(next() * 500),
            freeFromCents: next() < 0.6 ? 400 + Math.floor(next() * 900) : null,
          },
        ),
      );
      const wanted = want(...ids.map((id): [string, number] => [id, 1 + Math.floor(next() * 2)]));
      const plan = planBuying(wanted, shops, 'EUR');
      const had = wanted.map(({ paintId, bottles }) => ({
        paintId,
        bottles: bottles - (plan.lacking.find((item) => item.paintId === paintId)?.bottles ?? 0),
      }));
      expect(plan.proven).toBe(true);
      expect(plan.totalCents).toBe(cheapest(had, shops));
      expect(plan.totalCents).toBe(
        plan.parcels.reduce((sum, parcel) => sum + parcel.goodsCents + parcel.postageCents, 0),
      );
    }
  });
  test('prices in two currencies are not added up without a rate', () => {
    const shops = [
      shop('home', { a: [300, 1] }),
      shop('abroad', { a: [2000, 5] }, { currency: 'SEK', postageCents: 3000 }),
    ];
    expect(() => planBuying(want(['a', 1]), shops, 'EUR')).toThrow(CurrencyFault);
    expect(() => planBuying(want(['a', 1]), shops, 'EUR')).toThrow(/Say what 1 SEK is in EUR/);
    expect(planBuying(want(['a', 2]), shops, 'EUR', { SEK: 0.09 }).totalCents).toBe(2 * 180 + 270);
  });
});

describe('what is missing', () => {
  const today = '2026-11-23';
  const full = paintOf({ id: 'full', bottles: [bottleOf({ mlLeft: 12 })], ownedMl: 12 });
  const spoilt = paintOf({ id: 'spoilt', bottles: [bottleOf({ mlLeft: 12, condition: 'dried up' })], ownedMl: 12 });
  const none = paintOf({ id: 'none', sizeMl: 10 });
  test('calls that share a paint are added up, a recipe by its drops, with a reserve', () => {
    const needs = paintNeeds(
      [
        { code: 'A 1', paintMl: 4, parts: [{ paintId: 'none', drops: 1 }] },
        {
          code: 'A 2',
          paintMl: 8,
          parts: [
            { paintId: 'none', drops: 3 },
            { paintId: 'full', drops: 1 },
          ],
        },
      ],
      [full, none],
      today,
    );
    expect(needs[0]).toMatchObject({ paint: none, codes: ['A 1', 'A 2'], bottles: 2 });
    expect(needs[0]!.neededMl).toBeCloseTo(10 * (1 + SPARE_SHARE), 9);
    expect(needs[1]).toMatchObject({ paint: full, bottles: 0, missingMl: 0 });
  });
  test('a spoilt bottle cannot be counted on', () => {
    expect(
      paintNeeds([{ code: 'A 1', paintMl: 1, parts: [{ paintId: 'spoilt', drops: 1 }] }], [spoilt], today)[0],
    ).toMatchObject({ haveMl: 0, bottles: 1 });
  });
  test('bottles are whole', () => {
    expect(bottlesFor(0, 17)).toBe(0);
    expect(bottlesFor(17, 17)).toBe(1);
    expect(bottlesFor(17.1, 17)).toBe(2);
  });
});
