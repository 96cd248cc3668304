import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { asLate } from './as-late';
import type { PlanProblem } from './problem';
import { schedule } from './schedule';
import { violations } from './validate';

const HOUR = 60;
const window = (day: number, hours = 2) => ({ id: `${day}`, start: day * 1440, end: day * 1440 + hours * HOUR });

const problemOf = (over: Partial<PlanProblem>): PlanProblem => ({
  windows: [window(0), window(1), window(2), window(3)],
  boothWindows: [window(0), window(1), window(2), window(3)],
  steps: [],
  links: [],
  airbrush: null,
  now: 0,
  actuals: [],
  ...over,
});
const step = (id: string, minutes: number, colour: string | null = null) => ({
  id,
  minutes,
  splittable: false,
  colour,
  needsBooth: colour !== null,
});

describe('a mask', () => {
  const problem = problemOf({
    steps: [step('base', 30), step('mask', 20), step('spray', 30)],
    links: [
      { from: 'base', to: 'spray', minLag: 2 * 1440, maxLag: null },
      { from: 'mask', to: 'spray', minLag: 0, maxLag: null },
    ],
  });

  test('is put on right before its spray, in the same session', () => {
    const plan = [
      { id: 'base', segments: [[0, 30]] as [number, number][] },
      { id: 'mask', segments: [[30, 50]] as [number, number][] },
      { id: 'spray', segments: [[2 * 1440 + 40, 2 * 1440 + 70]] as [number, number][] },
    ];
    const [, mask] = asLate(problem, plan, new Set(['mask']));
    expect(mask!.segments).toEqual([[2 * 1440 + 20, 2 * 1440 + 40]]);
  });

  test('goes on in the session before where that of its spray has no room', () => {
    const plan = [
      { id: 'base', segments: [[0, 30]] as [number, number][] },
      { id: 'mask', segments: [[30, 50]] as [number, number][] },
      { id: 'spray', segments: [[3 * 1440, 3 * 1440 + 30]] as [number, number][] },
    ];
    const [, mask] = asLate(problem, plan, new Set(['mask']));
    expect(mask!.segments).toEqual([[2 * 1440 + 100, 2 * 1440 + 120]]);
  });

  test('that is on already stays as it is', () => {
    const done = { ...problem, actuals: [{ id: 'mask', start: 10, end: 30 }] };
    const plan = [
      { id: 'mask', segments: [[10, 30]] as [number, number][] },
      { id: 'spray', segments: [[3 * 1440, 3 * 1440 + 30]] as [number, number][] },
    ];
    expect(asLate(done, plan, new Set(['mask']))[0]).toEqual(plan[0]);
  });
});

test('whatever is moved, the plan stays valid, nothing else moves, and nothing comes sooner', () => {
  const any = fc.record({
    sizes: fc.array(fc.integer({ min: 5, max: 70 }), { minLength: 3, maxLength: 9 }),
    lags: fc.array(fc.integer({ min: 0, max: 2000 }), { minLength: 9, maxLength: 9 }),
    sprayed: fc.array(fc.constantFrom(null, 'a', 'b'), { minLength: 9, maxLength: 9 }),
    late: fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 1, maxLength: 4 }),
  });
  let moves = 0;
  fc.assert(
    fc.property(any, ({ sizes, lags, sprayed, late }) => {
      const problem = problemOf({
        windows: Array.from({ length: 14 }, (_, day) => window(day)),
        boothWindows: Array.from({ length: 14 }, (_, day) => window(day)).filter((_, day) => day % 2 === 0),
        steps: sizes.map((minutes, i) => step(`${i}`, minutes, sprayed[i]!)),
        links: sizes.slice(1).map((_, i) => ({
          from: `${Math.floor(i / 2)}`,
          to: `${i + 1}`,
          minLag: lags[i]!,
          maxLag: null,
        })),
        airbrush: { initial: 'clean', resetEachWindow: true, cleanOut: { a: { b: 8 }, b: { a: 6 } } },
      });
      const found = schedule(problem, (finish) => [finish], 0);
      if (!found.feasible) return;
      const ids = new Set(late.map(String));
      const moved = asLate(problem, found.steps, ids);
      expect(violations(problem, moved)).toEqual([]);
      for (const [i, { id, segments }] of moved.entries()) {
        const was = found.steps[i]!;
        if (!ids.has(id)) expect(segments).toEqual(was.segments);
        expect(segments[0]![0]).toBeGreaterThanOrEqual(was.segments[0]![0]);
        if (segments[0]![0] > was.segments[0]![0]) moves += 1;
      }
    }),
    { seed: 5, numRuns: 60 },
  );
  expect(moves).toBeGreaterThan(5);
});
