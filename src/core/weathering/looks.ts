import { labToXyz, xyzToLab } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { EFFECTS, type EffectName } from './effects';
import type { Exposure } from './exposure';

/** Something laid on a zone that leaves the rest of it to be seen: its colour, and the share of the area that it covers, 0 to 1. */
export interface Cover {
  colour: Lab;
  share: number;
}

/**
 * How a zone looks from where its marks are no longer told apart: light mixes by area, in linear light. What is laid later lies over what was
 * laid before.
 */
export function lookOf(base: Lab, covers: readonly Cover[]): Lab {
  let seen = labToXyz(base);
  for (const { colour, share } of covers) {
    const over = labToXyz(colour);
    const part = Math.min(1, Math.max(0, share));
    seen = [0, 1, 2].map((i) => (1 - part) * seen[i]! + part * over[i]!) as unknown as typeof seen;
  }
  return xyzToLab(seen);
}

/** Each zone as it looks from afar under these layers, from its own colour. */
export function looksUnder(
  bases: ReadonlyMap<string, Lab>,
  layers: readonly { effect: EffectName; zones: readonly string[]; cover: Cover }[],
  exposure: Exposure,
): Map<string, Lab> {
  const looks = new Map<string, Lab>();
  for (const [zone, base] of bases) {
    const covers = layers
      .filter(({ zones }) => zones.includes(zone))
      .map(({ effect, cover }) =>
        // A fade is of the zone's own colour.
        effect === 'fade' ? { ...cover, colour: EFFECTS.fade.colour(exposure, base) } : cover,
      );
    if (covers.length > 0) looks.set(zone, lookOf(base, covers));
  }
  return looks;
}
