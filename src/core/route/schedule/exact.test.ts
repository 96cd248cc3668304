import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cleanOutMinutes, type PlannedStep, type PlanLink, type PlanProblem, type PlanStep } from './problem';
import { schedule, type Aims } from './schedule';
import { violations } from './validate';

/** All times are multiples of this, so that every optimum lies on it too. */
const GRID = 10;
const DAY = 1440;
const byDay: Aims = (finish, loads, sessions) => [Math.floor(finish / DAY), loads, sessions];

/** Every way to begin every step on the grid, judged by the verifier: the best in all three aims, in their order. */
function bestOfAll(problem: PlanProblem): readonly number[] | null {
  const { steps, links, windows, airbrush } = problem;
  let best: readonly number[] | null = null;
  const isWorse = (a: readonly number[]) => {
    const at = a.findIndex((value, i) => value !== best![i]);
    return at < 0 || a[at]! > best![at]!;
  };
  const place = (planned: PlannedStep[], ends: Map<string, number>) => {
    const step = steps[planned.length];
    const actual = problem.actuals.find(({ id }) => id === step?.id);
    if (actual) {
      place(
        [...planned, { id: actual.id, segments: [[actual.start, actual.end]] }],
        new Map(ends).set(actual.id, actual.end),
      );
      return;
    }
    if (!step) {
      if (violations(problem, planned).length > 0) return;
      const score = byDay(Math.max(...ends.values()), loadsOf(planned), sessionsOf(planned));
      if (!best || !isWorse(score)) best = score;
      return;
    }
    for (const [w, window] of windows.entries())
      for (let start = Math.max(window.start, problem.now ?? 0); start < window.end; start += GRID) {
        const before = links.filter(({ to }) => to === step.id);
        if (before.some(({ from, minLag }) => start < ends.get(from)! + minLag)) continue;
        if (before.some(({ from, maxLag }) => maxLag !== null && start > ends.get(from)! + maxLag)) continue;
        const segments: [number, number][] = [[start, Math.min(window.end, start + step.minutes)]];
        const left = start + step.minutes - window.end;
        if (left > 0) {
          const next = windows[w + 1];
          if (!step.splittable || !next) continue;
          segments.push([next.start, next.start + left]);
        }
        const busy = planned.some((other) =>
          other.segments.some(([a, b]) => segments.some(([c, d]) => a < d && c < b)),
        );
        if (!busy) place([...planned, { id: step.id, segments }], new Map(ends).set(step.id, segments.at(-1)![1]));
      }
  };
  const isDone = (id: string) => problem.actuals.some((actual) => actual.id === id);
  const windowOf = (at: number) => windows.findIndex(({ start, end }) => start <= at && at < end);
  const loadsOf = (planned: readonly PlannedStep[]) => {
    let [state, last, loads] = [airbrush!.initial, -1, 0];
    const colourOf = (id: string) => steps.find((step) => step.id === id)!.colour;
    for (const { id, segments } of [...planned].sort((a, b) => a.segments[0]![0] - b.segments[0]![0])) {
      const colour = colourOf(id);
      if (colour === null) continue;
      const w = windowOf(segments[0]![0]);
      if (airbrush!.resetEachWindow && last >= 0 && w !== last) state = 'clean';
      // What is done was loaded before.
      if (state !== colour && !isDone(id)) loads += 1;
      [state, last] = [colour, w];
    }
    return loads;
  };
  const sessionsOf = (planned: readonly PlannedStep[]) =>
    new Set(planned.flatMap(({ id, segments }) => (isDone(id) ? [] : segments.map(([start]) => windowOf(start))))).size;
  place([], new Map());
  return best;
}

const tiny: fc.Arbitrary<PlanProblem> = fc
  .record({
    drawn: fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 4 }).map((n) => n * GRID),
        colour: fc.constantFrom(null, 'a', 'b'),
        splittable: fc.boolean(),
        after: fc.option(fc.nat(3)),
        lag: fc.constantFrom(0, 20, 60, 1400),
        wet: fc.constantFrom(null, null, 0, 30),
      }),
      { minLength: 2, maxLength: 4 },
    ),
    lengths: fc.array(fc.integer({ min: 5, max: 8 }), { minLength: 4, maxLength: 4 }),
    resets: fc.boolean(),
    /** The first step is done, from the beginning of the first session on. */
    done: fc.boolean(),
    clean: fc.array(fc.constantFrom(0, 10, 20), { minLength: 4, maxLength: 4 }),
  })
  .map(({ drawn, lengths, resets, done, clean }) => {
    const steps = drawn.map(({ minutes, colour, splittable }, i): PlanStep => ({
      id: `s${i}`,
      minutes,
      // A pause within a greatest wait may want minutes off the grid.
      splittable: splittable && colour === null && drawn.every(({ wet }) => wet === null),
      colour,
      needsBooth: colour !== null,
    }));
    const links = drawn.flatMap(({ after, lag, wet }, i): PlanLink[] =>
      after !== null && after < i
        ? [{ from: `s${after}`, to: `s${i}`, minLag: lag, maxLag: wet === null ? null : lag + wet }]
        : [],
    );
    const windows = lengths.map((length, i) => ({ id: `w${i}`, start: i * DAY, end: i * DAY + length * GRID }));
    const [ca, cb, ab, ba] = clean as [number, number, number, number];
    return {
      windows,
      boothWindows: windows.filter((_, i) => i !== 1),
      steps,
      links,
      airbrush: {
        initial: 'clean',
        resetEachWindow: resets,
        cleanOut: { clean: { a: ca, b: cb }, a: { b: ab }, b: { a: ba } },
      },
      now: done ? steps[0]!.minutes : null,
      actuals: done ? [{ id: 's0', start: 0, end: steps[0]!.minutes }] : [],
    };
  });

describe('a plan that is called the best', () => {
  test('is as good in day, loads and sessions as the best of all there are, with wet pairs, pauses and an airbrush cleaned every night', () => {
    let proven = 0;
    fc.assert(
      fc.property(tiny, (problem) => {
        const plan = schedule(problem, byDay, 3000);
        const best = bestOfAll(problem);
        if (!plan.feasible) return best === null;
        if (!plan.isBest) return true;
        proven += 1;
        expect(byDay(plan.finish, plan.loads, plan.sessions)).toEqual(best);
        return true;
      }),
      { numRuns: 60 },
    );
    expect(proven).toBeGreaterThan(40);
  });
  test('the tables of clean-outs are those that the plans are judged by', () => {
    const airbrush = { initial: 'clean', resetEachWindow: false, cleanOut: { clean: { a: 10 } } };
    expect(cleanOutMinutes(airbrush, 'clean', 'a')).toBe(10);
    expect(cleanOutMinutes(airbrush, 'a', 'a')).toBe(0);
  });
});
