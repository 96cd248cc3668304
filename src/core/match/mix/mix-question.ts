import type { Lab } from '@/core/colour/types';
import { findLocked, type Lock } from './locked';
import { mixPaints, whyNoNearer } from './cup';
import { findRecipes } from './find-recipes';
import type { MixResult, Recipe } from './recipe';
import type { Paint } from '@/core/paint/catalogue';

/** What a search for recipes needs; plain data, for a worker. */
export interface MixQuestion {
  target: Lab;
  paints: Paint[];
  locks: Lock[];
  maxPaints: number;
  maxDrops: number;
  sameChemistry: boolean;
}

export interface MixAnswer {
  recipes: Recipe[];
  proven: boolean;
  evaluated: number;
  /** How far the search is, 0 to 1. */
  share: number;
  /** Why nothing nearer comes out; null when what came out is near enough. */
  why: string | null;
}

const TOP = 10;
/** Mixtures looked at, at most: all that is worth it for a drawer, seconds of a large catalogue. */
const EFFORT = 6_000_000;
const NEAR_ENOUGH = 2;

/** Recipes best first, `onProgress` hearing of every better state on the way. */
export function searchMixtures(question: MixQuestion, onProgress: (answer: MixAnswer) => void): MixAnswer {
  const paints = mixPaints(question.paints);
  const { target, maxPaints, maxDrops, sameChemistry } = question;
  const options = { maxPaints, maxDrops, sameChemistry, top: TOP };
  const answer = ({ recipes, proven, evaluated }: MixResult, share: number): MixAnswer => {
    const [best] = recipes;
    return {
      recipes,
      proven,
      evaluated,
      share,
      why: share === 1 && best && best.dE00 > NEAR_ENOUGH ? whyNoNearer(target, best.lab, paints) : null,
    };
  };
  if (paints.length === 0)
    return {
      recipes: [],
      proven: true,
      evaluated: 0,
      share: 1,
      why: 'no paint here can be mixed: none of them is solid with a known colour',
    };
  if (question.locks.length > 0) return answer(findLocked(target, paints, question.locks, options), 1);
  const found = findRecipes(target, paints, { ...options, effort: EFFORT }, (soFar, share) =>
    onProgress(answer(soFar, Math.min(share, 0.99))),
  );
  return answer(found, 1);
}
