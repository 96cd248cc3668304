import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import { everyChoice, valueOf } from '@tests/support/scheme';
import {
  chooseScheme,
  SCHEME_DEFAULTS,
  type SchemeCall,
  type SchemeCandidate,
  type SchemeEdge,
  type SchemeOptions,
} from './scheme';

let state = 3;
const next = () => (state = (state * 16807) % 2147483647) / 2147483647;
const anyLab = (): Lab => [20 + 65 * next(), -20 + 40 * next(), -15 + 45 * next()];
const paints = (count: number): SchemeCandidate[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `p${String(i).padStart(2, '0')}`,
    lab: anyLab(),
    line: `line ${i % 3}`,
    chemistry: i % 2 ? 'WA' : 'AL',
    owned: i % 4 === 0,
  }));
const calls = (count: number): SchemeCall[] =>
  Array.from({ length: count }, (_, i) => ({ id: `c${i}`, lab: anyLab(), weight: 1 + (i % 2) }));
const allAdjacent = (list: readonly SchemeCall[]): SchemeEdge[] =>
  list.flatMap((a, i) => list.slice(i + 1).map((b) => ({ a: a.id, b: b.id, weight: 1 })));

describe('all colours of a scheme together', () => {
  test.each([0, 1, 3])('is the best there is, lambda %s', (lambda) => {
    for (let round = 0; round < 3; round += 1) {
      const [list, from] = [calls(4), paints(12)];
      const edges = allAdjacent(list);
      const options = { ...SCHEME_DEFAULTS, lambda };
      const found = chooseScheme(list, edges, from, options);
      expect(found.proven).toBe(true);
      expect(found.gap).toBe(0);
      expect(found.best!.F).toBeCloseTo(everyChoice(list, edges, from, options), 9);
      const picked = list.map((call) => from.find((paint) => paint.id === found.best!.choice[call.id])!);
      expect(found.best!.F).toBeCloseTo(valueOf(list, edges, picked, options), 9);
    }
  });
  test.each<[string, Partial<SchemeOptions>]>([
    ['one line', { maxLines: 1 }],
    ['one chemistry', { sameChemistry: true }],
    ['dear bottles', { perBottle: 20 }],
    ['dear lines', { perLine: 30 }],
  ])('keeps to %s, and is the best of those', (_, more) => {
    const [list, from] = [calls(3), paints(14)];
    const edges = allAdjacent(list);
    const options = { ...SCHEME_DEFAULTS, ...more };
    const found = chooseScheme(list, edges, from, options);
    expect(found.best!.F).toBeCloseTo(everyChoice(list, edges, from, options), 9);
  });
  test('eight colours all adjacent, of a hundred paints: alternatives are worse, in order, and different', () => {
    const list = calls(8);
    const found = chooseScheme(list, allAdjacent(list), paints(100));
    const all = [found.best!, ...found.alternatives];
    expect(all.map((choice) => choice.F)).toEqual(all.map((choice) => choice.F).sort((a, b) => a - b));
    expect(new Set(all.map((choice) => JSON.stringify(choice.choice))).size).toBe(all.length);
  });
  test('two greys that nearly merge stay as near: the pair off by the same is preferred to one exact and one off', () => {
    const greys: SchemeCall[] = [
      { id: 'dark', lab: [50, 0, 0], weight: 1 },
      { id: 'light', lab: [54, 0, 0], weight: 1 },
    ];
    const grey = (id: string, L: number): SchemeCandidate => ({
      id,
      lab: [L, 0, 0],
      line: 'l',
      chemistry: 'WA',
      owned: true,
    });
    const from = [
      grey('exact dark', 50),
      grey('both lighter 1', 52.5),
      grey('both lighter 2', 56.5),
      grey('light as dark', 51),
    ];
    const apart = chooseScheme(greys, [{ a: 'dark', b: 'light', weight: 1 }], from, { lambda: 3 });
    expect(apart.best!.choice).toEqual({ dark: 'both lighter 1', light: 'both lighter 2' });
    const alone = chooseScheme(greys, [], from, { lambda: 3 });
    expect(alone.best!.choice.dark).toBe('exact dark');
  });
  test('where nothing keeps to the constraints there is no choice; cut short, it is not called proven', () => {
    const list = calls(2);
    const far = [{ id: 'a', lab: [50, 0, 0] as Lab, line: 'x', chemistry: 'WA', owned: true }];
    expect(chooseScheme(list, [], [], {}).best).toBeNull();
    expect(chooseScheme(list, [], far, {}).best).not.toBeNull();
    const many = calls(6);
    const cut = chooseScheme(many, allAdjacent(many), paints(60), { effort: 40 });
    expect(cut.proven).toBe(false);
    expect(cut.gap).toBeGreaterThan(0);
  });
});
