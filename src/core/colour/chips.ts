import { deltaE00 } from './difference';
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

export interface PooledChips<C extends Chip = Chip> {
  lab: Lab;
  /** Standard error of the mean, dE00, widened where the chips disagree more than their uncertainties allow. */
  sd: number;
  /** Chips too far from the rest to be of the same colour; they are not in the mean. */
  outliers: { chip: C; dE00: number }[];
  /** Two or more chips that differ by more than their uncertainties, with no telling which is wrong. */
  disagree: boolean;
}

/** A chip further from the mean of the others than so many combined uncertainties is named; with fewer than three nobody can tell which. */
const OUTLIER_SDS = 3;
const LEAST_TO_JUDGE = 3;

/**
 * Several chips of one code as one: means weighted by 1/sd^2 and the standard error that follows, widened by the Birge ratio (Birge 1932)
 * where they scatter more than they should. Outliers are named worst first and left out. Null without any chip.
 */
export function poolChips<C extends Chip>(chips: readonly C[]): PooledChips<C> | null {
  if (chips.length === 0) return null;
  let standing = [...chips];
  const outliers: { chip: C; dE00: number }[] = [];
  while (standing.length >= LEAST_TO_JUDGE) {
    const worst = standing
      .map((chip) => {
        const rest = meanOf(standing.filter((other) => other !== chip));
        const dE00 = deltaE00(chip.lab, rest.lab);
        return { chip, dE00, sds: dE00 / Math.hypot(chip.sd, rest.sd, 0.3) };
      })
      .reduce((a, b) => (b.sds > a.sds ? b : a));
    if (worst.sds <= OUTLIER_SDS) break;
    outliers.push({ chip: worst.chip, dE00: worst.dE00 });
    standing = standing.filter((chip) => chip !== worst.chip);
  }
  const { lab, sd } = meanOf(standing);
  const chi = standing.reduce((sum, chip) => sum + (deltaE00(chip.lab, lab) / Math.max(chip.sd, 0.3)) ** 2, 0);
  const birge = standing.length > 1 ? Math.sqrt(chi / (standing.length - 1)) : 0;
  return { lab, sd: sd * Math.max(1, birge), outliers, disagree: birge > 2 };
}

function meanOf(chips: readonly Chip[]): { lab: Lab; sd: number } {
  const weights = chips.map((chip) => 1 / Math.max(chip.sd, 0.05) ** 2);
  const total = weights.reduce((a, b) => a + b, 0);
  const mean = (axis: 0 | 1 | 2) => chips.reduce((t, chip, i) => t + chip.lab[axis] * weights[i]!, 0) / total;
  return { lab: [mean(0), mean(1), mean(2)], sd: Math.sqrt(1 / total) };
}
