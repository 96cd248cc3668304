import { deltaE00 } from '@/core/colour/difference';
import type { Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import { Best, mixedLab, recipeSd } from './best-recipes';
import { MixKernel } from './mix-kernel';
import { CLIMBED, searchRecipes } from './recipe-search';

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

/** Where all recipes are at most so many parts of the effort, all are looked at: on all bands, which takes longer than on ten. */
const LOOK_COST = 8;

/**
 * Recipes of few whole drops that come nearest to a target, best first. Where all of them fit into the effort, all are looked at and the
 * answer is proven; otherwise `searchRecipes` leaves out what cannot come near. `onStage` hears how far it is, with the best so far.
 */
export function findRecipes(
  target: Lab,
  paints: readonly MixPaint[],
  given: Partial<MixOptions> = {},
  onStage?: (soFar: MixResult, share: number) => void,
): MixResult {
  const options = { ...MIX_DEFAULTS, ...given };
  const all = recipeCount(paints.length, options) <= options.effort / LOOK_COST;
  const best = new Best(
    target,
    paints,
    options,
    all || options.maxPaints < 4 ? options.top : Math.max(options.top, CLIMBED),
  );
  const result = (proven: boolean): MixResult => ({
    recipes: best.recipes(options.top),
    evaluated: best.evaluated,
    proven,
  });
  const stage = (share: number) => onStage?.(result(false), share);
  if (all) lookAtAll(best, paints, options, stage);
  else searchRecipes(target, best, paints, options, stage);
  return result(all);
}

function lookAtAll(best: Best, paints: readonly MixPaint[], options: MixOptions, stage: (share: number) => void) {
  for (let size = 1; size <= Math.min(options.maxPaints, paints.length); size += 1) {
    const ways = dropCounts(size, options.maxDrops);
    for (const chosen of combinations(paints.length, size)) {
      if (options.sameChemistry && new Set(chosen.map((paint) => paints[paint]!.chemistry)).size > 1) continue;
      for (const counts of ways) best.look(chosen.map((paint, i) => ({ paint, count: counts[i]! })));
    }
    stage(size / options.maxPaints);
  }
}

function* combinations(n: number, size: number, from = 0): Generator<number[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let first = from; first <= n - size; first += 1)
    for (const rest of combinations(n, size - 1, first + 1)) yield [first, ...rest];
}

/** The colour of a recipe set by hand, and how far it is from a target. */
export function tryRecipe(
  target: Lab,
  parts: readonly { pigment: Pigment; sd: number; count: number }[],
): { lab: Lab; dE00: number; sd: number } {
  const kernel = new MixKernel(parts.map(({ pigment }) => pigment));
  const lab = mixedLab(
    kernel,
    parts.map(({ count }, paint) => ({ paint, count })),
  );
  const drops = parts.reduce((sum, part) => sum + part.count, 0);
  return {
    lab,
    dE00: deltaE00(target, lab),
    sd: recipeSd(parts.map(({ sd, count }) => ({ sd, share: count / drops }))),
  };
}
