import { measureAsTyped, withUnit, type ShownUnits } from '@/core/units/shown';
import { aspectOf, type Aspect } from './aspects';
import { readValue } from './value';
import type { Clarity } from './weights';

/** What one cell of the ledger says, as typed without leaving the keyboard. */
export interface CellEntry {
  value: string;
  sd: number | null;
  clarity: Clarity;
  sense: 'for' | 'against';
}

/**
 * Reads a cell: the value alone is clear, `value ~` is partial, `value ?` inferred, `! value` "should show it and doesn't".
 * `fallback` is the clarity that the source allows a plain entry (a monochrome picture only infers a colour).
 * Null for an empty cell.
 */
export function readCell(
  aspect: Aspect,
  text: string,
  fallback: Clarity = 'clear',
): CellEntry | { fault: string } | null {
  const match = /^\s*(!|≠)?\s*(.*?)\s*(~|\?|\*)?\s*$/.exec(text)!;
  const [, against, body, mark] = match;
  if (body === '') return against || mark ? { fault: 'a value is needed' } : null;
  const value = readValue(aspect, body!);
  if ('fault' in value) return value;
  const clarity = mark === '~' ? 'partial' : mark === '?' ? 'inferred' : mark === '*' ? 'clear' : fallback;
  return { ...value, clarity, sense: against ? 'against' : 'for' };
}

/** A cell as it is sent: a length that names no unit is in the one that is shown. */
export function cellInUnits(aspect: Aspect, text: string, shown: ShownUnits): string {
  if (shown === 'metric' || aspectOf(aspect).type !== 'length') return text;
  const [, against = '', body = '', mark = ''] = /^(\s*[!≠]?\s*)(.*?)(\s*[~?*]?\s*)$/.exec(text)!;
  return `${against}${withUnit(body, 'mm', shown)}${mark}`;
}

/** A length of the evidence as it is shown, its spread with it: bare millimetres where metric is chosen. */
export function lengthShown(value: string, sd: number | null, shown: ShownUnits): string {
  const say = (mm: number) => measureAsTyped(mm, 'mm', shown);
  return `${say(Number(value))}${sd === null ? '' : ` ± ${say(sd)}`}`;
}

/** The text that `readCell` reads back as this sighting. */
export function printCell(
  { value, sd, clarity, sense }: CellEntry,
  fallback: Clarity = 'clear',
  said = `${value}${sd === null ? '' : ` ± ${sd}`}`,
): string {
  const mark = clarity === fallback ? '' : { clear: ' *', partial: ' ~', inferred: ' ?' }[clarity];
  return `${sense === 'against' ? '! ' : ''}${said}${mark}`;
}
