import type { Lab } from '@/core/colour/types';
import { Best } from './best-recipes';
import { dropCounts, MIX_DEFAULTS, recipeCount, type MixOptions, type MixPaint, type MixResult } from './recipe';
import { CLIMBED, searchRecipes } from './recipe-search';

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
