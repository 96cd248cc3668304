/** A calendar day, `YYYY-MM-DD`, with no time zone. Days compare correctly as text. */
export type Day = string;

const DAY_MS = 86_400_000;

/** True for a day that exists in the (proleptic Gregorian) calendar. */
export function isDay(text: string): text is Day {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text);
  if (!match) return false;
  const date = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().slice(0, 10) === text;
}

/** Years that a machine, a source or a build may be of: aircraft are younger, and what lies further off is a typing error. */
export const FIRST_YEAR = 1850;
export const LAST_YEAR = 2199;

/** True for a day or a moment, given as ISO text, in a year that something kept may be of. */
export function isOfOurTime(text: string): boolean {
  const year = new Date(text).getUTCFullYear();
  return year >= FIRST_YEAR && year <= LAST_YEAR;
}

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);
}

export function addDays(day: Day, days: number): Day {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** 1 = Monday ... 7 = Sunday (ISO 8601). */
export function weekdayOf(day: Day): number {
  return new Date(`${day}T00:00:00Z`).getUTCDay() || 7;
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** A day in a sentence: "3 Jan 2026". */
export const dayInWords = (day: Day): string =>
  `${Number(day.slice(8))} ${MONTHS[Number(day.slice(5, 7)) - 1]} ${day.slice(0, 4)}`;

/** A local date-time in a sentence: "Sat 14 Nov, 10:50". */
export function momentInWords(local: string): string {
  const day = local.slice(0, 10);
  const weekday = WEEKDAYS[weekdayOf(day) - 1]!.slice(0, 3);
  return `${weekday} ${Number(day.slice(8))} ${MONTHS[Number(day.slice(5, 7)) - 1]}, ${local.slice(11, 16)}`;
}

/** A local date-time so many minutes later by the clock on the wall, within an evening. */
export const minutesLater = (local: string, minutes: number): string =>
  new Date(Date.parse(`${local.slice(0, 16)}:00Z`) + minutes * 60_000).toISOString().slice(0, 16);
