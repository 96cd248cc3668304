import { parseNumber } from '@/core/units/number';
import { aspectOf, type Aspect } from './aspects';

/** A value as it is kept (text, a length as a plain number of mm), or what is wrong with it. */
export type ReadValue = { value: string; sd: number | null } | { fault: string };

/**
 * Reads a value as typed for an aspect: `412`, `412 mm`, `41.2 cm`, `0.412 m`, each with `±15` or `+-15` in the same unit;
 * a choice in any case or by its first letters when only one fits; everything else as it stands.
 */
export function readValue(aspect: Aspect, text: string): ReadValue {
  const typed = text.trim();
  if (typed === '') return { fault: 'a value is needed' };
  const { type, choices } = aspectOf(aspect);
  if (type === 'length') return readLength(typed);
  if (type === 'choice') return readChoice(typed, choices!);
  return { value: typed, sd: null };
}

const MM_PER = { mm: 1, cm: 10, m: 1000 } as const;

function readLength(typed: string): ReadValue {
  const match = /^([^±a-z]+?)\s*(?:(?:±|\+\/?-)\s*([^a-z]+?))?\s*(mm|cm|m)?$/i.exec(typed);
  const mm = match && parseNumber(match[1]!);
  const sd = match?.[2] === undefined ? null : parseNumber(match[2]);
  if (mm === null || mm <= 0 || (match![2] !== undefined && (sd === null || sd < 0)))
    return { fault: `"${typed}" is no length: give millimetres on the real machine, such as 412 or 412 ± 15` };
  const per = MM_PER[(match![3]?.toLowerCase() ?? 'mm') as keyof typeof MM_PER];
  const round = (value: number) => Math.round(value * per * 1000) / 1000;
  return { value: String(round(mm)), sd: sd === null ? null : round(sd) };
}

function readChoice(typed: string, choices: readonly string[]): ReadValue {
  const wanted = typed.toLowerCase();
  const exact = choices.find((choice) => choice === wanted);
  const begun = choices.filter((choice) => choice.startsWith(wanted));
  const found = exact ?? (begun.length === 1 ? begun[0] : undefined);
  return found ? { value: found, sd: null } : { fault: `"${typed}" is none of ${choices.join(', ')}` };
}
