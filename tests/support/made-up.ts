import type { Lab } from '@/core/colour/types';
import type { MixPaint } from '@/core/match/mix/recipe';
import type { Opacity } from '@/core/paint/catalogue';
import { pigmentOf } from '@/core/paint/pigment';

export const OPACITIES: Opacity[] = ['opaque', 'semi', 'transparent'];
/** Contrast ratios of the made-up paints, in turn: those that the searches were measured with. */
const CONTRASTS = [0.98, 0.9, 0.6];

/** A repeatable row of numbers in 0..1 (Lehmer's generator). */
export function numbers(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** A repeatable drawer of paints to mix with: any colour that a hobby paint may have, of every opacity. */
export function madeUpPaints(count: number, seed = 11): MixPaint[] {
  const next = numbers(seed);
  return Array.from({ length: count }, (_, i) => {
    const [L, chroma, hue] = [18 + 74 * next(), 32 * next(), 2 * Math.PI * next()];
    const colour: Lab = [L, chroma * Math.cos(hue), chroma * Math.sin(hue)];
    const { pigment, sd } = pigmentOf({ colour, contrastRatio: CONTRASTS[i % 3]! });
    return { id: `p${i}`, pigment, sd };
  });
}
