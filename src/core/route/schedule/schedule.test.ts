import { describe, expect, test } from '@jest/globals';
import { link, step } from '../../../../tests/support/plan-problem';
import fc from 'fast-check';
import type { PlanLink, PlanProblem } from './problem';
import { schedule, type Aims } from './schedule';
import { violations } from './validate';

const DAY = 24 * 60;
const earliest: Aims = (finish, loads, sessions) => [finish, loads, sessions];
/** Two hours every evening. */
const evenings = (count: number, minutes = 120) =>
  Array.from({ length: count }, (_, i) => ({
    id: `w${i}`,
    start: i * DAY + 19 * 60,
    end: i * DAY + 19 * 60 + minutes,
  }));
const problem = (over: Partial<PlanProblem>): PlanProblem => ({
  windows: evenings(40),
  boothWindows: evenings(40),
  steps: [],
  links: [],
  airbrush: null,
  now: null,
  actuals: [],
  ...over,
});

function planned(given: PlanProblem) {
  const plan = schedule(given, earliest, 600);
  if (!plan.feasible) throw new Error(JSON.stringify(plan.because));
  expect(violations(given, plan.steps)).toEqual([]);
  return { ...plan, startOf: (id: string) => plan.steps.find((s) => s.id === id)!.segments[0]![0] };
}

describe('a schedule', () => {
  test('drying runs through the night, work does not', () => {
    const plan = planned(
      problem({ steps: [step('paint', 30), step('mask', 20)], links: [link('paint', 'mask', 24 * 60)] }),
    );
    // Painted 19:00 to 19:30; from 19:30 next day on it may be masked.
    expect(plan.startOf('mask')).toBe(DAY + 19 * 60 + 30);
    expect(plan.holding[0]).toMatchObject({ kind: 'lag', step: 'mask', from: 'paint' });
  });

  test('other work fills a wait', () => {
    const plan = planned(
      problem({ steps: [step('wash', 20), step('wipe', 15), step('sand', 25)], links: [link('wash', 'wipe', 30, 60)] }),
    );
    expect(plan.startOf('sand')).toBeGreaterThanOrEqual(19 * 60 + 20);
    expect(plan.finish).toBeLessThanOrEqual(19 * 60 + 20 + 60 + 15);
  });

  test('a wet window is kept: what does not fit before the session ends moves with its partner', () => {
    const plan = planned(
      problem({
        steps: [step('long', 100), step('wash', 10), step('wipe', 10)],
        links: [link('long', 'wash'), link('wash', 'wipe', 15, 40)],
      }),
    );
    expect(plan.startOf('wash')).toBe(DAY + 19 * 60);
  });

  test('a long splittable step goes on at the next session; one that is not waits for room', () => {
    const plan = planned(
      problem({ steps: [step('sand', 200, { splittable: true }), step('glue', 60)], links: [link('sand', 'glue')] }),
    );
    expect(plan.steps.find((s) => s.id === 'sand')!.segments).toEqual([
      [19 * 60, 21 * 60],
      [DAY + 19 * 60, DAY + 19 * 60 + 80],
    ]);
    expect(plan.startOf('glue')).toBe(2 * DAY + 19 * 60);
  });

  test('sprays lie in the booth, after their clean-out', () => {
    const booth = [{ start: 19 * 60 + 5, end: 20 * 60 }];
    const airbrush = {
      initial: 'clean',
      resetEachWindow: false,
      cleanOut: { clean: { a: 3 }, a: { b: 10 }, b: { a: 20 } },
    };
    const plan = planned(
      problem({
        boothWindows: booth,
        airbrush,
        steps: [step('one', 20, { colour: 'a', needsBooth: true }), step('two', 20, { colour: 'b', needsBooth: true })],
      }),
    );
    expect(plan.startOf('one')).toBe(19 * 60 + 5);
    expect(plan.startOf('two')).toBe(19 * 60 + 35);
    expect(plan.loads).toBe(2);
  });

  test('what is done stays done, and nothing starts before now', () => {
    const now = DAY + 20 * 60;
    const plan = planned(
      problem({
        now,
        actuals: [{ id: 'glue', start: 600, end: 660 }],
        steps: [step('glue', 30), step('seam', 30), step('other', 10)],
        links: [link('glue', 'seam', 16 * 60)],
      }),
    );
    expect(plan.startOf('other')).toBeGreaterThanOrEqual(now);
    expect(plan.steps.find((s) => s.id === 'glue')!.segments).toEqual([[600, 660]]);
    expect(plan.lowerBound).toBeLessThanOrEqual(plan.finish);
  });

  test('a greatest wait that an actual already broke is reported, not fatal', () => {
    const given = problem({
      now: 5 * DAY,
      actuals: [{ id: 'wash', start: 19 * 60, end: 19 * 60 + 10 }],
      steps: [step('wash', 10), step('wipe', 10)],
      links: [link('wash', 'wipe', 15, 40)],
    });
    expect(planned(given).broken).toEqual([link('wash', 'wipe', 15, 40)]);
  });
});

