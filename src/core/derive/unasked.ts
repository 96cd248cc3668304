import { isSeen } from '@/core/kit/seen';
import type { Fields } from '@/core/kept/records';
import type { Options } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import type { Zone } from '@/core/outline/zones';

/** Zones that will be seen and of which nobody asked the colour yet: what is not asked is not known. */
export function unaskedZones(outline: Outline, options: Options, questions: readonly Fields<'question'>[]): Zone[] {
  const known = new Set(
    questions.filter(({ aspect, item }) => aspect === 'colour' && item === '').map(({ zone }) => zone),
  );
  return outline.zones.filter((zone) => !known.has(zone.key) && isSeen(zone, options));
}
