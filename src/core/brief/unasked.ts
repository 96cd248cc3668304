import { isSeen } from '@/core/kit/seen';
import type { Options } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import type { Zone } from '@/core/outline/zones';

/** Zones that will be seen and of which nobody asked the colour yet: what is not asked is not known. */
export function unaskedZones(outline: Outline, options: Options, asked: Iterable<string>): Zone[] {
  const known = new Set(asked);
  return outline.zones.filter((zone) => !known.has(zone.key) && isSeen(zone, options));
}
