import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import { viewOfDemo } from '@tests/support/demo-brief';
import { eveningsOf } from '@/core/route/availability';
import { workBySession } from '@/core/route/plan';
import { CalendarFault, MOST_ICS_BYTES, spellsOfIcs } from './availability-ics';
import { planIcs } from './plan-ics';
import { stepsCsv } from './steps-csv';

const calendar = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...events, 'END:VCALENDAR'].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:1', ...lines, 'END:VEVENT'].join('\r\n');
const BERLIN = [
  'BEGIN:VTIMEZONE',
  'TZID:Europe/Berlin',
  'BEGIN:STANDARD',
  'DTSTART:19961027T030000',
  'RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU',
  'TZOFFSETFROM:+0200',
  'TZOFFSETTO:+0100',
  'END:STANDARD',
  'BEGIN:DAYLIGHT',
  'DTSTART:19810329T020000',
  'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU',
  'TZOFFSETFROM:+0100',
  'TZOFFSETTO:+0200',
  'END:DAYLIGHT',
  'END:VTIMEZONE',
].join('\r\n');
const read = (text: string, zone = 'Europe/Berlin') => spellsOfIcs(text, zone, '2026-03-01', '2026-05-01');
const when = (text: string, zone?: string) =>
  read(text, zone).map(({ onDay, startsAt, minutes }) => `${onDay} ${startsAt} ${minutes}`);

describe('a calendar of the builder', () => {
  test('every week at the same time on the wall, also after the clock moved; what is taken out stays out', () => {
    const weekly = event(
      'DTSTART;TZID=Europe/Berlin:20260319T193000',
      'DTEND;TZID=Europe/Berlin:20260319T210000',
      'RRULE:FREQ=WEEKLY;COUNT=4',
      'EXDATE;TZID=Europe/Berlin:20260402T193000',
      'SUMMARY:Choir',
    );
    const right = ['2026-03-19 19:30 90', '2026-03-26 19:30 90', '2026-04-09 19:30 90'];
    expect(when(calendar(BERLIN, weekly))).toEqual(right);
    // Without the zone's own rules, its name is enough.
    expect(when(calendar(weekly))).toEqual(right);
  });
  test('times in UTC and in another zone come on the builder’s clock; a bare time is his own', () => {
    expect(when(calendar(event('DTSTART:20260410T173000Z', 'DURATION:PT45M')))).toEqual(['2026-04-10 19:30 45']);
    expect(
      when(
        calendar(event('DTSTART;TZID=America/New_York:20260410T130000', 'DTEND;TZID=America/New_York:20260410T140000')),
      ),
    ).toEqual(['2026-04-10 19:00 60']);
    expect(when(calendar(event('DTSTART:20260410T193000', 'DTEND:20260410T200000')))).toEqual(['2026-04-10 19:30 30']);
  });
  test('whole days, cancelled events and other months are left out; a rule without an end stops', () => {
    expect(
      when(
        calendar(
          event('DTSTART;VALUE=DATE:20260410', 'DTEND;VALUE=DATE:20260411'),
          event('DTSTART:20260411T100000Z', 'DURATION:PT1H', 'STATUS:CANCELLED'),
          event('DTSTART:20271111T100000Z', 'DURATION:PT1H'),
        ),
      ),
    ).toEqual([]);
    expect(when(calendar(event('DTSTART:20260101T100000Z', 'DURATION:PT1H', 'RRULE:FREQ=WEEKLY'))).length).toBe(9);
  });
  test.each([
    ['nothing', ''],
    ['no calendar', 'hello'],
    ['five megabytes of nonsense', `BEGIN:VCALENDAR\r\n${'X;=:;:=\r\n'.repeat(400_000)}`],
    ['a torn one', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:2026041'],
    ['more than is read', `BEGIN:VCALENDAR${' '.repeat(MOST_ICS_BYTES)}`],
    ['an event each minute', calendar(event('DTSTART:20260301T000000Z', 'DURATION:PT1M', 'RRULE:FREQ=MINUTELY'))],
  ])('%s is refused with a sentence', (_, text) => {
    expect(() => read(text)).toThrow(CalendarFault);
  });
  test('being away takes a session off, also past midnight; times at the bench are evenings more; nothing twice', () => {
    const weekly = [
      { weekday: 4, startsAt: '19:30', minutes: 120, booth: true },
      { weekday: 6, startsAt: '00:30', minutes: 60, booth: true },
    ];
    const spells = [
      { onDay: '2026-04-09', startsAt: '21:00', minutes: 60 },
      { onDay: '2026-04-16', startsAt: '21:30', minutes: 60 },
      { onDay: '2026-04-10', startsAt: '23:00', minutes: 120 },
    ];
    const away = eveningsOf(spells, 'busy', weekly, [], true);
    expect(away.map(({ onDay, off }) => [onDay, off])).toEqual([
      ['2026-04-09', true],
      ['2026-04-11', true],
    ]);
    expect(eveningsOf(spells, 'busy', weekly, away, true)).toEqual([]);
    expect(eveningsOf(spells, 'bench', weekly, [], false)[0]).toEqual({
      onDay: '2026-04-09',
      startsAt: '21:00',
      minutes: 60,
      booth: false,
      off: false,
    });
  });
});

describe('the plan taken along', () => {
  const { view } = viewOfDemo();
  const written = planIcs(view.plan, view.route, { title: 'TK-G, C 417', briefId: 'b', stamp: '2026-11-23T12:00:00Z' });
  const events = new ICAL.Component(ICAL.parse(written) as never)
    .getAllSubcomponents('vevent')
    .map((one) => new ICAL.Event(one));
  test('as a calendar: a session with work ahead is one event with all its steps, at its own time', () => {
    const ahead = workBySession(view.plan).filter(({ work }) => work.some(({ done }) => !done));
    const sessions = events.filter(({ summary }) => summary.startsWith('TK-G, C 417: '));
    expect(sessions).toHaveLength(ahead.length);
    const [first] = ahead;
    const from = Date.parse(view.plan.origin) + first!.session.start * 60_000;
    expect(sessions[0]!.startDate.toJSDate().getTime()).toBe(from);
    for (const { step, done } of first!.work) if (!done) expect(sessions[0]!.description).toContain(step.title);
  });
  test('a wash that comes off within its window is an event with an alarm', () => {
    const [wipe] = events.filter(({ uid }) => uid.startsWith('window wash:'));
    expect(wipe!.summary).toMatch(/^Wipe/);
    expect(wipe!.component.getAllSubcomponents('valarm')).toHaveLength(1);
    const minutes = wipe!.duration.toSeconds() / 60;
    expect(minutes).toBeGreaterThanOrEqual(1);
    expect(minutes).toBeLessThanOrEqual(120);
  });
  test('what it writes it can read again', () => {
    const spells = spellsOfIcs(written, view.state.brief.timeZone, '2026-11-23', '2027-11-23');
    expect(spells.some(({ title }) => title.startsWith('TK-G, C 417: '))).toBe(true);
  });
  test('as a table: every step once, in the order of the plan, with its day', () => {
    const rows = Papa.parse<Record<string, string>>(
      stepsCsv(view.plan, view.route, (zone) => zone).replace(/^\uFEFF/, ''),
      {
        header: true,
        skipEmptyLines: true,
      },
    ).data;
    expect(rows.map(({ key }) => key)).toEqual(view.plan.work.map(({ key }) => key));
    expect(rows[0]).toMatchObject({ number: '1', day: view.plan.work[0]!.start.slice(0, 10), done: '' });
  });
});
