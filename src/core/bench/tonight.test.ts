import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { NOW, shelfOfDemo, stateOfDemo, viewOfDemo, workedUntil } from '@tests/support/demo-brief';
import { deriveBrief } from '@/core/derive/derive';
import type { BenchCard } from './cards';
import { STEP_LORE } from './step-lore';
import { packEvening } from './packed-evening';
import { fetchFor } from './to-fetch';
import { tonightOf } from './tonight';

const { view } = viewOfDemo();
const [some] = tonightOf(view).cards;
const card = (key: string, minutes: number, over: Partial<BenchCard> = {}): BenchCard => ({
  ...some!,
  key,
  title: `Do ${key}`,
  minutes,
  splittable: false,
  needs: [],
  readyIn: 0,
  ...over,
});
const after = (key: string, wait = 0) => ({ needs: [{ key, wait }] });
const said = (cards: BenchCard[], spare: BenchCard[], minutes: number) => {
  const { pieces, carried } = packEvening({ cards, spare }, minutes);
  return {
    pieces: pieces.map((piece) => `${piece.from}-${piece.to} ${piece.kind === 'gap' ? 'gap' : piece.card.key}`),
    carried: carried.map(({ key }) => key),
  };
};

describe('an evening, packed', () => {
  test('is filled in the planned order; what does not fit is carried over', () => {
    expect(said([card('a', 40), card('b', 30), card('c', 50)], [], 100)).toEqual({
      pieces: ['0-40 a', '40-70 b'],
      carried: ['c'],
    });
  });
  test('while something dries, other work is done; where nothing fits, it says so', () => {
    const planned = [card('wash', 10), card('wipe', 10, after('wash', 30))];
    expect(said(planned, [], 120).pieces).toEqual(['0-10 wash', '10-40 gap', '40-50 wipe']);
    expect(said(planned, [card('sand', 25)], 120).pieces).toEqual(['0-10 wash', '10-35 sand', '40-50 wipe']);
  });
  test('spare work never makes planned work late', () => {
    const { pieces } = said([card('wash', 10), card('wipe', 10, after('wash', 30))], [card('long', 60)], 60);
    expect(pieces).toEqual(['0-10 wash', '10-40 gap', '40-50 wipe']);
  });
  test('a long step that may be split is begun', () => {
    expect(said([card('mask', 90, { splittable: true })], [], 60).pieces).toEqual(['0-60 mask']);
    expect(said([card('mask', 90)], [], 60)).toEqual({ pieces: [], carried: ['mask'] });
  });
  test('what was laid before has to be dry first', () => {
    expect(said([card('a', 10, { readyIn: 45 }), card('b', 20)], [], 90).pieces).toEqual([
      '0-20 b',
      '20-45 gap',
      '45-55 a',
    ]);
  });
  const evenings = fc
    .array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 60 }),
        need: fc.nat(12),
        wait: fc.integer({ min: 0, max: 50 }),
        ready: fc.integer({ min: 0, max: 60 }),
        spare: fc.boolean(),
        splittable: fc.boolean(),
      }),
      { maxLength: 12 },
    )
    .map((all) =>
      all.map(({ minutes, need, wait, ready, spare, splittable }, i) => ({
        spare,
        card: card(`s${i}`, minutes, {
          splittable,
          readyIn: ready,
          needs: need < i ? [{ key: `s${need}`, wait }] : [],
        }),
      })),
    );
  test('holds every wait, does nothing twice and nothing beyond its minutes, and loses no planned step', () => {
    fc.assert(
      fc.property(evenings, fc.integer({ min: 1, max: 300 }), (all, minutes) => {
        const cards = all.flatMap((one) => (one.spare ? [] : [one.card]));
        const spare = all.flatMap((one) => (one.spare ? [one.card] : []));
        const { pieces, carried } = packEvening({ cards, spare }, minutes);
        const ends = new Map<string, number>();
        let now = 0;
        for (const piece of pieces) {
          expect(piece.from).toBeGreaterThanOrEqual(now);
          expect(piece.to).toBeLessThanOrEqual(minutes);
          now = piece.to;
          if (piece.kind === 'gap') continue;
          expect(piece.from).toBeGreaterThanOrEqual(piece.card.readyIn);
          for (const { key, wait } of piece.card.needs)
            expect(piece.from).toBeGreaterThanOrEqual(ends.get(key)! + wait);
          expect(ends.has(piece.card.key)).toBe(false);
          ends.set(piece.card.key, piece.to);
        }
        const worked = cards.filter(({ key }) => ends.has(key)).length;
        expect(worked + carried.length).toBe(cards.length);
      }),
    );
  });
});

describe('tonight in the demo', () => {
  const shelf = shelfOfDemo();
  const state = stateOfDemo(shelf);
  const at = (until: string) => deriveBrief(workedUntil(state, view, until), shelf, { nowUtc: NOW, effort: 0 });
  test('a spray has its drops, enough for coats and losses, in the ratio of its paint', () => {
    const sprays = ['prime', 'gate:colour', 'gloss']
      .flatMap((until) => tonightOf(at(until)).cards)
      .filter(({ cup }) => cup);
    expect(sprays.length).toBeGreaterThan(1);
    for (const { cup, logged, paint } of sprays) {
      const drops = cup!.parts.reduce((sum, part) => sum + part.drops, 0);
      expect(drops).toBeGreaterThan(0);
      if (logged.mixed) expect(cup!.thinnerDrops / drops).toBeCloseTo(logged.mixed.thinner, 1);
      expect(paint!.neededMl!).toBeCloseTo((drops * cup!.fillings) / 20, 6);
    }
  });
  test('a wash has a window that opens and closes, and belongs to the wipe behind it', () => {
    const cards = tonightOf(at('seal')).cards;
    const wash = cards.find(({ kind }) => kind === 'washcoat')!;
    const window = wash.timers.find(({ closes }) => closes !== null)!;
    expect(window.waits).toMatch(/^wipe/);
    expect(window.opens).toBeLessThan(window.closes!);
  });
  test('work that nothing stands before is offered beside what is planned, never twice, never a gate', () => {
    for (const until of ['options', 'prime', 'gloss']) {
      const { cards, spare } = tonightOf(at(until));
      const keys = [...cards, ...spare].map(({ key }) => key);
      expect(new Set(keys).size).toBe(keys.length);
      expect(spare.every(({ gate }) => gate === null)).toBe(true);
    }
  });
  test('what to fetch: each paint once with what it takes, and what protects from it', () => {
    const fetched = fetchFor(tonightOf(at('gate:colour')).cards);
    expect(new Set(fetched.paints.map(({ label }) => label)).size).toBe(fetched.paints.length);
    expect(fetched.protection).toContain('dust mask');
    expect(fetchFor([]).protection).toEqual([]);
  });
});

test('every kind of work says what to look for, what goes wrong and how it is met', () => {
  for (const lore of Object.values(STEP_LORE)) {
    expect([lore.look, lore.failure, lore.cure].every((text) => text.length > 5)).toBe(true);
  }
});
