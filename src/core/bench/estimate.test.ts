import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { smallRoute, smallStep } from '@tests/support/small-route';
import { atOwnPace, estimated, plannedMinutes } from './estimate';

const one = (kind: string, planned: number | null, actual: number | null) => ({ kind, planned, actual });

describe('what a log teaches', () => {
  test('by the formula: exp of n / (n + 4) of the median logarithm', () => {
    const { factors } = estimated([one('mask', 50, 95), one('mask', 40, 40), one('mask', 30, 45), one('mask', 60, 66)]);
    // Middle two of ln 1, ln 1.1, ln 1.5, ln 1.9.
    const median = (Math.log(1.1) + Math.log(1.5)) / 2;
    expect(factors.mask!.n).toBe(4);
    expect(factors.mask!.factor).toBeCloseTo(Math.exp(0.5 * median), 12);
  });
  test('what was never planned, or took no minutes, is named and left out', () => {
    const { factors, leftOut } = estimated([one('sand', null, 30), one('sand', 20, 0), one('glue', 10, 20)]);
    expect(Object.keys(factors)).toEqual(['glue']);
    expect(leftOut.map(({ index }) => index)).toEqual([0, 1]);
  });
  test('half and double outweigh each other; one bad evening among many hardly counts; more entries are believed more', () => {
    expect(estimated([one('a', 10, 20), one('a', 20, 10)]).factors.a!.factor).toBeCloseTo(1, 12);
    const steady = Array.from({ length: 9 }, () => one('a', 10, 10));
    expect(estimated([...steady, one('a', 10, 300)]).factors.a!.factor).toBeCloseTo(1, 12);
    const slow = (n: number) => estimated(Array.from({ length: n }, () => one('a', 10, 20))).factors.a!.factor;
    expect(slow(1)).toBeLessThan(slow(5));
    expect(slow(1000)).toBeCloseTo(2, 1);
  });
  test('a factor lies between 1 and the greatest ratio that there was', () => {
    const minutes = fc.integer({ min: 1, max: 500 });
    fc.assert(
      fc.property(fc.array(fc.tuple(minutes, minutes), { minLength: 1 }), (pairs) => {
        const { factor } = estimated(pairs.map(([planned, actual]) => one('a', planned, actual))).factors.a!;
        const ratios = [1, ...pairs.map(([planned, actual]) => actual / planned)];
        expect(factor).toBeGreaterThanOrEqual(Math.min(...ratios) - 1e-9);
        expect(factor).toBeLessThanOrEqual(Math.max(...ratios) + 1e-9);
      }),
    );
  });
});

describe('the route at the own pace', () => {
  const route = smallRoute([smallStep('a', 40), smallStep('b', 40)], []);
  const [{ kind }] = route.steps as [(typeof route.steps)[number]];
  test('takes the minutes of the log, says so, and does not learn from itself', () => {
    const [step] = atOwnPace(route, { [kind]: { n: 6, factor: 1.5 } }).steps;
    expect(step!.minutes).toBe(60);
    expect(step!.minutesFrom).toMatch(/times 1\.50, from 6 pieces of this work in your log/);
    expect(plannedMinutes(step!)).toBe(40);
  });
  test('what the builder said himself stays, and so does other work', () => {
    const said = { ...route, steps: route.steps.map((step) => ({ ...step, pace: null })) };
    expect(atOwnPace(said, { [kind]: { n: 6, factor: 1.5 } }).steps[0]!.minutes).toBe(40);
    expect(atOwnPace(route, { mask: { n: 6, factor: 1.5 } }).steps[0]!.minutes).toBe(40);
  });
});
