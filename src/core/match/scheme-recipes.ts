import type { Lab } from '@/core/colour/types';
import { chemistryOf } from './mix/cup';
import { findRecipes } from './mix/find-recipes';
import type { MixOptions, MixPaint, Recipe } from './mix/recipe';
import type { SchemeCandidate } from './scheme';

/** A paint that may go into the mixtures of a scheme. */
export interface SchemePaint extends MixPaint {
  line: string;
  owned: boolean;
}

/** A mixture as a candidate for one call, with the recipe behind it. */
export interface RecipeCandidate {
  candidate: SchemeCandidate;
  recipe: Recipe;
}

/**
 * The best mixtures of two paints or more for each call, as candidates that share bottles. The search of each is as long as `effort`
 * allows, so what comes of it is good, not proven. `onStage` hears of each call that is done.
 */
export function recipeCandidates(
  calls: readonly { id: string; lab: Lab }[],
  paints: readonly SchemePaint[],
  options: Partial<MixOptions>,
  onStage: (share: number) => void = () => undefined,
): RecipeCandidate[] {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  return calls.flatMap((call, i) => {
    const { recipes } = findRecipes(call.lab, paints, options);
    onStage((i + 1) / calls.length);
    return recipes
      .filter(({ drops }) => drops.length > 1)
      .map((recipe): RecipeCandidate => {
        const parts = recipe.drops.map(({ id, count }) => ({ ...byId.get(id)!, drops: count }));
        const chemistry = chemistryOf(parts.map(({ chemistry: own, drops }) => ({ chemistry: own ?? '', drops })));
        return {
          recipe,
          candidate: {
            id: `${call.id}: ${recipe.drops.map(({ id, count }) => `${count} ${id}`).join(' + ')}`,
            lab: recipe.lab,
            line: parts[0]!.line,
            chemistry: chemistry ?? '',
            owned: false,
            parts: parts.map(({ id, line, owned }) => ({ id, line, owned })),
            only: [call.id],
          },
        };
      });
  });
}
