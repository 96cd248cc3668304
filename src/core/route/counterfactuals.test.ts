import { describe, expect, test } from '@jest/globals';
import { smallLink, smallRoute, smallStep } from '@tests/support/small-route';
import { viewOfDemo } from '@tests/support/demo-brief';
import { planSettingsOf } from '@/core/derive/plan-settings';
import { counterfactuals } from './counterfactuals';
import { improvingPlans, isBetter, type PlanInput } from './improving';
import { planRoute, type PlanSettings, type RoutePlan } from './plan';
import { latestStartsOf } from './slack';

const settings: PlanSettings = {
  timeZone: 'UTC',
  startOn: '2026-01-05',
  weekly: [
    { weekday: 1, startsAt: '19:00', minutes: 60, booth: true },
    { weekday: 4, startsAt: '19:00', minutes: 60, booth: false },
  ],
  nowUtc: '2026-01-05T12:00:00.000Z',
};
const asked = (input: PlanInput) => [...counterfactuals(input)].at(-1)!.found;
const inputOf = (route: PlanInput['route']): PlanInput => ({ route, done: [], settings });

describe('what would bring the date forward', () => {
  // Three hours of work in sessions of one: Monday, Thursday, Monday.
  const work = smallRoute([smallStep('a', 60), smallStep('b', 60), smallStep('c', 60)]);
  const found = asked(inputOf(work));
  const days = (says: RegExp, of = found) => of.find((one) => says.test(one.says))?.days;
  test('an hour more on one evening saves the third session: four days sooner', () => {
    expect(days(/an hour more on Mondays/)).toBe(4);
    expect(days(/an hour more on Thursdays/)).toBe(4);
  });
  test('an evening more in between saves days, one after the end none', () => {
    expect(days(/two hours on Tuesday evenings/)).toBe(6);
    expect(days(/the next session missed/)).toBeLessThan(0);
    // Nothing is sprayed: where one may spray changes nothing.
    expect(days(/spraying possible in every session/)).toBe(0);
  });
  test('the most useful comes first', () => {
    const gained = found.map((one) => one.days ?? -Infinity);
    expect(gained).toEqual([...gained].sort((a, b) => b - a));
  });
  test('a wait that holds everything up is told by its name', () => {
    const waiting = smallRoute(
      [smallStep('paint', 20), smallStep('mask', 20)],
      [smallLink('paint', 'mask', 4 * 24 * 60)],
    );
    const gained = asked(inputOf(waiting));
    expect(days(/no waiting after “Do paint”/, gained)).toBe(7);
    expect(days(/an hour more on Mondays/, gained)).toBe(0);
  });
  test('on the demo nothing that only helps puts the end off', () => {
    const { route, state } = viewOfDemo().view;
    const input = {
      route,
      done: state.log.filter(({ again }) => !again),
      settings: planSettingsOf(state, '2026-11-23T12:00:00.000Z'),
    };
    const all = asked(input);
    expect(all.length).toBeGreaterThan(8);
    for (const { says, days: gained } of all)
      expect([says, says === 'the next session missed' ? gained! <= 0 : gained! >= 0]).toEqual([says, true]);
  });
});

describe('better and better plans', () => {
  test('none is worse than the one before, and the bound only rises', () => {
    const { route, state } = viewOfDemo().view;
    const input: PlanInput = {
      route,
      done: state.log.filter(({ again }) => !again),
      settings: planSettingsOf(state, '2026-11-23T12:00:00.000Z'),
    };
    const plans: RoutePlan[] = [];
    // The first three rounds: the last ones take seconds.
    for (const { plan, left } of improvingPlans(input)) {
      plans.push(plan);
      if (left <= 2) break;
    }
    plans.slice(1).forEach((plan, i) => {
      expect(isBetter(plans[i]!, plan)).toBe(false);
      expect(plan.lowerBound! >= plans[i]!.lowerBound!).toBe(true);
      expect(plan.lowerBound! <= plan.finish!).toBe(true);
    });
  });
});

describe('how long a step could wait', () => {
  const route = smallRoute(
    [smallStep('long', 60), smallStep('last', 60), smallStep('filler', 10)],
    [smallLink('long', 'last', 5 * 24 * 60), smallLink('filler', 'last')],
  );
  const plan = planRoute(route, [], settings, 400);
  const latest = latestStartsOf(route, [], settings, plan);
  test('what holds the date has no room, what does not has', () => {
    expect(plan.finish).toBe('2026-01-12T20:00');
    expect(latest.get('long')).toBe('2026-01-05T19:00');
    expect(latest.get('last')).toBe('2026-01-12T19:00');
    expect(latest.get('filler')).toBe('2026-01-08T19:50');
  });
  test('waiting as long as that moves nothing, a session longer does', () => {
    const from = (notBefore: string) =>
      planRoute(
        { ...route, steps: route.steps.map((step) => (step.key === 'filler' ? { ...step, notBefore } : step)) },
        [],
        settings,
        400,
      ).finish!.slice(0, 10);
    expect(from('2026-01-08')).toBe('2026-01-12');
    expect(from('2026-01-12') > '2026-01-12').toBe(true);
  });
});
