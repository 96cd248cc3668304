import { describe, expect, test } from '@jest/globals';
import { shelfOfDemo, stateOfDemo } from '@tests/support/demo-brief';
import { BLANK_SIGHTING } from '@/core/kept/blank';
import { subjectFields } from '@/core/kept/records/subject';
import type { BriefState } from '@/core/kept/state';
import { deriveBrief } from './derive';
import { Stages } from './stages';

const shelf = shelfOfDemo();
const at = (nowUtc: string) => ({ nowUtc, effort: 0 });
const NOON = '2026-11-23T12:00:00.000Z';

/** Changes to a brief that a builder makes, each with the lists that it makes anew, as reading again does. */
const CHANGES: Record<string, (state: BriefState) => BriefState> = {
  'a sighting': (s) => ({
    ...s,
    sightings: [
      ...s.sightings,
      {
        ...BLANK_SIGHTING,
        id: 'new',
        version: 1,
        questionId: s.questions[0]!.id,
        sourceId: s.sources[0]!.id,
        value: 'TCS 10',
      },
    ],
  }),
  'a ruling': (s) => ({ ...s, rulings: s.rulings.slice(1) }),
  'a choice': (s) => ({ ...s, choices: s.choices.slice(1) }),
  'a marking': (s) => ({ ...s, markings: s.markings.slice(1) }),
  'an option': (s) => ({ ...s, brief: { ...s.brief, options: { ...s.brief.options, gear: 'up', stand: 'a rod' } } }),
  'the bench’s temperature': (s) => ({ ...s, brief: { ...s.brief, tempC: 12 } }),
  'an evening more': (s) => ({
    ...s,
    sessions: [...s.sessions, { id: 'more', version: 1, weekday: 7, startsAt: '10:00', minutes: 120, booth: true }],
  }),
  'a day of one zone': (s) => ({
    ...s,
    zoneDays: [
      ...s.zoneDays,
      ...s.questions.slice(0, 3).map(({ zone }, i) => ({
        id: `day ${i}`,
        version: 1,
        zone,
        fromDay: '1949-01-01',
        toDay: '1949-12-31',
        because: '',
      })),
    ] as BriefState['zoneDays'],
  }),
  'a note': (s) => ({ ...s, brief: { ...s.brief, notes: 'seen again' } }),
  'weights of evidence': (s) => ({
    ...s,
    brief: { ...s.brief, weights: { ...s.brief.weights, clarity: { ...s.brief.weights.clarity, clear: 0.2 } } },
  }),
  'a scale': (s) => ({ ...s, brief: { ...s.brief, denominator: 72 } }),
  'the target day': (s) => ({ ...s, airframe: { ...s.airframe, targetTo: '1951-08-01' } }),
};

describe('deriving with the memory of an earlier state', () => {
  test.each(Object.keys(CHANGES))('gives after %s what deriving anew gives', (name) => {
    const stages = new Stages();
    const state = stateOfDemo(shelf);
    deriveBrief(state, shelf, at(NOON), stages);
    const changed = CHANGES[name]!(state);
    expect(deriveBrief(changed, shelf, at(NOON), stages)).toEqual(deriveBrief(changed, shelf, at(NOON)));
  });
  test('what a change does not reach is not computed again', () => {
    const stages = new Stages();
    const state = stateOfDemo(shelf);
    const before = deriveBrief(state, shelf, at(NOON), stages);
    const after = deriveBrief(CHANGES['a sighting']!(state), shelf, at(NOON), stages);
    expect(after.questions).not.toBe(before.questions);
    expect(after.route).toBe(before.route);
    expect(after.plan).toBe(before.plan);
    expect(after.official).toBe(before.official);
  });
  test('a note on the brief weighs, calls, routes and plans nothing anew', () => {
    const stages = new Stages();
    const demo = stateOfDemo(shelf);
    const car = {
      ...subjectFields.parse({
        kind: 'vehicle',
        title: 'Car',
        count: 1,
        place: 'beside',
        role: '',
        byGate: 'end',
        note: '',
      }),
      id: 'car',
      version: 1,
    };
    const state = { ...demo, subjects: [car] };
    const before = deriveBrief(state, shelf, at(NOON), stages);
    const after = deriveBrief(CHANGES['a note']!(state), shelf, at(NOON), stages);
    for (const stage of ['questions', 'calls', 'route', 'standing', 'plan', 'open', 'unasked'] as const)
      expect([stage, after[stage] === before[stage]]).toEqual([stage, true]);
    expect(after.state.brief.notes).toBe('seen again');
  });
  test.each(['an option', 'a scale', 'a ruling'])('%s that is tried, and then done, is reckoned once', (name) => {
    const stages = new Stages();
    const state = stateOfDemo(shelf);
    const before = deriveBrief(state, shelf, at(NOON), stages);
    const change = CHANGES[name]!;
    const tried = change(state);
    const told = deriveBrief(tried, shelf, at(NOON), stages);
    // What was tried is not kept: the brief stands as before until it is done, by rows that are read again.
    expect(deriveBrief(state, shelf, at(NOON), stages).route).toBe(before.route);
    const done = { ...tried, brief: structuredClone(tried.brief) };
    const after = deriveBrief(done, shelf, at(NOON), stages);
    for (const stage of ['outline', 'questions', 'calls', 'route', 'plan', 'open'] as const)
      expect([stage, after[stage] === told[stage]]).toEqual([stage, true]);
    expect(after).toEqual(deriveBrief(done, shelf, at(NOON)));
  });
  test('a plan holds until the first work in it should have begun, and is then made anew', () => {
    const stages = new Stages();
    const state = stateOfDemo(shelf);
    const first = deriveBrief(state, shelf, at(NOON), stages).plan;
    const next = first.work.find(({ done }) => !done)!;
    const soon = deriveBrief(state, shelf, at('2026-11-23T12:01:00.000Z'), stages).plan;
    expect(soon.work).toBe(first.work);
    const late = deriveBrief(state, shelf, at('2026-11-27T23:00:00.000Z'), stages).plan;
    expect(late.work.find(({ key }) => key === next.key)!.start > next.start).toBe(true);
  });
});
