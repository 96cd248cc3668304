import { z } from 'zod';
import { deltaE00 } from '@/core/colour/difference';
import { labOfPigment } from '@/core/paint/pigment';
import { chooseScheme, SCHEME_DEFAULTS } from '@/core/match/scheme';
import { recipeCandidates } from '@/core/match/scheme-recipes';
import { compareNeighbours } from '@/core/match/single';
import { colourValue } from './colour-value';
import { ContractFaults, finite, parseInput, text, type Contract, type Fault } from './contract';
import { MIXTURES_PER_MS } from './mix';
import { paintValue } from './paint-value';

const weight = finite.min(0, 'a weight is never below 0').optional();
const input = z.strictObject(
  {
    calls: z
      .array(z.strictObject({ id: text, target: colourValue, weight, finish: text.optional() }), {
        error: 'must be a list of calls',
      })
      .min(1, 'must have at least one call')
      .max(40, 'must have at most 40 calls'),
    edges: z.array(z.strictObject({ a: text, b: text, weight }), { error: 'must be a list of edges' }).optional(),
    candidates: z
      .array(paintValue, { error: 'must be a list of paints' })
      .min(1, 'must have at least one paint')
      .max(5000, 'must have at most 5000 paints'),
    lambda: weight,
    perBottle: weight,
    perLine: weight,
    maxLines: finite.int('must be a whole number').min(1, 'must be at least 1').optional(),
    sameChemistry: z.boolean({ error: 'must be true or false' }).optional(),
    recipes: z.boolean({ error: 'must be true or false' }).optional(),
    limitMs: finite.positive('must be above 0').max(60_000, 'must be at most 60000').optional(),
  },
  { error: 'must be an object with calls and candidates' },
);

/** What a millisecond of the limit stands for: effort is counted in choices looked at, so that every machine gives the same answer. */
const CHOICES_PER_MS = 100;
const LIMIT_MS = 500;

/** `scheme`: all colours of a scheme together. */
export const scheme: Contract = {
  run(raw) {
    const { calls, edges = [], candidates, limitMs = LIMIT_MS, recipes = false, ...given } = parseInput(input, raw);
    const faults = faultsBetween(calls, edges, candidates);
    if (faults.length > 0) throw new ContractFaults(faults);
    const { effort: __, ...defaults } = SCHEME_DEFAULTS;
    const options = {
      ...defaults,
      ...Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)),
    };
    const paints = candidates.map(({ id, known, line = '', chemistry = '', owned = false }) => ({
      id: id!,
      lab: labOfPigment(known.pigment),
      line,
      chemistry,
      owned,
    }));
    const wanted = calls.map(({ id, target, weight: w = 1 }) => ({ id, lab: target.lab, weight: w }));
    const mixtures = recipes
      ? recipeCandidates(
          wanted,
          candidates.map(({ known, owned = false, line = '', chemistry = '' }, i) => ({
            id: paints[i]!.id,
            pigment: known.pigment,
            sd: known.sd,
            owned,
            line,
            chemistry,
          })),
          { effort: (limitMs * MIXTURES_PER_MS) / wanted.length },
        )
      : [];
    const found = chooseScheme(
      wanted,
      edges.map((edge) => ({ ...edge, weight: edge.weight ?? 1 })),
      [...paints, ...mixtures.map(({ candidate }) => candidate)],
      {
        ...options,
        effort: limitMs * CHOICES_PER_MS,
      },
    );
    const assumed = { ...options, weight: 1, recipes, limitMs };
    if (!found.best)
      return {
        choice: null,
        proven: found.proven,
        because: 'no choice keeps to the lines and chemistry asked for',
        assumed,
      };
    const { choice, F } = found.best;
    const labOf = new Map([...paints, ...mixtures.map(({ candidate }) => candidate)].map(({ id, lab }) => [id, lab]));
    const dropsOf = new Map(
      mixtures.map(({ candidate, recipe }) => [
        candidate.id,
        Object.fromEntries(recipe.drops.map(({ id, count }) => [id, count])),
      ]),
    );
    const named = (choices: Record<string, string>) =>
      Object.fromEntries(Object.entries(choices).map(([call, id]) => [call, dropsOf.get(id) ?? id]));
    const chosen = (id: string) => labOf.get(choice[id]!)!;
    return {
      choice: named(choice),
      F,
      // Mixtures that were not looked at could be nearer: at the best, every colour exactly met.
      proven: found.proven && !recipes,
      gap: recipes ? F : found.gap,
      errors: Object.fromEntries(wanted.map(({ id, lab }) => [id, deltaE00(lab, chosen(id))])),
      pairs: edges.map(({ a, b }) => {
        const both = [a, b].map((id) => ({
          code: id,
          official: wanted.find((call) => call.id === id)!.lab,
          chosen: chosen(id),
        }));
        return compareNeighbours(both)[0]!;
      }),
      alternatives: found.alternatives.map((other) => ({ ...other, choice: named(other.choice) })),
      assumed,
    };
  },
};

function faultsBetween(
  calls: readonly { id: string }[],
  edges: readonly { a: string; b: string }[],
  candidates: readonly { id?: string }[],
): Fault[] {
  const faults: Fault[] = [];
  const ids = new Set<string>();
  calls.forEach(({ id }, i) => {
    if (ids.has(id)) faults.push({ path: `calls[${i}].id`, says: `"${id}" is there twice` });
    ids.add(id);
  });
  edges.forEach((edge, i) => {
    for (const end of ['a', 'b'] as const)
      if (!ids.has(edge[end])) faults.push({ path: `edges[${i}].${end}`, says: `there is no call "${edge[end]}"` });
    if (edge.a === edge.b) faults.push({ path: `edges[${i}]`, says: 'a call is no neighbour of itself' });
  });
  const known = new Set<string>();
  candidates.forEach(({ id }, i) => {
    if (!id) faults.push({ path: `candidates[${i}].id`, says: 'every paint needs an id' });
    else if (known.has(id)) faults.push({ path: `candidates[${i}].id`, says: `"${id}" is there twice` });
    else known.add(id);
  });
  return faults;
}
