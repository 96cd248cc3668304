import { groupBy } from '@/core/units/grouped';
import { rememberedFor, rememberedOf } from '@/core/units/remembered';
import { bestNamed } from './best';
import { dateFit, type Repaint, type Window } from './date-fit';
import { DEFAULT_WEIGHTS, type SourceKind, type Weights } from './weights';
import { strengths, weighQuestion, type Evidence, type WeighedQuestion, type WeighedSighting } from './weigh';

/**
 * The chance that the answer given now would turn out wrong: what the best value lacks of all support. Of a measurement, the
 * share of the weight that lies beyond its spread; never below a floor, since nothing is certain.
 */
export function chanceToFlip(question: WeighedQuestion): number {
  if (question.state === 'unseen') return 1;
  if (question.median !== null) {
    const total = question.contributions.reduce((sum, c) => sum + (c.counted ? c.weight : 0), 0);
    const far = question.contributions
      .filter(
        (c) => c.counted && Math.abs((c.value as number) - question.median!) > Math.max(question.spread ?? 0, 1e-9),
      )
      .reduce((sum, c) => sum + c.weight, 0);
    return Math.max(LEAST_CHANCE, total > 0 ? far / total : 1);
  }
  return Math.max(LEAST_CHANCE, 1 - (bestNamed(question)?.share ?? 0));
}
const LEAST_CHANCE = 0.02;
/** A gate that is due today, or overdue, is as urgent as half a day. */
const LEAST_DAYS = 0.5;
/** Days assumed to a gate without a date. */
const NO_DATE_DAYS = 60;

/** What to chase first: chance to flip x hours that would be redone / days left to the last useful day. */
export const chaseScore = (chance: number, redoMinutes: number, daysLeft: number | null): number =>
  (chance * (redoMinutes / 60)) / Math.max(LEAST_DAYS, daysLeft ?? NO_DATE_DAYS);

/** More than so many would take too long to find. */
const WANTED = ['photograph wanted 1', 'photograph wanted 2', 'photograph wanted 3'];

const subjectOf = ({ zone, aspect }: { zone: string; aspect: string }) => `${zone}\n${aspect}`;
const sightingsBySubject = rememberedFor(({ sightings }: Evidence) => groupBy(sightings, subjectOf));

/** What sightings weigh, those in photographs that are wanted among them. */
const strengthsAhead = rememberedOf(({ sources, target, ...known }: Evidence, weights: Weights) => {
  const wanted = WANTED.map((id) => ({
    id,
    kind: 'photograph' as const,
    from: target.from,
    to: target.to,
    derivedFrom: [],
    grade: 1,
  }));
  return strengths({ ...known, target, sources: [...sources, ...wanted] }, weights);
});

/** How many clear photographs from the target days, all saying the best value, would settle a question; null when more than three. */
export function photographsToSettle(
  evidence: Evidence,
  question: WeighedQuestion,
  weights: Weights = DEFAULT_WEIGHTS,
): number | null {
  const value = bestNamed(question)?.value ?? question.median ?? 'an answer';
  const { zone, aspect } = question;
  const known = sightingsBySubject(evidence).get(subjectOf(question)) ?? [];
  const strengthOf = strengthsAhead(evidence, weights);
  const seen = (source: string): WeighedSighting => ({ source, zone, aspect, value, clarity: 'clear', sense: 'for' });
  const enough = WANTED.findIndex((_, i) => {
    const { state } = weighQuestion([...known, ...WANTED.slice(0, i + 1).map(seen)], strengthOf);
    return state === 'settled' || (state === 'measured' && i >= 1);
  });
  return enough < 0 ? null : enough + 1;
}

export interface LookableSource {
  id: string;
  kind: SourceKind;
  window: Window;
  sides: readonly string[];
  /** The zones it shows, where somebody noted them; empty = not noted. */
  zones: readonly string[];
}

/** Below this a source is too far from the day to be worth another look. */
const WORTH_A_LOOK = 0.3;

/**
 * Sources in hand that show the zone (by the zones noted, else by the side), fit the day, and say nothing on the question yet:
 * the cheapest thing to chase. Strongest first.
 */
export function sourcesToLookAt(
  sources: readonly LookableSource[],
  target: Window,
  repaintsOfZone: readonly Repaint[],
  zone: string,
  zoneViews: readonly string[],
  said: ReadonlySet<string>,
  weights: Weights = DEFAULT_WEIGHTS,
): string[] {
  return sources
    .filter((source) => !said.has(source.id))
    .filter((source) =>
      source.zones.length > 0 ? source.zones.includes(zone) : source.sides.some((side) => zoneViews.includes(side)),
    )
    .map((source) => ({
      id: source.id,
      weight:
        weights.kind[source.kind] *
        dateFit(source.window, target, repaintsOfZone, weights.unknownDate, weights.decayDays),
    }))
    .filter(({ weight }) => weight >= WORTH_A_LOOK)
    .sort((a, b) => b.weight - a.weight)
    .map(({ id }) => id);
}
