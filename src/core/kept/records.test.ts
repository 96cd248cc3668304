import { describe, expect, test } from '@jest/globals';
import { newBrief } from './new-brief';
import { BLANK_SIGHTING, BLANK_SOURCE } from './blank';
import { RECORDS, type RecordName } from './records';

const setup = newBrief('2026-11-23');
const good: { [N in RecordName]?: Record<string, unknown> } = {
  brief: { ...setup.brief, timeZone: 'Europe/Berlin' },
  airframe: { ...setup.airframe, type: 'Testbird', targetFrom: '1951-05-08', targetTo: '1951-05-14' },
  source: { ...BLANK_SOURCE, title: 'Apron', sides: ['port'] },
  sighting: {
    questionId: '00000000-0000-4000-8000-000000000001',
    sourceId: '00000000-0000-4000-8000-000000000002',
    value: '27',
    ...BLANK_SIGHTING,
  },
  paint_event: {
    zone: 'fin-port',
    kind: 'repaint',
    onDay: '1951-05-01',
    value: 'TCS 27',
    showsUnder: false,
    note: '',
  },
  mirror: { zone: 'well-main', aspect: 'colour', item: '', reason: 'alike' },
  ruling: {
    questionId: '00000000-0000-4000-8000-000000000001',
    value: '27',
    basis: 'choice',
    reason: 'because',
    ruledBy: 'me',
  },
  marking: {
    kind: 'lettering',
    title: 'Serial',
    zone: 'fin-port',
    text: 'T 1',
    heightMm: 200,
    printedMm: null,
    method: 'decal',
    codes: ['TCS 01'],
    places: [{ view: 'port', station: 5, offset: 1, turn: 0 }],
  },
  weekly_session: { weekday: 2, startsAt: '19:30', minutes: 120, booth: true },
  log_entry: {
    stepKey: 's',
    title: 'Step',
    lane: 'Whole',
    plannedMinutes: 20,
    actualMinutes: 25,
    startedAt: '2026-11-23T18:30:00Z',
    endedAt: '2026-11-23T19:55:00+01:00',
    note: '',
    paint: '',
  },
  timer: { stepKey: 's', label: 'Drying', startedAt: '2026-11-23T18:30:00Z', minutes: 30 },
  chip: { codeId: '00000000-0000-4000-8000-000000000001', lab: [50, 0, 0], origin: 'measured', sd: 0.4, note: '' },
  bottle: { paintId: '00000000-0000-4000-8000-000000000001', mlLeft: 5, openedOn: null, condition: '' },
};

const says = (name: RecordName, change: Record<string, unknown>) =>
  RECORDS[name]
    .safeParse({ ...good[name], ...change })
    .error?.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);

describe('records', () => {
  test.each(Object.keys(good) as RecordName[])('a good %s passes', (name) => {
    expect(says(name, {})).toBeUndefined();
  });
  test.each(Object.keys(good) as RecordName[])('an unknown field of a %s is refused', (name) => {
    expect(says(name, { surprise: 1 })?.[0]).toMatch(/surprise/);
  });

  test.each<[RecordName, Record<string, unknown>, string]>([
    ['brief', { denominator: 0 }, 'denominator: Scale: from 1/4'],
    ['brief', { denominator: 'big' }, 'denominator: Scale: a number is needed'],
    ['brief', { timeZone: 'Mars/Base' }, 'timeZone: Time zone: no known IANA zone'],
    ['brief', { startOn: '2026-02-30' }, 'startOn: Begins: a day that exists is needed'],
    ['brief', { humidity: 120 }, 'humidity: Humidity: to 95 %'],
    ['airframe', { type: '  ' }, 'type: Type is needed'],
    ['airframe', { targetTo: '1951-05-01' }, 'targetTo: Depicts to: the window ends before it starts'],
    ['source', { grade: 3 }, 'grade: Grade: to 2'],
    ['source', { title: 'x'.repeat(121) }, 'title: Title: at most 120 signs'],
    ['source', { dateFrom: '1951-05-20', dateTo: '1951-05-01' }, 'dateTo: Dated to: the window ends before it starts'],
    ['sighting', { value: '' }, 'value: What it says is needed'],
    ['sighting', { sd: -1 }, 'sd: Plus or minus: never below 0'],
    ['ruling', { reason: '' }, 'reason: Reason is needed'],
    ['marking', { heightMm: 0 }, 'heightMm: True height: at least 1 mm'],
    ['marking', { codes: [], method: 'mask' }, 'codes: Colours: at least one code for what is painted'],
    ['weekly_session', { startsAt: '25:00' }, 'startsAt: Starts at: a time HH:MM'],
    ['weekly_session', { minutes: 5 }, 'minutes: Minutes: at least 10'],
    ['log_entry', { actualMinutes: 0 }, 'actualMinutes: Minutes: at least 1'],
    ['log_entry', { actualMinutes: 2.5 }, 'actualMinutes: Minutes: a whole number'],
    ['timer', { minutes: 0 }, 'minutes: Minutes: above 0'],
    ['chip', { lab: [150, 0, 0] }, 'lab.0: L* must lie between 0 and 100'],
    ['bottle', { mlLeft: -1 }, 'mlLeft: Millilitres left: never below 0'],
  ])('%s with %j', (name, change, message) => {
    expect(says(name, change)).toContain(message);
  });

  test('a decal needs no colour code: it is printed already', () => {
    expect(says('marking', { codes: [], method: 'decal' })).toBeUndefined();
  });

  test('text is trimmed before it is kept', () => {
    expect(RECORDS.source.parse({ ...good.source, title: '  Apron ' }).title).toBe('Apron');
  });
});
