import { groupBy } from '@/core/units/grouped';
import { dateFit, type Repaint, type Window } from './date-fit';
import { independentGroups } from './independence';
import { weightedMedian } from './weighted-median';
import { DEFAULT_WEIGHTS, type Clarity, type SourceKind, type Weights } from './weights';

export interface WeighedSource {
  id: string;
  kind: SourceKind;
  from: string | null;
  to: string | null;
  derivedFrom: readonly string[];
  /** The builder's own trust in it, 0..2, 1 = as its kind says. */
  grade: number;
}

export interface WeighedSighting {
  source: string;
  zone: string;
  aspect: string;
  /** Text = one of several answers; a number = a measurement. */
  value: string | number;
  /** Uncertainty of a measurement, in its unit. */
  sd?: number;
  clarity: Clarity;
  /** "against" = should show it and doesn't. */
  sense: 'for' | 'against';
}

export interface Evidence {
  target: Window;
  /** Of zones that are shown as on other days than the rest. */
  targets?: ReadonlyMap<string, Window>;
  sources: readonly WeighedSource[];
  repaints: readonly Repaint[];
  sightings: readonly WeighedSighting[];
}

export const SOMETHING_ELSE = 'something else';
export type QuestionState = 'unseen' | 'settled' | 'contested' | 'leaning' | 'measured';

export interface Contribution {
  source: string;
  value: string | number;
  sense: 'for' | 'against';
  weight: number;
  /** False where a stronger sighting of the same group says it already, or the weight is 0. */
  counted: boolean;
  /** The factors of the weight, for whoever asks why. */
  factors: { kind: number; clarity: number; dateFit: number; grade: number };
}

export interface WeighedQuestion {
  zone: string;
  aspect: string;
  state: QuestionState;
  /** Shares of the named values and of "something else"; null for measurements. */
  support: Record<string, number> | null;
  contributions: Contribution[];
  median: number | null;
  spread: number | null;
  /** Measurements far from the rest. */
  outliers: { source: string; value: number }[];
}

const SETTLED_SHARE = 0.9;
const CONTESTED_SHARE = 0.25;
/** Two groups of at least this weight, or one of at least DECISIVE, settle a question. */
const CORROBORATING = 0.5;
const DECISIVE = 3;

/** All questions in order of their first sighting, weighed as domain.md section 1 defines. */
export function weigh(evidence: Evidence, weights: Weights = DEFAULT_WEIGHTS): WeighedQuestion[] {
  const strengthOf = strengths(evidence, weights);
  return sightingsByQuestion(evidence.sightings).map((sightings) => weighQuestion(sightings, strengthOf));
}

/** One question, by all that is said of it: at least one sighting. */
export function weighQuestion(sightings: readonly WeighedSighting[], strengthOf: StrengthOf): WeighedQuestion {
  const { zone, aspect } = sightings[0]!;
  const weighed = sightings.map((sighting): Weighed => {
    const { source, value, sd, sense } = sighting;
    const { factors, weight, group } = strengthOf(sighting);
    return { contribution: { source, value, sense, weight, counted: false, factors }, sd, group };
  });
  const numeric = sightings.every((sighting) => typeof sighting.value === 'number');
  return { zone, aspect, ...(numeric ? measured(weighed) : supported(weighed)) };
}

export type StrengthOf = (sighting: WeighedSighting) => Strength;

interface Strength {
  factors: Contribution['factors'];
  weight: number;
  group: number;
}

/** What a sighting weighs: the same for all that one source says as clearly of zones with the same repaints, so worked out once. */
export function strengths(evidence: Omit<Evidence, 'sightings'>, weights: Weights): StrengthOf {
  const sources = new Map(evidence.sources.map((source) => [source.id, source]));
  const groups = independentGroups(evidence.sources);
  const repaints = groupBy(evidence.repaints, (repaint) => repaint.zone);
  const known = new Map<string, Map<string, Partial<Record<Clarity, Strength>>>>();
  return ({ source: id, zone, clarity }) => {
    const own = repaints.get(zone);
    const target = evidence.targets?.get(zone);
    const place = own || target ? zone : '';
    let places = known.get(id);
    if (!places) known.set(id, (places = new Map()));
    let byClarity = places.get(place);
    if (!byClarity) places.set(place, (byClarity = {}));
    return (byClarity[clarity] ??= strengthOf(sources.get(id)!, own ?? [], clarity, target ?? evidence.target));
  };

  function strengthOf(source: WeighedSource, own: readonly Repaint[], clarity: Clarity, target: Window): Strength {
    const factors = {
      kind: weights.kind[source.kind],
      clarity: weights.clarity[clarity],
      dateFit: dateFit(source, target, own, weights.unknownDate, weights.decayDays),
      grade: source.grade,
    };
    const weight = factors.kind * factors.clarity * factors.dateFit * factors.grade;
    return { factors, weight, group: groups.get(source.id)! };
  }
}

