import { z } from 'zod';
import { derivationCircle } from '@/core/evidence/independence';
import { weigh as weighEvidence, type WeighedSighting, type WeighedSource } from '@/core/evidence/weigh';
import { CLARITIES, DEFAULT_WEIGHTS, EVIDENCE_KIND_NAMES, WISH } from '@/core/evidence/weights';
import { isDay } from '@/core/units/day';
import { ContractFaults, finite, parseInput, text, type Contract, type Fault } from './contract';

const day = z.string({ error: 'must be a date YYYY-MM-DD' }).refine(isDay, 'must be a date that exists, YYYY-MM-DD');
const factor = finite.min(0, 'a weight is never below 0');
const ordered = {
  check: (w: { from?: string | null; to?: string | null }) => !w.from || !w.to || w.from <= w.to,
  says: 'the window ends before it starts',
};
/** A partial table of numbers over known names; unknown names are refused by name. */
const partialOf = (names: readonly string[]) =>
  z.strictObject(Object.fromEntries(names.map((name) => [name, factor.optional()]))).optional();

const input = z.strictObject(
  {
    target: z
      .strictObject({ from: day, to: day }, { error: 'must be a window with from and to' })
      .refine(ordered.check, ordered.says),
    sources: z.array(
      z
        .strictObject({
          id: text,
          kind: z.enum(EVIDENCE_KIND_NAMES, { error: `must be one of ${EVIDENCE_KIND_NAMES.join(', ')}` }),
          from: day.nullish(),
          to: day.nullish(),
          derivedFrom: z.array(text, { error: 'must be a list of source ids' }).optional(),
          grade: finite.min(0, 'a grade lies between 0 and 2').max(2, 'a grade lies between 0 and 2').optional(),
        })
        .refine(ordered.check, ordered.says),
      { error: 'must be a list of sources' },
    ),
    repaints: z.array(z.strictObject({ zone: text, on: day }), { error: 'must be a list of repaints' }).optional(),
    sightings: z.array(
      z.strictObject({
        source: text,
        zone: text,
        aspect: text,
        value: z.union([text, finite], { error: 'must be text or a number' }),
        sd: finite.min(0, 'an uncertainty is never below 0').optional(),
        clarity: z.enum(CLARITIES, { error: `must be one of ${CLARITIES.join(', ')}` }),
        sense: z.enum(['for', 'against'], { error: 'must be "for" or "against"' }).optional(),
      }),
      { error: 'must be a list of sightings' },
    ),
    weights: z
      .strictObject({
        kind: partialOf(EVIDENCE_KIND_NAMES),
        clarity: partialOf(CLARITIES),
        unknownDate: factor.optional(),
        decayDays: finite.positive('must be above 0').optional(),
      })
      .optional(),
  },
  { error: 'must be an object with target, sources and sightings' },
);
type Input = z.infer<typeof input>;

/** `weigh`: from sightings to support. */
export const weigh: Contract = {
  run(raw) {
    const given = parseInput(input, raw);
    const faults = faultsBetween(given);
    if (faults.length > 0) throw new ContractFaults(faults);
    const sources: WeighedSource[] = given.sources.map((s) => ({
      id: s.id,
      kind: s.kind,
      from: s.from ?? null,
      to: s.to ?? null,
      derivedFrom: s.derivedFrom ?? [],
      grade: s.grade ?? 1,
    }));
    const sightings: WeighedSighting[] = given.sightings.map((s) => ({ ...s, sense: s.sense ?? 'for' }));
    const w = given.weights ?? {};
    const { [WISH]: _, ...kinds } = DEFAULT_WEIGHTS.kind;
    const weights = {
      kind: { ...kinds, ...w.kind },
      clarity: { ...DEFAULT_WEIGHTS.clarity, ...w.clarity },
      unknownDate: w.unknownDate ?? DEFAULT_WEIGHTS.unknownDate,
      decayDays: w.decayDays ?? DEFAULT_WEIGHTS.decayDays,
    };
    const questions = weighEvidence(
      { target: given.target, sources, repaints: given.repaints ?? [], sightings },
      { ...weights, kind: { ...weights.kind, [WISH]: 0 } },
    );
    return {
      questions: questions.map(({ contributions, support, median, spread, outliers, ...question }) => ({
        ...question,
        ...(support ? { support } : {}),
        contributions: contributions.map(({ source, value, sense, weight, counted }) => ({
          source,
          value,
          sense,
          weight,
          counted,
        })),
        ...(support ? {} : { median, spread, outliers }),
      })),
      assumed: { weights, grade: 1, sense: 'for' },
    };
  },
};

function faultsBetween({ sources, sightings }: Input): Fault[] {
  const faults: Fault[] = [];
  const ids = new Set<string>();
  sources.forEach((source, i) => {
    if (ids.has(source.id)) faults.push({ path: `sources[${i}].id`, says: `"${source.id}" is there twice` });
    ids.add(source.id);
  });
  sources.forEach((source, i) =>
    source.derivedFrom?.forEach((id, j) => {
      if (!ids.has(id)) faults.push({ path: `sources[${i}].derivedFrom[${j}]`, says: `there is no source "${id}"` });
    }),
  );
  const circle = derivationCircle(sources.map((s) => ({ id: s.id, derivedFrom: s.derivedFrom ?? [] })));
  if (circle) faults.push({ path: 'sources', says: `derivedFrom goes in a circle: ${circle.join(' from ')}` });

  const typeOf = new Map<string, string>();
  sightings.forEach((sighting, i) => {
    if (!ids.has(sighting.source))
      faults.push({ path: `sightings[${i}].source`, says: `there is no source "${sighting.source}"` });
    const key = JSON.stringify([sighting.zone, sighting.aspect]);
    const type = typeof sighting.value;
    if (typeOf.has(key) && typeOf.get(key) !== type) {
      faults.push({
        path: `sightings[${i}].value`,
        says: `${sighting.zone} ${sighting.aspect} has both numbers and text as values`,
      });
    }
    typeOf.set(key, typeOf.get(key) ?? type);
    if (type === 'string' && sighting.sd !== undefined)
      faults.push({ path: `sightings[${i}].sd`, says: 'only a measurement has an uncertainty' });
  });
  return faults;
}
