import { readMeasure } from '@/core/units/measure';
import { aspectOf, type Aspect } from './aspects';
import { isCoatOrder, printCoatOrder, readCoatOrder } from './coat-order';

/** A value as it is kept (text, a length as a plain number of mm), or what is wrong with it. */
export type ReadValue = { value: string; sd: number | null } | { fault: string };

/**
 * Reads a value as typed for an aspect: `412`, `41.2 cm`, `1 ft 4 in`, each with `±15` or `+-15` in the same unit or its own;
 * a choice in any case or by its first letters when only one fits; coats bottom up, as `TCS 7 > fluid > TCS 12 > scratched`; everything else as
 * it stands.
 */
export function readValue(aspect: Aspect, text: string): ReadValue {
  const typed = text.trim();
  if (typed === '') return { fault: 'a value is needed' };
  const { type, choices } = aspectOf(aspect);
  if (type === 'length') return readLength(typed);
  if (type === 'choice') return readChoice(typed, choices!);
  if (type === 'coats' && isCoatOrder(typed)) {
    const order = readCoatOrder(typed);
    return 'fault' in order ? order : { value: printCoatOrder(order), sd: null };
  }
  return { value: typed, sd: null };
}

/** "41.2 ± 0.5 cm": a unit that is written once holds for both. */
function readLength(typed: string): ReadValue {
  const [size = '', within, ...more] = typed.split(/±|\+\/-|\+-/).map((part) => part.trim());
  const unitOf = (part: string | undefined) => /([^\d\s.,/½¼¾⅛⅜⅝⅞−-]+)$/.exec(part ?? '')?.[1] ?? '';
  const inUnit = (part: string, unit: string) => readMeasure(unitOf(part) ? part : `${part} ${unit}`.trim(), 'mm');
  const mm = inUnit(size, unitOf(within));
  const sd = within === undefined ? null : inUnit(within, unitOf(size));
  if (mm === null || mm <= 0 || more.length > 0 || (within !== undefined && (sd === null || sd < 0)))
    return {
      fault: `"${typed}" is no length: give millimetres on the real machine, or a unit, such as 412, 412 ± 15 or 2 ft 6 in`,
    };
  const round = (value: number) => Math.round(value * 1000) / 1000;
  return { value: String(round(mm)), sd: sd === null ? null : round(sd) };
}

function readChoice(typed: string, choices: readonly string[]): ReadValue {
  const wanted = typed.toLowerCase();
  const exact = choices.find((choice) => choice === wanted);
  const begun = choices.filter((choice) => choice.startsWith(wanted));
  const found = exact ?? (begun.length === 1 ? begun[0] : undefined);
  return found ? { value: found, sd: null } : { fault: `"${typed}" is none of ${choices.join(', ')}` };
}
