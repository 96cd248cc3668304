import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { chemistryOf, type Part } from '@/core/match/mix/cup';
import type { Kept } from '@/core/kept/records';

/** A kept recipe with the paints it is made of. */
export interface RecipeView {
  record: Kept<'recipe'>;
  parts: { paint: Paint; drops: number }[];
  /** Paints that were removed since. */
  lost: number;
}

/** Drops with the paints that they are of; those of a paint that is gone are left out. */
export const withPaints = (parts: readonly Part[], paints: ReadonlyMap<string, Paint>): RecipeView['parts'] =>
  parts.flatMap(({ paintId, drops }) => {
    const paint = paints.get(paintId);
    return paint ? [{ paint, drops }] : [];
  });

export function recipeView(record: Kept<'recipe'>, paints: ReadonlyMap<string, Paint>): RecipeView {
  const parts = withPaints(record.parts, paints);
  return { record, parts, lost: record.parts.length - parts.length };
}

/** "5 Hask 104 + 2 Hask 108". */
export const recipeLabel = (parts: RecipeView['parts']): string =>
  parts.map(({ paint, drops }) => `${drops} ${paintLabel(paint)}`).join(' + ');

/**
 * A recipe as the paint that it makes, so that whatever asks for a paint (route, bench, brief) takes a mixture too: its colour as last
 * seen or else as predicted, everything else that of the paint of most drops. Null when none of its paints is left.
 */
export function recipeAsPaint(view: RecipeView): Paint | null {
  const main = [...view.parts].sort((a, b) => b.drops - a.drops)[0]?.paint;
  if (!main) return null;
  const total = view.parts.reduce((sum, { drops }) => sum + drops, 0);
  // How much can be mixed from what stands in the drawer.
  const ownedMl = Math.min(...view.parts.map(({ paint, drops }) => (paint.ownedMl * total) / drops));
  const { record } = view;
  return {
    ...main,
    id: record.id,
    line: 'Mixture',
    number: recipeLabel(view.parts),
    name: '',
    chemistry:
      chemistryOf(view.parts.map(({ paint, drops }) => ({ chemistry: paint.chemistry, drops }))) ?? main.chemistry,
    lab: record.observed ?? record.predicted,
    sd: record.observed ? (record.observedSd ?? record.sd) : record.sd,
    data: null,
    claims: [],
    formerly: [],
    bottles: [],
    ownedMl,
  };
}
