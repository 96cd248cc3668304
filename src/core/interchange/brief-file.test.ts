import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/brief/derive';
import { newBrief } from '@/core/kept/new-brief';
import { BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { BriefBuilder } from '@demo/builder';
import { briefFileSchema, stateOfFile, type BriefFile } from './brief-file';

const shelf = { systems: [], relations: [], codes: [], chips: [], paints: [], sets: [], tools: [] };

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
    ['two sources of one name', { sources: [source('s1'), source('s1')] }, 'sources.1: two sources have the same ref'],
    [
      'an origin that is not there',
      { sources: [source('s1', { derivedFrom: ['s9'] })] },
      'sources.0.derivedFrom.0: there is no source "s9"',
    ],
    [
      'a circle',
      { sources: [source('s1', { derivedFrom: ['s2'] }), source('s2', { derivedFrom: ['s1'] })] },
      'sources: derivedFrom goes in a circle: s1 from s2 from s1',
    ],
    [
      'a picture left out',
      { sources: [source('s1', { pictureId: 'p' })] },
      'sources.0.pictureId: its picture is not in the file',
    ],
    ['a picture that is no base64', { pictures: { p: 'not base64!' } }, 'pictures.p: a picture must be base64'],
    [
      'a ruling on nothing',
      { rulings: [{ question: 'q1', value: '27', basis: 'choice', reason: 'r', ruledBy: '' }] },
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
