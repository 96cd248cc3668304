import { Temporal } from 'temporal-polyfill';
import { addDays, weekdayOf, type Day } from '@/core/units/day';
import type { Evening, WeeklySession } from './evening';
import type { Span } from './schedule/problem';

/** Whether an IANA time zone is known. */
export function isTimeZone(zone: string): boolean {
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(zone);
    return /^[A-Za-z]/.test(zone);
  } catch {
    return false;
  }
}

const DAY_MS = 86_400_000;
const offsets = new Map<string, Map<number, number>>();

/** Offset of the zone from UTC in minutes at the start of a UTC day; remembered, since time-zone rules are slow to ask. */
function offsetAt(timeZone: string, utcDay: number): number {
  let known = offsets.get(timeZone);
  if (!known) offsets.set(timeZone, (known = new Map()));
  let offset = known.get(utcDay);
  if (offset === undefined) {
    offset =
      Temporal.Instant.fromEpochMilliseconds(utcDay * DAY_MS).toZonedDateTimeISO(timeZone).offsetNanoseconds / 60e9;
    known.set(utcDay, offset);
  }
  return offset;
}

/** The offset that holds for the whole of some UTC days, or null when the clock moves in them. */
function steadyOffset(timeZone: string, firstDay: number, lastDay: number): number | null {
  const offset = offsetAt(timeZone, firstDay);
  for (let day = firstDay + 1; day <= lastDay + 1; day += 1) if (offsetAt(timeZone, day) !== offset) return null;
  return Number.isInteger(offset) ? offset : null;
}

/**
 * A local date-time `YYYY-MM-DDTHH:MM` as the whole minutes since `originUtc`. Of an hour that occurs twice the first is taken;
 * a time that the clock skips is moved on by the skip (the rule called "compatible").
 */
export function localToElapsed(local: string, timeZone: string, originUtc: string): number {
  const asUtc = Date.parse(`${local}:00Z`);
  const day = Math.floor(asUtc / DAY_MS);
  const offset = steadyOffset(timeZone, day - 1, day + 1);
  const epoch =
    offset === null
      ? Temporal.PlainDateTime.from(local).toZonedDateTime(timeZone, { disambiguation: 'compatible' }).toInstant()
          .epochMilliseconds
      : asUtc - offset * 60_000;
  return Math.round((epoch - Date.parse(originUtc)) / 60_000);
}

/** Whether the elapsed minutes show this local time on a clock there; both turns of an hour that occurs twice do. */
export function agrees(elapsed: number, local: string, timeZone: string, originUtc: string): boolean {
  return elapsedToLocal(elapsed, timeZone, originUtc) === local.slice(0, 16);
}

export function elapsedToLocal(elapsed: number, timeZone: string, originUtc: string): string {
  const epoch = Date.parse(originUtc) + elapsed * 60_000;
  const day = Math.floor(epoch / DAY_MS);
  const offset = steadyOffset(timeZone, day, day);
  if (offset !== null) return new Date(epoch + offset * 60_000).toISOString().slice(0, 16);
  return Temporal.Instant.fromEpochMilliseconds(epoch)
    .toZonedDateTimeISO(timeZone)
    .toPlainDateTime()
    .toString({ smallestUnit: 'minute' });
}

/** The instant of a local midnight as ISO text in UTC. */
export function midnightUtc(day: Day, timeZone: string): string {
  return Temporal.PlainDate.from(day)
    .toZonedDateTime({ timeZone, plainTime: '00:00' })
    .toInstant()
    .toString({ smallestUnit: 'millisecond' });
}

/** The local day of an instant given as ISO text. */
export function localDay(instantIso: string, timeZone: string): Day {
  return Temporal.Instant.from(instantIso).toZonedDateTimeISO(timeZone).toPlainDate().toString();
}

export interface BenchSession extends Span {
  id: string;
  booth: boolean;
  startLocal: string;
  endLocal: string;
}

/**
 * The builder's sessions from a day on, in elapsed minutes since `originUtc`. A session lasts its minutes of real time, so on
 * a night in which the clock moves its end on the clock moves too. Single evenings come beside the weekly ones, and days that are taken off
 * fall out. Sessions that touch or overlap are cut at the next one's start.
 */
export function benchSessions(
  weekly: readonly WeeklySession[],
  first: Day,
  weeks: number,
  timeZone: string,
  originUtc: string,
  evenings: readonly Evening[] = [],
): BenchSession[] {
  const days = Array.from({ length: weeks * 7 }, (_, i) => addDays(first, i));
  const off = new Set(evenings.flatMap(({ off: taken, onDay }) => (taken ? [onDay] : [])));
  const all = days
    .flatMap((day) =>
      [
        ...(off.has(day) ? [] : weekly.filter((session) => session.weekday === weekdayOf(day))),
        ...evenings.filter((evening) => !evening.off && evening.onDay === day),
      ].map((session) => {
        const start = localToElapsed(`${day}T${session.startsAt}`, timeZone, originUtc);
        return { id: `${day}T${session.startsAt}`, start, end: start + session.minutes, booth: session.booth };
      }),
    )
    .sort((a, b) => a.start - b.start);
  return all
    .map((session, i) => ({ ...session, end: Math.min(session.end, (all[i + 1]?.start ?? Infinity) - 1) }))
    .filter((session) => session.end > session.start)
    .map((session) => ({
      ...session,
      startLocal: elapsedToLocal(session.start, timeZone, originUtc),
      endLocal: elapsedToLocal(session.end, timeZone, originUtc),
    }));
}
