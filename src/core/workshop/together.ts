import { recipeLabel, withPaints } from '@/core/derive/recipes';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { mixPaints, partsOf, type Part } from '@/core/match/mix/cup';
import { chooseScheme, type SchemeCandidate, type SchemeOptions } from '@/core/match/scheme';
import { recipeCandidates, type RecipeCandidate } from '@/core/match/scheme-recipes';
import { compareNeighbours, type NeighbourPair } from '@/core/match/single';
import { paintInFull, paintLabel, type Paint, type PaintKind } from '@/core/paint/catalogue';

export interface TogetherQuestion {
  calls: { code: string; lab: Lab; sd?: number; kind: PaintKind }[];
  edges: { a: string; b: string }[];
  paints: Paint[];
  /** Mixtures of what is owned may serve too. */
  recipes: boolean;
  options: Pick<SchemeOptions, 'lambda' | 'maxLines' | 'sameChemistry' | 'perBottle'>;
}

/** What makes one call in a solution. */
export interface Made {
  code: string;
  label: string;
  parts: readonly Part[];
  lab: Lab;
  dE00: number;
  /** Expected error of a mixture; 0 for a paint as it is. */
  sd: number;
}
export interface Solution {
  F: number;
  made: Made[];
  pairs: NeighbourPair[];
  buy: string[];
  /** What each bottle that is bought gains over the nearest that is owned. */
  gains: { paintId: string; says: string }[];
  lines: number;
}
export interface TogetherAnswer {
  share: number;
  solutions: Solution[];
  proven: boolean;
  gap: number;
  /** Why there is none. */
  why: string | null;
}

const EFFORT = 400_000;
const MIX_EFFORT = 300_000;
const RECIPES_EACH = 8;

/** One choice for all calls at once, and the next best ones. */
export function searchTogether(
  question: TogetherQuestion,
  onProgress: (answer: TogetherAnswer) => void,
): TogetherAnswer {
  const { calls, edges, paints, options } = question;
  const none = (share: number, why: string | null = null): TogetherAnswer => ({
    share,
    solutions: [],
    proven: false,
    gap: 0,
    why,
  });
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const callsOf = (kind: PaintKind) => calls.filter((call) => call.kind === kind).map(({ code }) => code);
  const single = paints.flatMap((paint) => candidateOf(paint, callsOf(paint.kind)));
  const owned = paints.filter((paint) => paint.ownedMl > 0);
  const mixtures = question.recipes
    ? recipeCandidates(
        calls.filter(({ kind }) => kind === 'solid').map(({ code, lab }) => ({ id: code, lab })),
        mixPaints(owned).map((paint) => ({ ...paint, line: byId.get(paint.id)!.line, owned: true })),
        { effort: MIX_EFFORT, top: RECIPES_EACH },
        (share) => onProgress(none(0.8 * share)),
      )
    : [];
  const unserved = calls.filter(
    ({ code }) => ![...single, ...mixtures.map(({ candidate }) => candidate)].some(({ only }) => only!.includes(code)),
  );
  if (unserved.length > 0)
    return none(
      1,
      `nothing among these paints is of the kind that ${unserved.map(({ code }) => code).join(', ')} asks for`,
    );
  const found = chooseScheme(
    calls.map(({ code, lab, sd }) => ({ id: code, lab, sd, weight: 1 })),
    edges.map((edge) => ({ ...edge, weight: 1 })),
    [...single, ...mixtures.map(({ candidate }) => candidate)],
    { ...options, onlyWhatShows: true, effort: EFFORT },
  );
  if (!found.best) return none(1, 'no choice keeps to the lines and the chemistry asked for');
  const solution = solutionsOf(question, new Map(mixtures.map(({ candidate, recipe }) => [candidate.id, recipe])));
  return {
    share: 1,
    solutions: [found.best, ...found.alternatives].map(solution),
    proven: found.proven && !question.recipes,
    gap: found.gap,
    why: null,
  };
}

/** A paint as it comes from its bottle, for the codes of its kind. */
function candidateOf(paint: Paint, only: string[]): SchemeCandidate | [] {
  const { id, lab, line, chemistry, sd } = paint;
  return lab && only.length > 0 ? { id, lab, line, chemistry, owned: paint.ownedMl > 0, sd, only } : [];
}

/** What a choice comes to: what is made of what, how its neighbours differ, what is to be bought. `recipeOf` gives the mixtures by candidate. */
function solutionsOf(
  { calls, edges, paints }: TogetherQuestion,
  recipeOf: ReadonlyMap<string, RecipeCandidate['recipe']>,
): (choice: { choice: Record<string, string>; F: number }) => Solution {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  return ({ choice, F }) => {
    const made = calls.map(({ code, lab }): Made => {
      const recipe = recipeOf.get(choice[code]!);
      const paint = byId.get(choice[code]!);
      const parts = recipe ? partsOf(recipe) : [{ paintId: paint!.id, drops: 1 }];
      const made = recipe?.lab ?? paint!.lab!;
      return {
        code,
        label: recipe ? recipeLabel(withPaints(parts, byId)) : paintInFull(paint!),
        parts,
        lab: made,
        dE00: deltaE00(lab, made),
        sd: recipe?.sd ?? 0,
      };
    });
    const used = new Set(made.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
    const of = (code: string) => ({
      code,
      official: calls.find((call) => call.code === code)!.lab,
      chosen: made.find((item) => item.code === code)!.lab,
    });
    return {
      F,
      made,
      pairs: edges.map(({ a, b }) => compareNeighbours([of(a), of(b)])[0]!),
      buy: [...used].filter((id) => byId.get(id)!.ownedMl === 0),
      gains: gainsOf(made, calls, paints),
      lines: new Set([...used].map((id) => byId.get(id)!.line)).size,
    };
  };
}

/** What every paint that is to be bought makes better, beside the nearest of the drawer. */
export function gainsOf(
  made: readonly Pick<Made, 'code' | 'parts' | 'lab'>[],
  calls: readonly TogetherQuestion['calls'][number][],
  paints: readonly Paint[],
): Solution['gains'] {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const said = new Map<string, string[]>();
  for (const { code, parts, lab } of made) {
    const call = calls.find((candidate) => candidate.code === code);
    if (!call) continue;
    const owned = paints
      .flatMap((paint) =>
        paint.ownedMl > 0 && paint.lab && paint.kind === call.kind
          ? [{ paint, dE00: deltaE00(call.lab, paint.lab) }]
          : [],
      )
      .sort((a, b) => a.dE00 - b.dE00)[0];
    const dE00 = deltaE00(call.lab, lab);
    const says = owned
      ? `${code} ${dE00.toFixed(1)} off instead of ${owned.dE00.toFixed(1)} with ${paintLabel(owned.paint)}`
      : `${code}: nothing of its kind is in the drawer`;
    for (const { paintId } of parts)
      if (byId.get(paintId)?.ownedMl === 0) said.set(paintId, [...(said.get(paintId) ?? []), says]);
  }
  return [...said].map(([paintId, all]) => ({ paintId, says: all.join('; ') }));
}
