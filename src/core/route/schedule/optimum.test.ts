import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { PlanLink, PlanProblem, PlanStep } from './problem';
import { schedule, type Aims, type Plan } from './schedule';
import { violations } from './validate';

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
        const plan = schedule(problem, byMinute, 2000);
        if (!plan.feasible) throw new Error('always feasible');
        const optimum = bestFinish(problem);
        expect(plan.finish).toBeGreaterThanOrEqual(optimum);
        expect(plan.lowerBound).toBeLessThanOrEqual(optimum);
      }),
      { numRuns: 30 },
    );
  });

  test('and is the optimum on all of these; where the bound meets it, that is proven', () => {
    const cases = fc.sample(small, { numRuns: 40, seed: 417 });
    const plans = cases.map((problem) => ({ plan: schedule(problem, byMinute, 4000), best: bestFinish(problem) }));
    expect(plans.filter(({ plan, best }) => !plan.feasible || plan.finish !== best)).toEqual([]);
    const proven = plans.filter(({ plan }) => plan.feasible && plan.lowerBound === plan.finish);
    expect(proven.length).toBeGreaterThanOrEqual(28);
  });
});

/** Sprays in a few colours, wet pairs, two lanes, over sessions of two lengths. */
const realistic: fc.Arbitrary<PlanProblem> = fc
  .record({
    steps: fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 11 }).map((n) => 5 * n),
        colour: fc.constantFrom(null, null, null, 'a', 'b', 'c'),
        splittable: fc.boolean(),
        lag: fc.constantFrom(0, 30, 240, 1440),
        wet: fc.integer({ min: 0, max: 9 }).map((n) => n === 0),
        lane: fc.nat(1),
      }),
      { minLength: 3, maxLength: 22 },
    ),
    resets: fc.boolean(),
  })
  .map(({ steps: drawn, resets }) => {
    const steps = drawn.map(({ minutes, colour, splittable }, i): PlanStep => ({
      id: `s${i}`,
      minutes,
      splittable: splittable && colour === null,
      colour,
      needsBooth: colour !== null,
    }));
    const links: PlanLink[] = [];
    const last: (number | undefined)[] = [];
    drawn.forEach(({ lane, lag, wet }, i) => {
      const before = last[lane];
      if (before !== undefined)
        links.push({ from: `s${before}`, to: `s${i}`, minLag: wet ? 15 : lag, maxLag: wet ? 60 : null });
      last[lane] = i;
    });
    const windows = Array.from({ length: 60 }, (_, i) => ({
      id: `w${i}`,
      start: i * 1440 + 1140,
      end: i * 1440 + (i % 3 === 0 ? 1320 : 1230),
    }));
    return {
      windows,
      boothWindows: windows.filter((_, i) => i % 2 === 0),
      steps,
      links,
      airbrush: {
        initial: 'clean',
        resetEachWindow: resets,
        cleanOut: { clean: { a: 3, b: 3, c: 3 }, a: { b: 8, c: 6 }, b: { a: 12, c: 6 }, c: { a: 8, b: 8 } },
      },
      now: null,
      actuals: [],
    };
  });

describe('networks like those of a build', () => {
  const byDay: Aims = (finish, loads, sessions) => [Math.floor(finish / 1440), loads, sessions];
  const isNoWorse = (a: readonly number[], b: readonly number[]) => {
    const at = a.findIndex((value, i) => value !== b[i]);
    return at < 0 || a[at]! < b[at]!;
  };
  test('every plan keeps every rule, ends no sooner than its bound, and more effort never makes it worse', () => {
    fc.assert(
      fc.property(realistic, (problem) => {
        const [little, much] = [0, 6000].map((effort) => schedule(problem, byDay, effort));
        if (!little!.feasible || !much!.feasible) return !little!.feasible || much!.feasible;
        for (const plan of [little!, much!]) {
          expect(violations(problem, plan.steps)).toEqual([]);
          expect(plan.lowerBound).toBeLessThanOrEqual(plan.finish);
        }
        const score = ({ finish, loads, sessions }: Plan) => byDay(finish, loads, sessions);
        expect(isNoWorse(score(much!), score(little!))).toBe(true);
        // What one plan reaches, no bound of the same problem may forbid.
        expect(much!.lowerBound).toBeLessThanOrEqual(little!.finish);
        return true;
      }),
      { numRuns: 16 },
    );
  });
  test('sprays of one colour come together where nothing stands against it', () => {
    const given: PlanProblem = {
      windows: [{ id: 'w', start: 0, end: 400 }],
      boothWindows: [{ start: 0, end: 400 }],
      steps: ['a', 'b', 'a', 'b', 'a', 'b'].map((colour, i): PlanStep => ({
        id: `s${i}`,
        minutes: 20,
        splittable: false,
        colour,
        needsBooth: true,
      })),
      links: [],
      airbrush: {
        initial: 'clean',
        resetEachWindow: false,
        cleanOut: { clean: { a: 3, b: 3 }, a: { b: 8 }, b: { a: 12 } },
      },
      now: null,
      actuals: [],
    };
    const plan = schedule(given, byDay, 4000);
    expect(plan.feasible && plan.loads).toBe(2);
  });
  test('work that fills one evening is not spread over two where the date is held by something else', () => {
    const evening = (i: number) => ({ id: `w${i}`, start: i * 1440, end: i * 1440 + 120 });
    const plain = { splittable: false, colour: null, needsBooth: false };
    const given: PlanProblem = {
      windows: [evening(0), evening(1), evening(2)],
      boothWindows: [],
      steps: [
        { id: 'first', minutes: 20, ...plain },
        { id: 'last', minutes: 20, ...plain },
        { id: 'filler', minutes: 30, ...plain },
        { id: 'filler 2', minutes: 80, ...plain },
      ],
      links: [{ from: 'first', to: 'last', minLag: 2800, maxLag: null }],
      airbrush: null,
      now: null,
      actuals: [],
    };
    const plan = schedule(given, byDay, 4000);
    expect(plan.feasible && [Math.floor(plan.finish / 1440), plan.sessions]).toEqual([2, 2]);
  });
});
