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
  const sources = new Map(evidence.sources.map((source) => [source.id, source]));
  const groups = independentGroups(evidence.sources);
  const repaints = groupBy(evidence.repaints, (repaint) => repaint.zone);
  const fitOf = fitsOf(evidence, repaints, weights);
  return sightingsByQuestion(evidence.sightings).map((sightings) => {
    const { zone, aspect } = sightings[0]!;
    const weighed = sightings.map((sighting): Weighed => {
      const source = sources.get(sighting.source)!;
      const factors = {
        kind: weights.kind[source.kind],
        clarity: weights.clarity[sighting.clarity],
        dateFit: fitOf(source, zone),
        grade: source.grade,
      };
      const weight = factors.kind * factors.clarity * factors.dateFit * factors.grade;
      const { value, sd, sense } = sighting;
      return { source: sighting.source, value, sd, sense, factors, weight, group: groups.get(sighting.source)! };
    });
    const answer = weighed.every((s) => typeof s.value === 'number') ? measured(weighed) : supported(weighed);
    return { zone, aspect, ...answer };
  });
}

/** Date fit by source and zone; zones without a repaint share one answer for each source. */
function fitsOf(evidence: Evidence, repaints: ReadonlyMap<string, readonly Repaint[]>, weights: Weights) {
  const known = new Map<string, Map<string, number>>();
  return (source: WeighedSource, zone: string): number => {
    const own = repaints.get(zone);
    const place = own ? zone : '';
    let fits = known.get(source.id);
    if (!fits) known.set(source.id, (fits = new Map()));
    let fit = fits.get(place);
    if (fit === undefined)
      fits.set(place, (fit = dateFit(source, evidence.target, own ?? [], weights.unknownDate, weights.decayDays)));
    return fit;
  };
}

type Weighed = Pick<WeighedSighting, 'source' | 'value' | 'sd' | 'sense'> & {
  factors: Contribution['factors'];
  weight: number;
  group: number;
};
type Answer = Omit<WeighedQuestion, 'zone' | 'aspect'>;

const contribution = ({ source, value, sense, weight, factors }: Weighed, counted: boolean): Contribution => ({
  source,
  value,
  sense,
  weight,
  counted,
  factors,
});

function supported(sightings: readonly Weighed[]): Answer {
  const indexOf = new Map<string, number>();
  for (const { value } of sightings) if (!indexOf.has(String(value))) indexOf.set(String(value), indexOf.size);
  const values = [...indexOf.keys()];
  // Group, value and sense as one number: the key of "the strongest that this group says".
  const strongest = new Map<number, Weighed>();
  for (const sighting of sightings) {
    const key =
      (sighting.group * values.length + indexOf.get(String(sighting.value))!) * 2 + (sighting.sense === 'for' ? 0 : 1);
    if (sighting.weight > (strongest.get(key)?.weight ?? 0)) strongest.set(key, sighting);
  }
  const counted = new Set(strongest.values());
  const logSupport = new Map<string, number>([...values, SOMETHING_ELSE].map((value) => [value, 0]));
  for (const { value, sense, weight } of counted) {
    logSupport.set(String(value), logSupport.get(String(value))! + (sense === 'for' ? weight : -weight));
  }
  const support = softmax(logSupport);
  return {
    state: stateOf(values, support, [...counted]),
    support,
    contributions: sightings.map((s) => contribution(s, counted.has(s))),
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
    const forBest = counted.filter((s) => s.sense === 'for' && String(s.value) === best);
    const groups = new Set(forBest.filter((s) => s.weight >= CORROBORATING).map((s) => s.group));
    if (groups.size >= 2 || forBest.some((s) => s.weight >= DECISIVE)) return 'settled';
  }
  const second = named[1];
  return second !== undefined && support[second]! >= CONTESTED_SHARE ? 'contested' : 'leaning';
}

function measured(sightings: readonly Weighed[]): Answer {
  const items = sightings.map((s) => ({
    source: s.source,
    value: s.value as number,
    weight: s.sense === 'for' ? s.weight : 0,
    sd: s.sd ?? 0,
  }));
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
    contributions: sightings.map((s) => contribution(s, s.weight > 0 && s.sense === 'for')),
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

function groupBy<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
