import ICAL from 'ical.js';
import { elapsedToLocal, isTimeZone, localToElapsed } from '@/core/route/calendar';
import type { Day } from '@/core/units/day';

/** One stretch of a calendar on the builder's clock. */
export interface CalendarSpell {
  onDay: Day;
  startsAt: string;
  minutes: number;
  title: string;
}

/** What is no calendar, with the sentence that says so. */
export class CalendarFault extends Error {}

export const MOST_ICS_BYTES = 5 * 1024 * 1024;
/** The most spells that are taken out of one calendar, and the most steps that one rule may take. */
const MOST_SPELLS = 400;
const MOST_ROUNDS = 5000;
const DAY_MINUTES = 24 * 60;
const EPOCH = '1970-01-01T00:00:00.000Z';

/**
 * The events of an iCalendar (RFC 5545) between two days, recurring ones each time, on the clock of a time zone. Whole days and what is
 * cancelled are left out; a time of an unknown zone counts as said on the builder's own clock. Throws CalendarFault.
 */
export function spellsOfIcs(text: string, timeZone: string, from: Day, to: Day): CalendarSpell[] {
  if (text.length > MOST_ICS_BYTES) throw new CalendarFault('The calendar has more than 5 MB.');
  const events = eventsOf(text);
  const [first, last] = [from, to].map((day) => localToElapsed(`${day}T00:00`, timeZone, EPOCH)) as [number, number];
  const spells: { start: number; minutes: number; title: string }[] = [];
  const take = (start: number, minutes: number, title: string) => {
    if (spells.length >= MOST_SPELLS)
      throw new CalendarFault(
        `More than ${MOST_SPELLS} events lie between ${from} and ${to}: take a calendar of its own for the bench.`,
      );
    if (start + minutes > first && start < last && minutes > 0 && minutes < DAY_MINUTES)
      spells.push({ start, minutes, title });
  };
  /** Minutes since 1970 of a time on the clock of the zone that its event names. */
  const instant = (time: ICAL.Time, tzid: string | null): number => {
    if (time.zone?.tzid === 'UTC') return Math.round(time.toJSDate().getTime() / 60_000);
    const local = `${time.year}-${two(time.month)}-${two(time.day)}T${two(time.hour)}:${two(time.minute)}`;
    return localToElapsed(local, tzid && isTimeZone(tzid) ? tzid : timeZone, EPOCH);
  };
  for (const event of events) {
    const { component, startDate } = event;
    if (!startDate || startDate.isDate || component.getFirstPropertyValue('status') === 'CANCELLED') continue;
    const tzid = component.getFirstProperty('dtstart')?.getFirstParameter('tzid') ?? null;
    const minutes = Math.round(event.duration.toSeconds() / 60);
    const title = event.summary ?? '';
    if (!event.isRecurring()) {
      take(instant(startDate, tzid), minutes, title);
      continue;
    }
    const iterator = event.iterator();
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      const next = iterator.next();
      if (!next) break;
      const start = instant(next, tzid);
      if (start >= last) break;
      take(start, minutes, title);
    }
  }
  return spells
    .sort((a, b) => a.start - b.start)
    .map(({ start, minutes, title }) => {
      const local = elapsedToLocal(start, timeZone, EPOCH);
      return { onDay: local.slice(0, 10), startsAt: local.slice(11, 16), minutes, title: title.slice(0, 120) };
    });
}

const two = (n: number) => String(n).padStart(2, '0');

function eventsOf(text: string): ICAL.Event[] {
  if (!/^\s*BEGIN:VCALENDAR/i.test(text.replace(/^\uFEFF/, '')))
    throw new CalendarFault('This is no calendar: it does not begin with BEGIN:VCALENDAR.');
  try {
    const parsed = ICAL.parse(text.replace(/^\uFEFF/, '')) as unknown[];
    const calendars = Array.isArray(parsed[0]) ? (parsed as unknown[][]) : [parsed];
    return calendars.flatMap((one) =>
      new ICAL.Component(one as never).getAllSubcomponents('vevent').map((component) => new ICAL.Event(component)),
    );
  } catch {
    throw new CalendarFault('This calendar cannot be read: something in it is not written as calendars are.');
  }
}
