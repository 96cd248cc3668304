import { WAY_FACTS, type Way } from '@/core/kit/applying';
import type { Outline } from '@/core/outline/outline';

/** The custom of spraying light colours before dark ones: dark covers a mistake in light, and not the reverse. */

/** A colour counts as a large area from this share of the painted skin on. */
const LARGE_SHARE = 0.25;

/** Codes that cover a large part of what is painted. */
export function largeCodes(
  calls: readonly { code: string; zones: readonly string[] }[],
  { zones }: Pick<Outline, 'zones'>,
): Set<string> {
  const area = new Map(zones.map(({ key, areaM2 }) => [key, areaM2]));
  const areaOf = (keys: readonly string[]) => keys.reduce((sum, zone) => sum + (area.get(zone) ?? 0), 0);
  const whole = areaOf([...new Set(calls.flatMap((call) => call.zones))]);
  return new Set(
    calls.flatMap(({ code, zones: own }) => (whole > 0 && areaOf(own) >= LARGE_SHARE * whole ? [code] : [])),
  );
}

/** Before all others, and after them. */
const [FIRST, LAST] = [101, -1];
/** What comes from a can, where everything else would have to be masked for it, comes before all that is there to be masked. */
const CANNED = 1000;

/**
 * The place of a colour in that custom, the highest first: its lightness. Metallics over large areas come before all, since everything is
 * masked over them and nothing over what is masked; small metallics last.
 */
export const sprayRank = (
  lightness: number | undefined,
  isMetallic: boolean,
  isLarge: boolean,
  way: Way = 'airbrush',
): number =>
  WAY_FACTS[way].masking === 'everything else'
    ? CANNED + (lightness ?? 50)
    : isMetallic
      ? isLarge
        ? FIRST
        : LAST
      : (lightness ?? 50);
