import type { DoneStep } from '@/core/laid/standing';
import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { followAccepted } from './accepted';
import { asAccepted } from './accepted-plan';
import { smallLink as link, smallRoute as routeOf, smallStep as step } from '@tests/support/small-route';
import { planRoute, type PlanSettings } from './plan';
import type { Route } from '@/core/work/step';

/** An hour every Monday, Wednesday and Friday evening. */
const settings = (nowUtc: string): PlanSettings => ({
  timeZone: 'UTC',
  startOn: '2026-01-05',
  weekly: [1, 3, 5].map((weekday) => ({ weekday, startsAt: '19:00', minutes: 60, booth: true })),
  nowUtc,
});
const MONDAY = '2026-01-05T12:00:00.000Z';
const abc = routeOf([step('a', 50), step('b', 50), step('c', 30)], [link('a', 'b'), link('b', 'c')]);
const accept = (route: Route, nowUtc = MONDAY) => ({ laid: asAccepted(planRoute(route, [], settings(nowUtc), 400)) });
const daysOf = (work: { key: string; start: string }[]) =>
  Object.fromEntries(work.map(({ key, start }) => [key, start.slice(0, 10)]));

describe('the accepted plan', () => {
  test('stays as it is while nothing stands against it', () => {
    const accepted = accept(abc);
    const { plan, changes } = followAccepted(abc, [], settings('2026-01-05T18:30:00.000Z'), accepted);
    expect(changes).toEqual([]);
    expect(asAccepted(plan)).toEqual(accepted.laid);
    expect(plan.finish).toBe('2026-01-09T19:30');
  });

  test('what is done early leaves everything else where it was', () => {
    const done: DoneStep[] = [
      { stepKey: 'a', startedAt: '2026-01-05T13:00:00.000Z', endedAt: '2026-01-05T13:40:00.000Z' },
    ];
    const { plan, changes } = followAccepted(abc, done, settings('2026-01-05T14:00:00.000Z'), accept(abc));
    expect(changes).toEqual([]);
    expect(daysOf(plan.work)).toEqual({ a: '2026-01-05', b: '2026-01-07', c: '2026-01-09' });
  });

  test('a missed session: what was missed is carried on, what has to move is said and stays until it is accepted', () => {
    const { plan, changes, next } = followAccepted(abc, [], settings('2026-01-06T08:00:00.000Z'), accept(abc));
    expect(changes.map(({ key, kind, was, now }) => [key, kind, was?.slice(0, 10), now?.slice(0, 10)])).toEqual([
      ['a', 'missed', '2026-01-05', '2026-01-07'],
      ['b', 'moved', '2026-01-07', '2026-01-09'],
      ['c', 'moved', '2026-01-09', '2026-01-12'],
    ]);
    expect(daysOf(plan.work)).toEqual({ a: '2026-01-07', b: '2026-01-07', c: '2026-01-09' });
    expect([plan.finish, next.finish]).toEqual(['2026-01-09T19:30', '2026-01-12T19:30']);
    // Accepted, it holds again.
    const again = followAccepted(abc, [], settings('2026-01-06T08:10:00.000Z'), { laid: asAccepted(next) });
    expect(again.changes).toEqual([]);
  });

  test('a step that is new waits to be accepted; one that is gone is named by its title', () => {
    const now = routeOf([step('a', 50), step('c', 30), step('x', 10)], [link('a', 'c')]);
    const { plan, changes } = followAccepted(now, [], settings(MONDAY), accept(abc));
    expect(changes.map(({ key, kind, title }) => [key, kind, title])).toEqual([
      ['x', 'new', 'Do x'],
      ['b', 'gone', 'Do b'],
    ]);
    expect(plan.work.map(({ key }) => key)).toEqual(['a', 'c']);
  });

  test('an evening that is taken off: its work is shown where it would go, and has to be accepted there', () => {
    const off = { onDay: '2026-01-07', startsAt: '00:00', minutes: 10, booth: false, off: true };
    const { plan, changes } = followAccepted(abc, [], { ...settings(MONDAY), evenings: [off] }, accept(abc));
    expect(changes.map(({ key, kind }) => [key, kind])).toEqual([
      ['b', 'moved'],
      ['c', 'moved'],
    ]);
    expect(plan.work.every(({ session }) => session !== null)).toBe(true);
    expect(daysOf(plan.work).b).toBe('2026-01-09');
  });

  test('work that takes longer moves within its session without asking', () => {
    const wide = routeOf([step('a', 20), step('b', 20)], [link('a', 'b')]);
    const accepted = accept(wide);
    const slower = routeOf([step('a', 35), step('b', 20)], [link('a', 'b')]);
    const { plan, changes } = followAccepted(slower, [], settings(MONDAY), accepted);
    expect(changes).toEqual([]);
    expect(plan.work.map(({ start }) => start.slice(11))).toEqual(['19:00', '19:35']);
  });

  test('on the demo, a step that took an hour longer moves at most a tenth of the rest into another session', () => {
    const { route, state } = viewOfDemo().view;
    const { brief, sessions, evenings } = state;
    const at = (nowUtc: string): PlanSettings => ({
      timeZone: brief.timeZone,
      startOn: brief.startOn,
      weekly: sessions,
      evenings,
      nowUtc,
    });
    const first = planRoute(route, [], at('2026-11-10T08:00:00.000Z'), 2000);
    const accepted = { laid: asAccepted(first) };
    const [one] = first.work;
    const start = Date.parse(first.origin) + one!.segments[0]![0] * 60_000;
    const iso = (minutes: number) => new Date(start + minutes * 60_000).toISOString();
    const done = [{ stepKey: one!.key, startedAt: iso(0), endedAt: iso(one!.step.minutes + 60) }];
    const { changes } = followAccepted(route, done, at(iso(one!.step.minutes + 61)), accepted);
    expect(changes.length).toBeLessThanOrEqual(route.steps.length / 10);
  });
});
