import { describe, expect, test } from '@jest/globals';
import { smallLink, smallRoute, smallStep } from '@tests/support/small-route';
import { viewOfDemo, NOW } from '@tests/support/demo-brief';
import { figuresOf, keptAirbrushes } from '@/core/kit/tools';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import type { BriefState } from '@/core/kept/state';
import { brokenInWords } from '@/ui/broken-words';
import { doneAgainWith } from './behind';
import { withOwnAirbrushes } from './own-airbrush';
import { planRoute } from './plan';

const minutesBefore = (minutes: number) => new Date(Date.parse(NOW) - minutes * 60_000).toISOString();
const logged = (stepKey: string, endedMinutesAgo: number) => (state: BriefState) => {
  state.log.push({
    ...BLANK_LOG_ENTRY,
    id: `log ${stepKey}`,
    version: 1,
    stepKey,
    title: stepKey,
    lane: 'Cockpit',
    plannedMinutes: 15,
    actualMinutes: 15,
    startedAt: minutesBefore(endedMinutesAgo + 15),
    endedAt: minutesBefore(endedMinutesAgo),
  });
};

describe('a step that is done outside of every session', () => {
  // At noon, and the next session is days away: the wash cannot be wiped in time.
  const { view } = viewOfDemo(logged('wash:upper', 5));
  test('breaks its greatest wait, and every date stays', () => {
    expect(view.plan.because).toEqual([]);
    expect(view.plan.finish).not.toBeNull();
    expect(view.plan.work).toHaveLength(view.route.steps.length);
  });
  test('is told with what helps: to re-wet, or to do it again', () => {
    const [broken, ...more] = view.plan.broken;
    expect(more).toEqual([]);
    expect([broken!.done.key, broken!.late.key]).toEqual(['wash:upper', 'wipe:upper']);
    expect(brokenInWords(broken!)).toMatch(/wet it again .* or do “.*” again$/);
  });
  test('is no longer spoken of once what came too late is done as well', () => {
    const { view: after } = viewOfDemo((state) => {
      logged('wash:upper', 300)(state);
      logged('wipe:upper', 5)(state);
    });
    expect(after.plan.broken).toEqual([]);
  });
});

describe('sessions that are too short for a step', () => {
  const { view } = viewOfDemo((state) => {
    state.sessions = [{ id: 's', version: 1, weekday: 2, startsAt: '19:30', minutes: 30, booth: true }];
  });
  test('leave a plan of all that fits in sight, and say what would help', () => {
    expect(view.plan.finish).toBeNull();
    expect(view.plan.because.flatMap(({ wouldHelp }) => wouldHelp).length).toBeGreaterThan(0);
    expect(view.plan.work.some(({ done }) => !done)).toBe(true);
    expect(view.plan.work.length).toBeLessThan(view.route.steps.length);
  });
});

describe('what is done again', () => {
  const { view } = viewOfDemo();
  const keys = new Set(view.route.steps.map(({ key }) => key));
  const falls = (key: string, done = keys) => doneAgainWith(view.route, done, key).map((step) => step.key);
  test('takes along what lies on it and is done, and nothing that is not done', () => {
    const on = falls('prime');
    expect(on).toEqual(expect.arrayContaining(['gloss', ...[...keys].filter((key) => key.startsWith('spray:'))]));
    expect(falls('prime', new Set(['prime', 'gloss']))).toEqual(['gloss']);
  });
  test('leaves alone what was there before, and what is painted apart', () => {
    const on = falls('prime');
    expect(on).not.toContain('gate:fuselage');
    expect(on.filter((key) => key.startsWith('part:') || key.startsWith('interior:'))).toEqual([]);
  });
  test('opens the step on the plan while the record stays', () => {
    const isDone = (again: boolean) => {
      const { view: after } = viewOfDemo((state) => {
        logged('check-parts', 300)(state);
        state.log = state.log.map((entry) => ({ ...entry, again }));
      });
      expect(after.state.log).not.toEqual([]);
      return after.plan.work.find(({ key }) => key === 'check-parts')!.done;
    };
    expect([isDone(false), isDone(true)]).toEqual([true, false]);
  });
});

describe('a second airbrush', () => {
  const spray = (key: string, id: string, kind: 'solid' | 'clear') =>
    smallStep(key, 20, { load: { id, title: id, kind, lightness: 50, chemistry: 'AL' } });
  const route = smallRoute([spray('a', 'red', 'solid'), spray('b', 'clear', 'clear'), spray('c', 'red', 'solid')]);
  const chained = { ...route, links: [smallLink('a', 'b'), smallLink('b', 'c')] };
  const loads = (kept: string[]) =>
    planRoute(
      withOwnAirbrushes(chained, kept),
      [],
      {
        timeZone: 'UTC',
        startOn: '2026-01-05',
        weekly: [{ weekday: 1, startsAt: '19:00', minutes: 180, booth: true }],
        nowUtc: '2026-01-05T12:00:00.000Z',
      },
      100,
    ).loads;
  test('kept for clear, it is not cleaned out between two coats of colour', () => {
    expect(loads([])).toBe(3);
    expect(loads(['clear'])).toBe(1);
    expect(loads(['RED'])).toBe(1);
    expect(loads(['metal'])).toBe(3);
  });
  test('one airbrush is always left for everything else', () => {
    const airbrush = (keptFor: string) => ({
      ...figuresOf({
        kind: 'airbrush',
        name: '',
        needleMm: null,
        lineMm: null,
        filmUm: null,
        wasteMl: null,
        minutes: null,
      }),
      kind: 'airbrush' as const,
      name: '',
      needleMm: null,
      keptFor,
    });
    expect(keptAirbrushes([airbrush('clear')])).toEqual([]);
    expect(keptAirbrushes([airbrush('clear'), airbrush('')])).toEqual(['clear']);
    expect(keptAirbrushes([airbrush('clear'), airbrush('metal')])).toHaveLength(1);
  });
});
