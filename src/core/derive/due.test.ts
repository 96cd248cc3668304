import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { BLANK_LOG_ENTRY, BLANK_PART } from '@/core/kept/blank';
import { fixingSteps } from '@/core/route/fixing';
import type { Aspect } from '@/core/evidence/aspects';
import type { BriefState } from '@/core/kept/state';

const asking = (zone: string, aspect: Aspect) => (state: BriefState) => {
  state.questions = state.questions.filter((q) => q.zone !== zone || q.aspect !== aspect);
  state.questions.push({ id: 'asked', version: 1, zone, aspect, item: '' });
};
const dueFor = (zone: string, aspect: Aspect, more: (state: BriefState) => void = () => undefined) => {
  const { view } = viewOfDemo((state) => {
    asking(zone, aspect)(state);
    more(state);
  });
  const { due } = view.open.find(({ question }) => question?.record.id === 'asked')!;
  return { due, view };
};
const done = (stepKey: string) => (state: BriefState) => {
  state.log.push({
    ...BLANK_LOG_ENTRY,
    id: `done ${stepKey}`,
    version: 1,
    stepKey,
    title: stepKey,
    lane: 'Whole',
    plannedMinutes: 10,
    actualMinutes: 10,
    startedAt: '2026-11-21T10:00:00Z',
    endedAt: '2026-11-21T10:10:00Z',
  });
};

describe('the latest useful day', () => {
  test('waits for paint, not for the mending of some other part', () => {
    const { due } = dueFor('spinner', 'colour', (state) => {
      state.parts = [{ ...BLANK_PART, id: 'p', version: 1, number: '1', zone: 'canopy', condition: 'cloudy' }];
      state.rulings = state.rulings.filter(({ questionId }) => questionId !== 'asked');
    });
    expect(due.step!.key).toMatch(/^(part:|open:part)/);
  });
  test('of the frames of a canopy is its fixing, and not the painting of the gear legs', () => {
    const { due } = dueFor('canopy', 'colour', (state) => {
      state.brief = { ...state.brief, options: { ...state.brief.options, canopy: 'closed' } };
    });
    expect(due.step!.key).toBe('fit-canopy');
  });
  test('of a colour that is brushed is its brushing', () => {
    const { view } = viewOfDemo((state) => {
      state.choices = state.choices.map((choice) => ({ ...choice, way: 'brush' as const }));
      state.zoneDays = [];
    });
    const brushed = view.route.steps.find(({ key, kind }) => key.startsWith('spray:') && kind === 'brush')!;
    const zone = view.outline.zones.find(({ key }) => key === brushed.zones[0])!;
    expect(fixingSteps(view.route, zone, 'colour').map(({ key }) => key)).toContain(brushed.key);
  });
  test.each([
    ['gear-main', 'part:'],
    ['cockpit', 'interior:'],
  ])(
    'a colour of %s that is open is due before the first step that paints there, not at a gate behind it',
    (zone, prefix) => {
      const { due, view } = dueFor(zone, 'colour');
      const painting = view.plan.work.filter(({ key }) => key.startsWith(prefix));
      expect(painting.length).toBeGreaterThan(0);
      const first = painting.map(({ start }) => start).sort()[0]!;
      expect(due.start! <= first).toBe(true);
      expect(due.by! <= first).toBe(true);
    },
  );
  test('there is a session left to find out: it is wanted by the one before the step, as long as that is not over', () => {
    const { due, view } = dueFor('fin-port', 'boundary');
    const before = view.plan.sessions
      .filter(({ startLocal }) => startLocal < due.start!)
      .map(({ startLocal }) => startLocal);
    expect(before).toContain(due.by);
    expect(due.by! < due.start!).toBe(true);
  });
  test('a detail inside the fuselage is due when the cockpit is fitted, and drilled aerial holes do not make it too late', () => {
    const { due } = dueFor('cockpit', 'fit', done('drill-fuselage'));
    expect(due.step!.key).toBe('fit-cockpit');
    expect(due.tooLate).toBe(false);
    expect(dueFor('cockpit', 'fit', done('gate:fuselage')).due.tooLate).toBe(true);
  });
  test('what is not planned has no day, and says which step waits all the same', () => {
    const { due } = dueFor('fin-port', 'boundary', (state) => {
      state.sessions = [];
    });
    expect(due).toMatchObject({ start: null, by: null, tooLate: false });
    expect(due.step).not.toBeNull();
  });
});

describe('all that is open', () => {
  const { view } = viewOfDemo((state) => {
    state.rulings = [];
  });
  test('stands in the order of its days, what is due first before all else', () => {
    const starts = view.open.map(({ due }) => due.start ?? '9999');
    expect(starts).toEqual([...starts].sort());
    expect(starts.length).toBeGreaterThan(view.unasked.length);
  });
  test('gates come in the order of their days, and each names what waits there', () => {
    const days = view.gates.map(({ start }) => start ?? '9999');
    expect(days).toEqual([...days].sort());
    expect(view.gates.flatMap(({ open }) => open)).toHaveLength(view.open.length);
  });
});
