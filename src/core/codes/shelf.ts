import { poolChips } from '@/core/colour/chips';
import type { Lab } from '@/core/colour/types';
import type { Kept } from '@/core/brief/records';
import type { ColourSystem } from './system';

/** A code of an official standard with what is known of its colour. */
export interface OfficialColour {
  record: Kept<'colour_code'>;
  /** Pooled over its chips; null while it has none. */
  lab: Lab | null;
  sd: number;
}

export function officialColours(
  codes: readonly Kept<'colour_code'>[],
  chips: readonly Kept<'chip'>[],
): Map<string, OfficialColour> {
  return new Map(
    codes.map((record) => {
      const pooled = poolChips(chips.filter((chip) => chip.codeId === record.id));
      return [record.code, { record, lab: pooled?.lab ?? null, sd: pooled?.sd ?? 0 }];
    }),
  );
}

/**
 * The systems that the known codes belong to, with the most digits that occur. A code that does not begin with its system's
 * letters (one a builder made up) has no grammar: it is only ever written as it is.
 */
export function systemsOf(codes: readonly Pick<Kept<'colour_code'>, 'system' | 'code'>[]): ColourSystem[] {
  const digits = new Map<string, number>();
  for (const { system, code } of codes) {
    const number = code.startsWith(`${system.toUpperCase()} `) ? code.slice(system.length + 1) : '';
    if (/^\d+$/.test(number)) digits.set(system, Math.max(digits.get(system) ?? 1, number.length));
  }
  return [...digits].map(([id, most]) => ({ id, title: id, prefix: id.toUpperCase(), digits: most }));
}
