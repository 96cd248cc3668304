import type { Day } from '@/core/units/day';

/** Days and times in the reader's manner. Local date-times (`2026-11-26T19:30`) are shown as they are: they belong to the bench, not to the reader's zone. */
const asUtc = (local: string) => new Date(`${local.length === 10 ? `${local}T00:00` : local}:00Z`);
const format = (options: Intl.DateTimeFormatOptions) => {
  const formatter = new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...options });
  return (local: string | null) => (local ? formatter.format(asUtc(local)).replace(',', '') : '–');
};

/** "Thu 26 Nov" */
export const shortDay = format({ weekday: 'short', day: 'numeric', month: 'short' });
/** "26 Nov 2026" */
export const fullDay = format({ day: 'numeric', month: 'short', year: 'numeric' });
/** "Thursday 26 November" */
export const longDay = format({ weekday: 'long', day: 'numeric', month: 'long' });
/** "19:30" */
export const clock = (local: string | null): string => (local ? local.slice(11, 16) : '–');

/** A window of two days as short as it can be said. */
export function windowInWords(from: Day | null, to: Day | null): string {
  if (!from && !to) return 'no date';
  if (!from || !to || from === to) return fullDay(from ?? to);
  if (from.slice(0, 7) === to.slice(0, 7)) return `${Number(from.slice(8))}–${fullDay(to)}`;
  return `${fullDay(from)} – ${fullDay(to)}`;
}
