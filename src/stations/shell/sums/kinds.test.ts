import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { sumFacts } from '@/core/workshop/sum-facts';
import { SUM_KINDS } from './kinds';

const facts = sumFacts(viewOfDemo().view);

describe('the sums of the drawer', () => {
  test.each(SUM_KINDS.map((kind) => [kind.title, kind] as const))(
    '%s: filled in from the brief it answers at once',
    (_, kind) => {
      const given = kind.given(facts);
      expect(Object.keys(given).sort()).toEqual(kind.fields.map(({ name }) => name).sort());
      const numbers: Record<string, number> = {};
      const chosen: Record<string, string> = {};
      for (const { name, least = 0, choices, isList } of kind.fields) {
        const value = given[name]!;
        if (choices) {
          expect(choices.map(([one]) => one)).toContain(value);
          chosen[name] = String(value);
        } else if (isList) chosen[name] = String(value);
        else {
          expect(value).toBeGreaterThanOrEqual(least);
          numbers[name] = Number(value);
        }
      }
      const { figures, because } = kind.sum(numbers, chosen);
      expect(figures.length).toBeGreaterThan(0);
      expect(because.length).toBeGreaterThan(0);
      expect(JSON.stringify([figures, because])).not.toMatch(/NaN|Infinity|undefined/);
    },
  );
  test('a machine without a propeller is asked for none', () => {
    const propeller = SUM_KINDS.find(({ key }) => key === 'propeller')!;
    expect([propeller.isFor!(facts), propeller.isFor!({ ...facts, propellerMm: 0 })]).toEqual([true, false]);
  });
  test('legs are read as they are typed, and what is no leg is said', () => {
    const legs = SUM_KINDS.find(({ key }) => key === 'legs')!;
    const told = (typed: string) => legs.sum({}, { legs: typed });
    expect(told('0 0 30; 80 -30 30; 80 30 30; 90 0 29,5').figures).toContainEqual([
      'leg 4',
      expect.stringMatching(/^0\.[45]/),
    ]);
    expect(told('0 0 30; 80 x 30; 1 2 3').figures).toEqual([]);
    expect(told('0 0 30; 10 0 30; 20 0 30').because.join()).toMatch(/one line/);
  });
  test('what the brief knows is of the model and not of the real machine', () => {
    expect(facts.spanMm).toBeLessThan(400);
    expect(facts.spanMm * facts.denominator).toBeGreaterThan(5000);
    expect(facts.marking!.realMm / facts.denominator).toBeGreaterThan(1);
  });
  test('cost begins with the paints that are chosen and not in the drawer', () => {
    const { view } = viewOfDemo((state) => {
      state.choices = state.choices.slice(0, 2);
    });
    const priced = (ownedMl: number) =>
      sumFacts({
        ...view,
        calls: view.calls.map((call) => ({
          ...call,
          choice: call.choice && {
            ...call.choice,
            recipe: null,
            paint: { ...call.choice.paint, ownedMl, priceCents: 250 },
          },
        })),
      }).missing;
    expect(priced(0)).toEqual({
      count: new Set(view.calls.flatMap(({ choice }) => choice?.paint.id ?? [])).size,
      priceCents: 250,
    });
    expect(priced(10)).toEqual({ count: 0, priceCents: 0 });
  });
});
