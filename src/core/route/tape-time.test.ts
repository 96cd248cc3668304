import { describe, expect, test } from '@jest/globals';
import { smallLink, smallRoute, smallStep } from '@tests/support/small-route';
import { editInWords, withEdits, type RouteEdit } from './edits';
import { planRoute, type PlannedWork } from './plan';
import { longTapes, longTapeSaid } from './tape-time';

const DAY = 24 * 60;
const work = (
  key: string,
  goes: 'on' | 'off',
  day: number,
  over: Partial<PlannedWork> = {},
  of = 'canopy',
): PlannedWork => ({
  key,
  step: smallStep(key, 20, { tape: { of, goes }, zones: ['canopy'] }),
  start: '2026-03-01T19:00',
  end: '2026-03-01T19:20',
  segments: [[day * DAY, day * DAY + 20]],
  done: false,
  session: null,
  ...over,
});

describe('tape that a plan leaves on', () => {
  test('for a week says nothing, for longer how long, and what helps', () => {
    expect(longTapes({ work: [work('on', 'on', 0), work('off', 'off', 7)] })).toEqual([]);
    const [long] = longTapes({ work: [work('on', 'on', 0), work('off', 'off', 52)] });
    expect(long).toMatchObject({ step: 'on', days: 52 });
    expect(longTapeSaid(long!)).toMatch(/52 days.*masking fluid.*8 Mar.*lay it anew/);
  });

  test('round the gear is only laid anew: it is no glass', () => {
    const [long] = longTapes({ work: [work('on', 'on', 0, {}, 'gear'), work('off', 'off', 20, {}, 'gear')] });
    expect(long!.helps).toHaveLength(1);
  });

  test('that is off already, or has no zone, is past', () => {
    expect(longTapes({ work: [work('on', 'on', 0, { done: true }), work('off', 'off', 52, { done: true })] })).toEqual(
      [],
    );
    const plug = work('plug', 'on', 0);
    expect(longTapes({ work: [{ ...plug, step: { ...plug.step, zones: [] } }, work('off', 'off', 52)] })).toEqual([]);
  });
});

describe('tape that is laid anew', () => {
  const tape = (goes: 'on' | 'off') => ({
    tape: { of: 'canopy', goes },
    zones: ['canopy'],
    title: `Canopy tape ${goes}`,
  });
  const route = smallRoute(
    [{ ...smallStep('on', 20), ...tape('on') }, smallStep('long', 20), { ...smallStep('off', 10), ...tape('off') }],
    [smallLink('on', 'long', 0), smallLink('long', 'off', 24 * DAY)],
  );
  const weekly = [1, 3, 5].map((weekday) => ({ weekday, startsAt: '19:00', minutes: 120, booth: true }));
  const planned = (...edits: RouteEdit[]) => {
    const { route: made, sleeping } = withEdits(route, edits);
    const settings = { timeZone: 'UTC', startOn: '2026-03-02', weekly, nowUtc: '2026-03-02T08:00:00Z' };
    return { sleeping, plan: planRoute(made, [], settings) };
  };
  test('as often as it is said to be needed stays on for no more than a week at a time', () => {
    const { plan } = planned();
    const [long] = longTapes(plan);
    expect(long!.anew).toBe(3);
    const { plan: renewed, sleeping } = planned({ kind: 'renew', step: 'on', times: long!.anew });
    expect(sleeping).toEqual([]);
    expect(longTapes(renewed)).toEqual([]);
    expect(renewed.finish).toBe(plan.finish);
    expect(renewed.work.map(({ step }) => step.title)).toEqual(
      expect.arrayContaining(['Take off and lay anew: canopy tape on, 1 of 3']),
    );
  });
  test('too seldom is told again, for what is left of it', () => {
    const { plan } = planned({ kind: 'renew', step: 'on', times: 1 });
    expect(longTapes(plan).map(({ step }) => step)).toEqual(['on:anew:1']);
  });
  test('is refused where a step lays none', () => {
    expect(planned({ kind: 'renew', step: 'long', times: 1 }).sleeping.map(({ says }) => says)).toEqual([
      'it lays no tape that comes off again',
    ]);
    expect(editInWords({ kind: 'renew', step: 'on', times: 2 }, () => 'Mask')).toBe(
      '“Mask” is done anew 2 times, each within a week',
    );
  });
});
