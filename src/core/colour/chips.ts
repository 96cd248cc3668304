import type { Lab } from './types';

export const CHIP_ORIGINS = ['measured', 'published', 'converted', 'sampled', 'eyeballed'] as const;
export type ChipOrigin = (typeof CHIP_ORIGINS)[number];

/** Typical uncertainty in dE00 of a chip by its origin, used when none is stated. */
export const ORIGIN_SD: Record<ChipOrigin, { sd: number; reason: string }> = {
  measured: {
    sd: 0.4,
    reason: 'an instrument on a clean chip repeats to about 0.3 and two instruments agree to about 0.5',
  },
  published: { sd: 1, reason: 'printed values are rounded, and the chip set behind them is one of several' },
  converted: { sd: 1.5, reason: 'a Munsell notation is rounded to half a step, about 1.5' },
  sampled: { sd: 3, reason: 'a photograph with a grey card, corrected for its light' },
  eyeballed: { sd: 6, reason: 'chosen by eye on a screen' },
};

export interface Chip {
  lab: Lab;
  origin: ChipOrigin;
  /** Uncertainty in dE00. */
  sd: number;
}

/** Several chips of one code as one: means weighted by 1/sd^2, and the standard error that follows. */
export function poolChips(chips: readonly Chip[]): { lab: Lab; sd: number } | null {
  if (chips.length === 0) return null;
  const weights = chips.map((chip) => 1 / Math.max(chip.sd, 0.05) ** 2);
  const total = weights.reduce((a, b) => a + b, 0);
  const mean = (axis: 0 | 1 | 2) => chips.reduce((t, chip, i) => t + chip.lab[axis] * weights[i]!, 0) / total;
  return { lab: [mean(0), mean(1), mean(2)], sd: Math.sqrt(1 / total) };
}
