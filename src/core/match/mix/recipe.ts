import type { Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';

/** A paint to mix with, in catalogue order: that order breaks ties. */
export interface MixPaint {
  id: string;
  pigment: Pigment;
  /** Expected error of mixtures of paints known as well as this one, dE00. */
  sd: number;
  chemistry?: string;
}

/** Whole drops of paints, in the order of the catalogue. */
export interface Recipe {
  drops: { id: string; count: number }[];
  lab: Lab;
  dE00: number;
  /** dE00 + perPaint x (paints - 1) + perDrop x drops: what is minimised. */
  score: number;
  /** How far off the mixture may honestly be, dE00. */
  sd: number;
}

export interface MixOptions {
  maxPaints: number;
  maxDrops: number;
  top: number;
  perPaint: number;
  perDrop: number;
  /** Only paints that share a chemistry are mixed. */
  sameChemistry: boolean;
  /** Recipes that may be evaluated before the search stops: the same for everybody, unlike a clock. */
  effort: number;
}

export const MIX_DEFAULTS: MixOptions = {
  maxPaints: 3,
  maxDrops: 12,
  top: 10,
  perPaint: 0.2,
  perDrop: 0.01,
  sameChemistry: true,
  effort: 2_000_000,
};

export interface MixResult {
  recipes: Recipe[];
  evaluated: number;
  /** Every recipe was looked at: nothing better exists. */
  proven: boolean;
}

export const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** All ways to share at most `most` drops among `paints` paints, at least one each, with no common divisor. */
export function dropCounts(paints: number, most: number): number[][] {
  const ways: number[][] = [];
  const fill = (counts: number[], left: number) => {
    if (counts.length === paints) {
      if (counts.reduce(divisor) === 1) ways.push(counts);
      return;
    }
    for (let count = 1; count <= left - (paints - counts.length - 1); count += 1)
      fill([...counts, count], left - count);
  };
  fill([], most);
  return ways;
}

const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k);

/** How many recipes there are: what an exhaustive search would look at. */
export const recipeCount = (
  paints: number,
  { maxPaints, maxDrops }: Pick<MixOptions, 'maxPaints' | 'maxDrops'>,
): number =>
  Array.from({ length: Math.min(maxPaints, paints) }, (_, i) => i + 1).reduce(
    (sum, k) => sum + choose(paints, k) * dropCounts(k, maxDrops).length,
    0,
  );

/** Indices of paints, rising, with their drops. */
export type Parts = readonly { paint: number; count: number }[];

export type Counting = Pick<MixOptions, 'perPaint' | 'perDrop'>;

/** What paints and drops add to the difference in a recipe's score. */
export const costOf = (paints: number, drops: number, { perPaint, perDrop }: Counting) =>
  perPaint * (paints - 1) + perDrop * drops;

export const dropsOf = (parts: Parts) => parts.reduce((sum, part) => sum + part.count, 0);
export const keyOf = (parts: Parts) => parts.map(({ paint, count }) => `${paint}:${count}`).join(' ');

/** One paint is as sure as its own colour; a mixture as the paints in it, weighted by their shares, in squares. */
const OWN_COLOUR_SD = 0.3;
export const recipeSd = (parts: readonly { sd: number; share: number }[]): number =>
  parts.length === 1 ? OWN_COLOUR_SD : Math.sqrt(parts.reduce((sum, { sd, share }) => sum + share * sd * sd, 0));
