import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import { briefFileSchema, stateOfFile } from '@/core/interchange/brief-file';
import { shelfOfDemo } from '@tests/support/demo-brief';
import { demoBuilds } from './load';

/** Hours at which a calendar is likely to be misread, in the demo's own zone. */
const AWKWARD = {
  'a Sunday noon': '2026-11-29T11:00:00.000Z',
  'a Thursday evening': '2026-11-26T17:40:00.000Z',
  'the last of a month': '2026-08-31T18:00:00.000Z',
  '29 February': '2028-02-29T09:00:00.000Z',
  'the night in which the clock goes ahead': '2027-03-28T00:59:00.000Z',
  'the night in which it goes back': '2026-10-25T00:30:00.000Z',
  'New Year’s Eve': '2026-12-31T22:59:30.000Z',
  'ten to midnight': '2027-06-15T21:50:00.000Z',
  'a quarter past midnight': '2027-06-15T22:15:00.000Z',
  'three years on': '2029-11-29T06:00:00.000Z',
};

const shelf = shelfOfDemo();
const stateAt = (nowUtc: string) =>
  demoBuilds(nowUtc, shelf).map((file) => {
    const state = stateOfFile(briefFileSchema.parse(file), shelf);
    const { plan, route } = deriveBrief(state, shelf, { nowUtc, effort: 0 });
    const done = new Set(state.log.map(({ stepKey }) => stepKey));
    return {
      log: state.log.map(({ stepKey, actualMinutes }) => `${stepKey} ${actualMinutes}`).sort(),
      // What the log teaches of the builder's pace makes these minutes.
      minutes: route.steps.map(({ key, minutes }) => `${key} ${minutes}`),
      next: plan.work
        .filter(({ key }) => !done.has(key))
        .slice(0, 5)
        .map(({ key }) => key),
    };
  });

describe('the demo has come equally far', () => {
  const usual = stateAt('2026-11-25T12:00:00.000Z');
  test('and is under way', () => {
    expect(usual.map(({ log }) => log.length > 0)).toEqual([true, true, false]);
  });
  test.each(Object.entries(AWKWARD))('on %s', (_, nowUtc) => {
    expect(stateAt(nowUtc)).toEqual(usual);
  });
});
