import { renameIn, withStepKeys } from './step-keys';
import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import { newBrief } from '@/core/kept/new-brief';
import { BLANK_PART, BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { BriefBuilder } from '@demo/builder';
import { briefFileSchema, stateOfFile, type BriefFile } from './brief-file';

const shelf = {
  systems: [],
  relations: [],
  codes: [],
  chips: [],
  paints: [],
  sets: [],
  tools: [],
  techniques: [],
  house: [],
  decalSheets: [],
};

const setup = newBrief('2026-11-23');

/** A file with nothing but an airframe, and what a test adds to it. */
const file = (over: Partial<BriefFile> = {}): BriefFile => ({
  ...new BriefBuilder({ ...setup.brief, timeZone: 'UTC' }, { ...setup.airframe, type: 'Testbird' }).file().file,
  ...over,
});
const source = (ref: string, over = {}): BriefFile['sources'][number] => ({
  ...BLANK_SOURCE,
  ref,
  title: ref,
  ...over,
});
const part = (sprue: string, number: string, ...replaces: string[]): BriefFile['parts'][number] => {
  const { replacesIds: _none, ...blank } = BLANK_PART;
  return { ...blank, sprue, number, replaces };
};
const subject = (title: string): BriefFile['subjects'][number] => ({
  name: '',
  kind: 'figure',
  title,
  count: 1,
  place: 'by the wing',
  role: '',
  lengthM: 0,
  breadthM: 0,
  heightM: 0,
  standsOn: '',
  byGate: 'end',
  layers: [],
  note: '',
});
const faults = (given: BriefFile) =>
  briefFileSchema.safeParse(given).error?.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`) ?? [];

describe('a brief file', () => {
  test('with nothing but an airframe is a brief, and everything follows from it', () => {
    expect(faults(file())).toEqual([]);
    const view = deriveBrief(stateOfFile(file(), shelf), shelf, { nowUtc: '2026-11-23T12:00:00Z', effort: 0 });
    expect(view.calls).toEqual([]);
    expect(view.route.steps.length).toBeGreaterThan(40);
    // No sessions, so no plan, but the reason.
    expect(view.plan.finish).toBeNull();
    expect(view.plan.because.length).toBeGreaterThan(0);
  });

  test('a target window that is not known leaves every source its unknown date fit', () => {
    const given = file({
      sources: [source('s1', { dateFrom: '1951-05-12', dateTo: '1951-05-12' })],
      questions: [{ ref: 'q1', zone: 'fin-port', aspect: 'colour', item: '' }],
      sightings: [{ ...BLANK_SIGHTING, question: 'q1', source: 's1', value: '27' }],
    });
    const view = deriveBrief(stateOfFile(given, shelf), shelf, { nowUtc: '2026-11-23T12:00:00Z', effort: 0 });
    expect(view.questions[0]!.weighed.contributions[0]!.factors.dateFit).toBe(0.5);
  });

  test.each<[string, Partial<BriefFile>, string]>([
    [
      'options that exclude one another',
      { brief: { ...file().brief, options: { ...file().brief.options, gear: 'up' } } },
      'brief.options: with its gear up it cannot stand on it: choose a rod or a base',
    ],
    [
      'an option that there is not',
      { parts: [{ ...part('C', '1'), onOption: { option: 'canopy', choice: 'ajar' } }] },
      'parts.0.onOption: Only with: no such choice',
    ],
    ['doubled parts', { parts: [part('C', '1'), part('c', '01')] }, 'parts.1.number: c 01 is in the register already'],
    [
      'a part that replaces one that is not there',
      { parts: [part('C', '1', 'Z 9')] },
      'parts.0.replaces: there is no part "Z 9"',
    ],
    [
      'parts in a circle',
      { parts: [part('C', '1', 'C 2'), part('C', '2', 'C 1')] },
      'parts.0.replaces: C 1 replaces C 2 replaces C 1: a circle',
    ],
    [
      'two subjects that cannot be told apart',
      { subjects: [subject('Pilot'), subject('pilot!')] },
      'subjects.1.title: "pilot!" cannot be told from "Pilot": call it something else',
    ],
    [
      'a figure with no place',
      { subjects: [{ ...subject('Pilot'), place: '' }] },
      'subjects.0.place: Place: where does it stand? A figure, a vehicle or a parked aircraft needs one',
    ],
    ['two sources of one name', { sources: [source('s1'), source('s1')] }, 'sources.1: two sources have the same ref'],
    [
      'an origin that is not there',
      { sources: [source('s1', { derivedFrom: ['s9'] })] },
      'sources.0.derivedFrom.0: there is no source "s9"',
    ],
    [
      'a circle',
      { sources: [source('s1', { derivedFrom: ['s2'] }), source('s2', { derivedFrom: ['s1'] })] },
      'sources.0.derivedFrom: derivedFrom goes in a circle: s1 from s2 from s1',
    ],
    [
      'a picture left out',
      { sources: [source('s1', { pictureId: 'p' })] },
      'sources.0.pictureId: its picture is not in the file',
    ],
    ['a picture that is no base64', { pictures: { p: 'not base64!' } }, 'pictures.p: a picture must be base64'],
    [
      'a ruling on nothing',
      { rulings: [{ question: 'q1', value: '27', basis: 'choice', reason: 'r', ruledBy: '', favoured: null }] },
      'rulings.0.question: there is no question "q1"',
    ],
    [
      'a weekday beyond the week',
      { sessions: [{ weekday: 9, startsAt: '19:30', minutes: 60, booth: true }] },
      'sessions.0.weekday: Weekday: 1 Monday to 7 Sunday',
    ],
  ])('refuses %s, with its place', (_, over, fault) => {
    expect(faults(file(over))).toContain(fault);
  });

  test('another format is said to be one', () => {
    expect(faults({ ...file(), format: 'other/2' } as never)[0]).toMatch(/^format: this is not a Build Brief file/);
  });
});

describe('a file from before Kit', () => {
  const old = (options: object, preset: 'single' | 'high-wing' | 'rotorcraft' = 'single') => {
    const { parts: _parts, subjects: _subjects, measures: _measures, zoneDays: _days, ...rest } = file();
    const { boughtOn: _bought, leftOut: _left, storesAt: _stores, rod: _rod, ...brief } = rest.brief;
    const usual = {
      canopy: 'closed',
      gear: 'down',
      landing: 'wheels',
      flaps: 'up',
      wings: 'spread',
      stores: 'none',
      stand: 'its gear',
      tonal: 'plain',
      weathering: 'none',
    };
    return briefFileSchema.parse({
      ...rest,
      format: 'build-brief/4',
      brief: { ...brief, options: { ...usual, ...options } },
      airframe: { ...rest.airframe, preset },
    }).brief.options;
  };
  test('has the usual choices where it knew none', () => {
    expect(old({})).toMatchObject({
      state: 'parked',
      doors: 'closed',
      crew: 'none',
      lights: 'painted',
      canopy: 'closed',
    });
  });
  test('is put right where it held what cannot be', () => {
    expect(old({ gear: 'up' })).toMatchObject({ gear: 'up', stand: 'a rod' });
    expect(old({ gear: 'up', landing: 'skis' })).toMatchObject({ gear: 'down', landing: 'skis' });
    expect(old({ gear: 'up' }, 'high-wing')).toMatchObject({ gear: 'down' });
    expect(old({}, 'rotorcraft')).toMatchObject({ landing: 'skids' });
  });
});

describe('steps that are named after a marking', () => {
  test('are named after its place in the file, and keep their log, plan and edits when it is read', () => {
    const rename = renameIn((part) => ({ 'uuid-1': 'marking0' })[part]);
    const log = [{ stepKey: 'marking:uuid-1', title: 'marking:uuid-1 stays as it was typed' }];
    expect(withStepKeys(log, rename)).toEqual([
      { stepKey: 'marking:marking0', title: 'marking:uuid-1 stays as it was typed' },
    ]);
    const edit = { rank: 1, edit: { kind: 'merge', steps: ['marking-mask:uuid-1', 'gloss'], title: 'uuid-1' } };
    expect(withStepKeys(edit, rename).edit).toEqual({
      kind: 'merge',
      steps: ['marking-mask:marking0', 'gloss'],
      title: 'uuid-1',
    });
    const run = { lost: [{ step: 'marking-spray:uuid-1/2', zones: ['fin'] }], after: ['marking:uuid-1'] };
    expect(withStepKeys(run, rename)).toEqual({
      lost: [{ step: 'marking-spray:marking0/2', zones: ['fin'] }],
      after: ['marking:marking0'],
    });
  });
});
