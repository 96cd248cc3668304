import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { PlanLink, PlanProblem, PlanStep } from './problem';
import { schedule, type Aims } from './schedule';

/**
 * Against exhaustive search on networks small enough for it. Every order of the steps is tried, each placed at its earliest
 * time after the one before; without greatest waits some order of that kind is always an optimum for one person.
 */
function bestFinish(problem: PlanProblem): number {
  const { steps, links, windows } = problem;
  let best = Infinity;
  const place = (placed: Map<string, [number, number]>, free: number, left: readonly PlanStep[]) => {
    if (free >= best) return;
    if (left.length === 0) {
      best = Math.min(best, free);
      return;
    }
    for (const step of left) {
      const before = links.filter((link) => link.to === step.id);
      if (before.some((link) => !placed.has(link.from))) continue;
      const from = Math.max(free, ...before.map((link) => placed.get(link.from)![1] + link.minLag));
      const window = windows.find((w) => Math.max(w.start, from) + step.minutes <= w.end);
      if (!window) continue;
      const start = Math.max(window.start, from);
      const end = start + step.minutes;
      place(
        new Map(placed).set(step.id, [start, end]),
        end,
        left.filter((other) => other !== step),
      );
    }
  };
  place(new Map(), 0, steps);
  return best;
}

const byMinute: Aims = (finish, loads, sessions) => [finish, loads, sessions];

const small: fc.Arbitrary<PlanProblem> = fc
  .record({
    minutes: fc.array(fc.integer({ min: 5, max: 50 }), { minLength: 2, maxLength: 6 }),
    waits: fc.array(fc.record({ from: fc.nat(5), to: fc.nat(5), lag: fc.constantFrom(0, 10, 60, 700) }), {
      maxLength: 6,
    }),
  })
  .map(({ minutes, waits }) => {
    const steps = minutes.map((m, i): PlanStep => ({
      id: `s${i}`,
      minutes: m,
      splittable: false,
      colour: null,
      needsBooth: false,
    }));
    const links = waits.flatMap(({ from, to, lag }): PlanLink[] =>
      from < to && to < steps.length ? [{ from: `s${from}`, to: `s${to}`, minLag: lag, maxLag: null }] : [],
    );
    const windows = Array.from({ length: 8 }, (_, i) => ({ id: `w${i}`, start: i * 1440, end: i * 1440 + 90 }));
    return { windows, boothWindows: [], steps, links, airbrush: null, now: null, actuals: [] };
  });

describe('small networks', () => {
  test('the plan is never better than the optimum, its bound never beyond it', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const plan = schedule(problem, byMinute, 600);
        if (!plan.feasible) throw new Error('always feasible');
        const optimum = bestFinish(problem);
        expect(plan.finish).toBeGreaterThanOrEqual(optimum);
        expect(plan.lowerBound).toBeLessThanOrEqual(optimum);
      }),
      { numRuns: 60 },
    );
  });

  test('and mostly is the optimum: at least nine of ten on these', () => {
    const cases = fc.sample(small, { numRuns: 60, seed: 417 });
    const hits = cases.filter((problem) => {
      const plan = schedule(problem, byMinute, 900);
      return plan.feasible && plan.finish === bestFinish(problem);
    });
    expect(hits.length).toBeGreaterThanOrEqual(54);
  });
});