/** A contribution on its way: `counted` is settled once the whole question is seen. */
interface Weighed {
  contribution: Contribution;
  sd: number | undefined;
  group: number;
}
type Answer = Omit<WeighedQuestion, 'zone' | 'aspect'>;

function supported(sightings: readonly Weighed[]): Answer {
  const indexOf = new Map<string, number>();
  for (const { contribution } of sightings) {
    const value = String(contribution.value);
    if (!indexOf.has(value)) indexOf.set(value, indexOf.size);
  }
  const values = [...indexOf.keys()];
  // Group, value and sense as one number: the key of "the strongest that this group says".
  const strongest = new Map<number, Weighed>();
  for (const sighting of sightings) {
    const { value, sense, weight } = sighting.contribution;
    const key = (sighting.group * values.length + indexOf.get(String(value))!) * 2 + (sense === 'for' ? 0 : 1);
    if (weight > (strongest.get(key)?.contribution.weight ?? 0)) strongest.set(key, sighting);
  }
  const counted = [...strongest.values()];
  const logSupport = new Map<string, number>([...values, SOMETHING_ELSE].map((value) => [value, 0]));
  for (const { contribution } of counted) {
    const { value, sense, weight } = contribution;
    contribution.counted = true;
    logSupport.set(String(value), logSupport.get(String(value))! + (sense === 'for' ? weight : -weight));
  }
  const support = softmax(logSupport);
  return {
    state: stateOf(values, support, counted),
    support,
    contributions: sightings.map((sighting) => sighting.contribution),
    median: null,
    spread: null,
    outliers: [],
  };
}

function stateOf(
  values: readonly string[],
  support: Record<string, number>,
  counted: readonly Weighed[],
): QuestionState {
  if (counted.length === 0) return 'unseen';
  const named = values.filter((value) => value !== SOMETHING_ELSE).sort((a, b) => support[b]! - support[a]!);
  const best = named[0];
  if (best !== undefined && support[best]! >= SETTLED_SHARE) {
    const forBest = counted.filter(({ contribution: c }) => c.sense === 'for' && String(c.value) === best);
    const groups = new Set(forBest.filter((s) => s.contribution.weight >= CORROBORATING).map((s) => s.group));
    if (groups.size >= 2 || forBest.some((s) => s.contribution.weight >= DECISIVE)) return 'settled';
  }
  const second = named[1];
  return second !== undefined && support[second]! >= CONTESTED_SHARE ? 'contested' : 'leaning';
}

function measured(sightings: readonly Weighed[]): Answer {
  const items = sightings.map(({ contribution, sd = 0 }) => {
    contribution.counted = contribution.weight > 0 && contribution.sense === 'for';
    const { source, value, weight } = contribution;
    return { source, value: value as number, weight: contribution.counted ? weight : 0, sd };
  });
  const median = weightedMedian(items);
  const spread =
    median === null
      ? null
      : 1.4826 * weightedMedian(items.map(({ value, weight }) => ({ value: Math.abs(value - median), weight })))!;
  const outliers =
    median === null || spread === null
      ? []
      : items
          .filter(({ value, sd }) => Math.abs(value - median) > 3 * Math.max(spread, sd, 1e-9))
          .map(({ source, value }) => ({ source, value }));
  return {
    state: median === null ? 'unseen' : 'measured',
    support: null,
    contributions: sightings.map((sighting) => sighting.contribution),
    median,
    spread,
    outliers,
  };
}

/** Shares proportional to exp(L), computed from the greatest down so that nothing overflows. */
function softmax(logSupport: ReadonlyMap<string, number>): Record<string, number> {
  const greatest = Math.max(...logSupport.values());
  const raised = [...logSupport].map(([value, l]) => [value, Math.exp(l - greatest)] as const);
  const total = raised.reduce((t, [, e]) => t + e, 0);
  return Object.fromEntries(raised.map(([value, e]) => [value, e / total]));
}

/** One list for each zone and aspect, in order of first sighting. */
function sightingsByQuestion(sightings: readonly WeighedSighting[]): WeighedSighting[][] {
  const zones = new Map<string, Map<string, WeighedSighting[]>>();
  const lists: WeighedSighting[][] = [];
  for (const sighting of sightings) {
    let aspects = zones.get(sighting.zone);
    if (!aspects) zones.set(sighting.zone, (aspects = new Map()));
    const known = aspects.get(sighting.aspect);
    if (known) {
      known.push(sighting);
      continue;
    }
    const list = [sighting];
    aspects.set(sighting.aspect, list);
    lists.push(list);
  }
  return lists;
}
