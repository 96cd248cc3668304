import type { Lab } from '@/core/colour/types';
import { Best } from './best-recipes';
import { MIX_DEFAULTS, type MixOptions, type MixPaint, type MixResult } from './recipe';

/** A paint that has to be in the recipe, with so many drops or any number. */
export interface Lock {
  id: string;
  count: number | null;
}

/** Of the paints that alone go best with the locked ones, so many are tried with every other. */
const PARTNERS = 25;
const MOST_PAINTS = 4;

/**
 * Recipes that keep what is locked: every number of drops of it, with no further paint, with any one, and (where that many are allowed)
 * with pairs whose one half goes best. Proven unless pairs were needed.
 */
export function findLocked(
  target: Lab,
  paints: readonly MixPaint[],
  locks: readonly Lock[],
  given: Partial<MixOptions> = {},
): MixResult {
  const options = { ...MIX_DEFAULTS, ...given };
  const locked = locks.map(({ id }) => paints.findIndex((paint) => paint.id === id)).filter((at) => at >= 0);
  if (locked.length === 0 || locked.length > MOST_PAINTS) return { recipes: [], evaluated: 0, proven: true };
  const chemistry = paints[locked[0]!]!.chemistry;
  const pool = paints.flatMap((paint, at) =>
    !locked.includes(at) && (!options.sameChemistry || paint.chemistry === chemistry) ? [at] : [],
  );
  const extra = Math.max(0, Math.min(options.maxPaints, MOST_PAINTS) - locked.length);
  const fixed = locks.map(({ count }) => count);
  const best = new Best(target, paints, options, options.top);

  /** All drops of a set of paints; the best score among them. */
  const look = (others: readonly number[]): number => {
    const set = [...locked, ...others];
    let least = Infinity;
    for (const counts of drops([...fixed, ...others.map(() => null)], options.maxDrops)) {
      const parts = set.map((paint, i) => ({ paint, count: counts[i]! })).sort((a, b) => a.paint - b.paint);
      least = Math.min(least, best.look(parts));
    }
    return least;
  };

  look([]);
  if (extra >= 1) {
    const partners = pool.map((at) => ({ at, score: look([at]) })).sort((a, b) => a.score - b.score);
    if (extra >= 2)
      partners.slice(0, PARTNERS).forEach(({ at }, i) => {
        const before = new Set(partners.slice(0, i).map((partner) => partner.at));
        for (const other of pool) if (other !== at && !before.has(other)) look([at, other]);
      });
  }
  return {
    recipes: best.recipes(options.top),
    evaluated: best.evaluated,
    proven: extra < 2,
  };
}

/** Every number of drops, at least one each, fixed where it is given, at most `most` together (or what is fixed alone needs). */
function* drops(fixed: readonly (number | null)[], most: number, so: number[] = []): Generator<number[]> {
  if (so.length === fixed.length) {
    yield so;
    return;
  }
  const here = fixed[so.length]!;
  if (here !== null) {
    yield* drops(fixed, most, [...so, here]);
    return;
  }
  const rest = fixed.slice(so.length + 1).reduce((sum: number, count) => sum + (count ?? 1), 0);
  const left = most - so.reduce((a, b) => a + b, 0) - rest;
  for (let count = 1; count <= Math.max(1, left); count += 1) yield* drops(fixed, most, [...so, count]);
}
