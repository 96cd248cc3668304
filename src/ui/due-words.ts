import { countedInWords, lowered, plural } from '@/core/units/words';
import type { Due } from '@/core/derive/due';
import { fullDay, longDay, shortDay } from './dates';

/** By when an answer is wanted, and what a day of the plan leaves out, as every station says it. */

/** "by Thu 3 Dec, before “Close the fuselage”". */
export function dueInWords({ step, by, tooLate }: Due): string {
  if (!step) return tooLate ? 'too late: what it decides is done' : 'no step waits for it';
  const when = by ? `by ${fullDay(by.slice(0, 10))}, ` : '';
  return `${when}before “${lowered(step.title)}”`;
}

/** What stands in the way of the next step that waits for answers: of all that is open, the most pressing. */
export function pressing(items: readonly { says: string; due: Due }[]): string {
  const next = items.find(({ due }) => due.step && !due.tooLate);
  if (!next) return '';
  const { key, title } = next.due.step!;
  const waiting = items.filter(({ due }) => !due.tooLate && due.step?.key === key);
  const when = next.due.start ? ` on ${shortDay(next.due.start)}` : '';
  return `${countedInWords(waiting.length, 'open answer')} ${plural('stands', waiting.length)} in the way of “${lowered(title)}”${when}.`;
}

/** "finished on Saturday 12 December, without what two open answers will add". */
export const finishedInWords = (finish: string, open: number): string =>
  `finished on ${longDay(finish.slice(0, 10))}${leftOut(open)}`;

/** What a day or a plan does not count yet; '' where nothing is open. */
export const leftOut = (open: number): string =>
  open === 0 ? '' : `, without what ${countedInWords(open, 'open answer').toLowerCase()} will add`;
