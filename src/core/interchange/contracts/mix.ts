import { z } from 'zod';
import { findRecipes } from '@/core/match/mix/find-recipes';
import { MIX_DEFAULTS } from '@/core/match/mix/recipe';
import { colourValue } from './colour-value';
import { ContractFaults, finite, parseInput, type Contract } from './contract';
import { paintValue } from './paint-value';

const whole = (least: number, most: number) =>
  finite.int('must be a whole number').min(least, `must be at least ${least}`).max(most, `must be at most ${most}`);

const input = z.strictObject(
  {
    target: colourValue,
    paints: z
      .array(paintValue, { error: 'must be a list of paints' })
      .min(1, 'must have at least one paint')
      .max(5000, 'must have at most 5000 paints'),
    maxPaints: whole(1, 4).optional(),
    maxDrops: whole(1, 24).optional(),
    top: whole(1, 100).optional(),
    perPaint: finite.min(0, 'must not be below 0').optional(),
    perDrop: finite.min(0, 'must not be below 0').optional(),
    sameChemistry: z.boolean({ error: 'must be true or false' }).optional(),
    limitMs: finite.positive('must be above 0').max(60_000, 'must be at most 60000').optional(),
  },
  { error: 'must be an object with a target and a list of paints' },
);

/** What a millisecond of the limit stands for: effort is counted in mixtures, so that every machine gives the same answer. */
export const MIXTURES_PER_MS = 3000;
const LIMIT_MS = 500;

/** `mix`: recipes in drops. */
export const mix: Contract = {
  run(raw) {
    const { target, paints, limitMs = LIMIT_MS, ...given } = parseInput(input, raw);
    const faults = paints.flatMap(({ id }, i) => {
      if (!id) return [{ path: `paints[${i}].id`, says: 'every paint needs an id' }];
      return paints.findIndex((paint) => paint.id === id) < i
        ? [{ path: `paints[${i}].id`, says: `"${id}" is there twice` }]
        : [];
    });
    if (faults.length > 0) throw new ContractFaults(faults);
    const { effort: _, ...defaults } = MIX_DEFAULTS;
    const options = {
      ...defaults,
      ...Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)),
    };
    const { recipes, evaluated, proven } = findRecipes(
      target.lab,
      paints.map(({ id, chemistry, known }) => ({ id: id!, chemistry, pigment: known.pigment, sd: known.sd })),
      { ...options, effort: limitMs * MIXTURES_PER_MS },
    );
    return {
      recipes: recipes.map(({ drops, lab, dE00, score, sd }) => ({
        drops: Object.fromEntries(drops.map(({ id, count }) => [id, count])),
        lab,
        dE00,
        score,
        sd,
      })),
      evaluated,
      proven,
      assumed: { ...options, limitMs },
    };
  },
};