describe('what cannot be planned says why', () => {
  const because = (given: PlanProblem) => {
    const plan = schedule(given, earliest, 100);
    if (plan.feasible) throw new Error('feasible');
    return plan.because[0]!;
  };
  test('a step longer than any session', () => {
    expect(because(problem({ steps: [step('wing', 150)] }))).toEqual({
      links: [],
      says: 'wing needs at least 150 minutes in one session; the longest is 120',
      wouldHelp: ['a session of 150 minutes'],
    });
  });
  test('a spray without a booth', () => {
    expect(
      because(problem({ boothWindows: [], steps: [step('coat', 20, { needsBooth: true, colour: 'a' })] })).says,
    ).toBe('coat needs the booth, and no session has it');
  });
  test('a wet window that no session holds names its link and the session that would do', () => {
    const reason = because(
      problem({ steps: [step('wash', 70), step('wipe', 60)], links: [link('wash', 'wipe', 10, 20)] }),
    );
    expect(reason.links).toEqual([['wash', 'wipe']]);
    expect(reason.says).toBe('needs at least 140 minutes in one session; the longest is 120');
  });
  test('too few sessions', () => {
    expect(because(problem({ windows: evenings(1), steps: [step('a', 100), step('b', 100)] })).says).toMatch(
      /sessions end before everything is done: 1 step left over, 1 h 40 min/,
    );
  });
});

const anyProblem: fc.Arbitrary<PlanProblem> = fc
  .record({
    count: fc.integer({ min: 2, max: 14 }),
    seed: fc.array(fc.nat(1000), { minLength: 90, maxLength: 90 }),
    reset: fc.boolean(),
    now: fc.boolean(),
  })
  .map(({ count, seed, reset, now }) => {
    let at = 0;
    const next = (most: number) => seed[at++ % seed.length]! % most;
    const steps = Array.from({ length: count }, (_, i) => {
      const spray = next(3) === 0;
      return step(`s${i}`, 5 + next(55), {
        colour: spray ? 'abc'[next(3)]! : null,
        needsBooth: spray,
        splittable: !spray && next(3) === 0,
      });
    });
    const links: PlanLink[] = [];
    for (let to = 1; to < count; to += 1) {
      if (next(4) === 0) continue;
      const minLag = next(3) === 0 ? next(2000) : next(30);
      links.push(link(`s${next(to)}`, `s${to}`, minLag, next(6) === 0 ? minLag + 10 + next(2000) : null));
    }
    const row = () => ({ a: next(12), b: next(12), c: next(12) });
    return problem({
      windows: evenings(60, 130),
      boothWindows: evenings(60, 130).map((w) => ({ start: w.start + next(20), end: w.end })),
      steps,
      links,
      airbrush: { initial: 'clean', resetEachWindow: reset, cleanOut: { clean: row(), a: row(), b: row(), c: row() } },
      now: now ? DAY + 19 * 60 + 30 : null,
    });
  });

describe('for any network', () => {
  test('the plan breaks no rule, its bound holds, and it is the same each time', () => {
    fc.assert(
      fc.property(anyProblem, (given) => {
        const plan = schedule(given, earliest, 60);
        if (!plan.feasible) return;
        expect(violations(given, plan.steps)).toEqual([]);
        expect(plan.lowerBound).toBeLessThanOrEqual(plan.finish);
        expect(schedule(given, earliest, 60)).toEqual(plan);
      }),
      { numRuns: 120 },
    );
  });
  test('without greatest waits there is always a plan', () => {
    fc.assert(
      fc.property(anyProblem, (given) => {
        const plan = schedule({ ...given, links: given.links.map((l) => ({ ...l, maxLag: null })) }, earliest, 50);
        expect(plan.feasible).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the checker itself', () => {
  const given = problem({ steps: [step('a', 30), step('b', 30)], links: [link('a', 'b', 10)] });
  test('finds what is wrong', () => {
    const start = 19 * 60;
    expect(
      violations(given, [
        { id: 'a', segments: [[start, start + 30]] },
        { id: 'b', segments: [[start + 20, start + 50]] },
      ]),
    ).toEqual(['a to b: -10 minutes, at least 10', 'a and b overlap']);
    expect(violations(given, [{ id: 'a', segments: [[0, 30]] }])).toEqual([
      'a: outside the sessions',
      'b: not planned',
    ]);
  });
});
