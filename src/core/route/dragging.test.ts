import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { viewOfDemo } from '@tests/support/demo-brief';
import { smallLink as link, smallRoute as routeOf, smallStep as step } from '@tests/support/small-route';
import { planFaults } from './accepted';
import { asAccepted } from './accepted-plan';
import { dragged, roomsOf } from './dragging';
import { planRoute, type PlanSettings } from './plan';

/** An hour every Monday, Wednesday and Friday evening; nothing is sprayed on Wednesdays. */
const settings: PlanSettings = {
  timeZone: 'UTC',
  startOn: '2026-01-05',
  weekly: [1, 3, 5].map((weekday) => ({ weekday, startsAt: '19:00', minutes: 60, booth: weekday !== 3 })),
  nowUtc: '2026-01-05T12:00:00.000Z',
};
const at = (iso: string) => Date.parse(`${iso}:00.000Z`) / 60_000;
const abc = routeOf([step('a', 30), step('b', 20), step('c', 30)], [link('a', 'b'), link('b', 'c', 600)]);
const laid = asAccepted(planRoute(abc, [], settings, 400));
const drag = (key: string, iso: string, route = abc, plan = laid) => dragged(route, [], settings, plan, key, at(iso));
const startOf = (answer: ReturnType<typeof dragged>, key: string) =>
  'laid' in answer &&
  new Date(answer.laid.find((one) => one.key === key)!.segments[0]![0] * 60_000).toISOString().slice(0, 16);

describe('a step that is dragged', () => {
  test('goes to the session that it was dropped in, and nothing else moves', () => {
    const answer = drag('c', '2026-01-09T19:10');
    expect(startOf(answer, 'c')).toBe('2026-01-09T19:10');
    expect(startOf(answer, 'a')).toBe('2026-01-05T19:00');
    expect(startOf(answer, 'b')).toBe('2026-01-05T19:30');
  });
  test('not before what it waits for is dry, and that is said; nor behind what waits for it', () => {
    expect(drag('c', '2026-01-05T19:50')).toEqual({
      says: 'Not before Tue 6 Jan, 05:50: 10 h after “Do b”: dries.',
    });
    expect(drag('a', '2026-01-07T19:00')).toEqual({
      says: 'As the plan stands it must be done by Mon 5 Jan, 19:30: “Do b” follows it.',
    });
  });
  test('not where there is no session; in a full one, what lies there makes room', () => {
    expect(drag('c', '2026-01-06T19:00')).toEqual({ says: 'There is no session there.' });
    const tight = routeOf([step('x', 60), step('y', 10), step('z', 10)], [link('x', 'z')]);
    const plan = [
      { key: 'x', title: 'x', segments: [[at('2026-01-05T19:00'), at('2026-01-05T20:00')]] as const },
      { key: 'y', title: 'y', segments: [[at('2026-01-07T19:00'), at('2026-01-07T19:10')]] as const },
      { key: 'z', title: 'z', segments: [[at('2026-01-09T19:00'), at('2026-01-09T19:10')]] as const },
    ];
    // What lies there makes room, and is named.
    const answer = drag('y', '2026-01-05T19:30', tight, plan);
    expect(startOf(answer, 'y')).toBe('2026-01-05T19:30');
    expect(startOf(answer, 'x')).toBe('2026-01-09T19:00'.replace('09', '07'));
    expect('moved' in answer && answer.moved).toEqual(['x']);
    const long = routeOf([step('x', 60), step('y', 50)], [link('x', 'y')]);
    const laidSo = [
      { key: 'x', title: 'x', segments: [[at('2026-01-05T19:00'), at('2026-01-05T20:00')]] as const },
      { key: 'y', title: 'y', segments: [[at('2026-01-07T19:00'), at('2026-01-07T19:50')]] as const },
    ];
    expect(drag('x', '2026-01-07T19:00', long, laidSo)).toMatchObject({
      says: expect.stringMatching(/must be done by/),
    });
  });
  test('what was done before its turn holds back nothing that should have come before it', () => {
    const done = [{ stepKey: 'b', startedAt: '2026-01-05T10:00:00.000Z', endedAt: '2026-01-05T10:30:00.000Z' }];
    const rest = laid.filter(({ key }) => key !== 'b');
    expect(startOf(dragged(abc, done, settings, rest, 'a', at('2026-01-07T19:20')), 'a')).toBe('2026-01-07T19:30');
  });
  test('a plan that waits for new steps to be accepted can be changed all the same; one that the drag would break cannot', () => {
    const later = routeOf(
      [step('a', 30), step('b', 20), step('c', 30), step('new: one', 10)],
      [link('a', 'b'), link('b', 'c', 600), link('c', 'new: one')],
    );
    const answer = drag('c', '2026-01-09T19:10', later);
    expect(startOf(answer, 'c')).toBe('2026-01-09T19:10');
    // The new step is not laid by it: it still waits.
    expect('laid' in answer && answer.laid.map(({ key }) => key)).toEqual(['a', 'b', 'c']);
    expect(planFaults(later, [], settings, { laid })).toEqual(['“Do new: one”: not planned']);
  });
  test('one that is gone from the route stays in the kept plan until that is accepted', () => {
    const shorter = routeOf([step('a', 30), step('c', 30)], [link('a', 'c')]);
    const answer = drag('c', '2026-01-09T19:10', shorter);
    expect('laid' in answer && answer.laid.find(({ key }) => key === 'b')).toEqual(laid.find(({ key }) => key === 'b'));
  });
  test('one that is done stays where it was done', () => {
    const done = [{ stepKey: 'a', startedAt: '2026-01-05T10:00:00.000Z', endedAt: '2026-01-05T10:30:00.000Z' }];
    const rest = laid.filter(({ key }) => key !== 'a');
    expect(dragged(abc, done, settings, rest, 'a', at('2026-01-07T19:00'))).toHaveProperty('says');
  });
});

describe('on the demo', () => {
  const { view } = viewOfDemo();
  const { brief, sessions, evenings } = view.state;
  const own: PlanSettings = {
    timeZone: brief.timeZone,
    startOn: brief.startOn,
    weekly: sessions,
    evenings,
    nowUtc: '2026-11-10T08:00:00.000Z',
  };
  const plan = planRoute(view.route, [], own, 0);
  const kept = asAccepted(plan);
  const zero = Date.parse(plan.origin) / 60_000;
  test('wherever a step is dropped, the plan holds or the reason is said; its room is where it can be dropped', () => {
    const rooms = roomsOf(view.route, plan.work, plan.now);
    fc.assert(
      fc.property(fc.nat(plan.work.length - 1), fc.nat(60), fc.nat(100), (which, session, minute) => {
        const { key } = plan.work[which]!;
        const window = plan.sessions.filter(({ end }) => end > plan.now)[session]!;
        const target = window.start + Math.min(minute, window.end - window.start - 1);
        const answer = dragged(view.route, [], own, kept, key, target + zero);
        if ('says' in answer) return answer.says.endsWith('.');
        expect(planFaults(view.route, [], own, answer)).toEqual([]);
        const [[start], end] = [
          answer.laid.find((one) => one.key === key)!.segments[0]!,
          answer.laid.find((one) => one.key === key)!.segments.at(-1)![1],
        ];
        const room = rooms.get(key)!;
        return start - zero >= room.from && end - zero <= room.by;
      }),
      { numRuns: 60 },
    );
  });
});
