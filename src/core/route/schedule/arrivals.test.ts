import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { link, step } from '@tests/support/plan-problem';
import type { PlanProblem } from './problem';
import { schedule, type Aims } from './schedule';
import { violations } from './validate';

const DAY = 24 * 60;
const aims: Aims = (finish, loads, sessions) => [finish, loads, sessions];
const evenings = Array.from({ length: 30 }, (_, i) => ({
  id: `w${i}`,
  start: i * DAY + 19 * 60,
  end: i * DAY + 21 * 60,
}));
const problem = (over: Partial<PlanProblem>): PlanProblem => ({
  windows: evenings,
  boothWindows: evenings,
  steps: [],
  links: [],
  airbrush: null,
  now: null,
  actuals: [],
  ...over,
});
const planned = (given: PlanProblem) => {
  const plan = schedule(given, aims, 300);
  if (!plan.feasible) throw new Error(JSON.stringify(plan.because));
  expect(violations(given, plan.steps)).toEqual([]);
  return plan;
};
const startOf = (plan: ReturnType<typeof planned>, id: string) =>
  plan.steps.find((one) => one.id === id)!.segments[0]![0];

describe('a step that waits for something to arrive', () => {
  test('begins no sooner, and what does not wait is done meanwhile', () => {
    const plan = planned(
      problem({
        steps: [step('gear', 30, { notBefore: 5 * DAY }), step('sand', 60), step('fit', 20)],
        links: [link('gear', 'fit')],
      }),
    );
    expect(startOf(plan, 'gear')).toBe(5 * DAY + 19 * 60);
    expect(startOf(plan, 'sand')).toBe(19 * 60);
    expect(startOf(plan, 'fit')).toBeGreaterThanOrEqual(startOf(plan, 'gear') + 30);
  });
  test('is named where it holds the date, and nothing that nobody asked for is planned', () => {
    const plan = planned(
      problem({ steps: [step('gear', 30, { notBefore: 5 * DAY + 20 * 60, title: 'Unpack the leg' })] }),
    );
    expect(plan.steps.map(({ id }) => id)).toEqual(['gear']);
    expect(plan.holding.map(({ says }) => says)).toContain('Unpack the leg waits until what is ordered arrives');
    expect(plan.lowerBound).toBeLessThanOrEqual(plan.finish);
  });
  test('what has arrived already waits for nothing', () => {
    expect(startOf(planned(problem({ steps: [step('gear', 30, { notBefore: 0 })] })), 'gear')).toBe(19 * 60);
    expect(startOf(planned(problem({ steps: [step('gear', 30, { notBefore: null })] })), 'gear')).toBe(19 * 60);
  });
  test('any arrivals are kept', () => {
    const days = fc.array(fc.option(fc.integer({ min: 0, max: 20 * DAY }), { nil: null }), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(days, (arrivals) => {
        planned(problem({ steps: arrivals.map((notBefore, i) => step(`s${i}`, 25, { notBefore })) }));
      }),
      { numRuns: 40 },
    );
  });
});
