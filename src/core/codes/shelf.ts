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

export function officialColours(codes: readonly Kept<'colour_code'>[], chips: readonly Kept<'chip'>[]): Map<string, OfficialColour> {
  return new Map(
    codes.map((record) => {
      const pooled = poolChips(chips.filter((chip) => chip.codeId === record.id));
      return [record.code, { record, lab: pooled?.lab ?? null, sd: pooled?.sd ?? 0 }];
    }),
  );
}

/** The systems that the known codes belong to, with the most digits that occur. */
export function systemsOf(codes: readonly Kept<'colour_code'>[]): ColourSystem[] {
  const digits = new Map<string, number>();
  for (const { system, code } of codes) digits.set(system, Math.max(digits.get(system) ?? 1, code.replace(/\D/g, '').length));
  return [...digits].map(([id, most]) => ({ id, title: id, prefix: id.toUpperCase(), digits: most }));
}
