import { officialColours, systemsOf, type OfficialColour } from '@/core/codes/shelf';
import { canonicalIn } from '@/core/codes/system';
import { ASPECTS } from '@/core/evidence/aspects';
import { SOMETHING_ELSE, weigh, type WeighedQuestion } from '@/core/evidence/weigh';
import { buildOutline, zoneTitle, type Outline } from '@/core/outline/outline';
import type { Paint } from '@/core/paint/catalogue';
import { paintLabel } from '@/core/paint/catalogue';
import { gateOf, GATES, type GateName } from '@/core/route/gates';
import { planRoute, type RoutePlan } from '@/core/route/plan';
import { buildRoute, type Route, type RouteCall } from '@/core/route/route';
import { parseNumber } from '@/core/units/number';
import type { Kept } from './records';
import type { BriefState, ColourShelf } from './state';

/** A question with everything that is computed about it. */
export interface QuestionView {
  record: Kept<'question'>;
  zoneTitle: string;
  aspectTitle: string;
  weighed: WeighedQuestion;
  sightings: Kept<'sighting'>[];
  ruling: Kept<'ruling'> | null;
  /** The value that the evidence supports best; null when unseen. */
  best: string | null;
  bestShare: number | null;
  /** The support has moved to another value since it was ruled "as supported". */
  reopened: boolean;
  open: boolean;
  gate: GateName;
}

export interface GateView {
  name: GateName;
  title: string;
  /** Local date-time at which it is planned; null when it is not part of the route. */
  start: string | null;
  passed: boolean;
  open: QuestionView[];
}

export interface CallView {
  code: string;
  official: OfficialColour | null;
  zones: string[];
  choice: { record: Kept<'colour_choice'>; paint: Paint } | null;
}

/** A brief with all that follows from it. */
export interface BriefView {
  state: BriefState;
  outline: Outline;
  questions: QuestionView[];
  calls: CallView[];
  route: Route;
  plan: RoutePlan;
  gates: GateView[];
  /** Open questions by what is lost if they stay open: nearest gate first, then least sure. */
  chase: { question: QuestionView; gate: GateView }[];
}

export interface DeriveSettings {
  nowUtc: string;
  /** Step placements the scheduler may spend. */
  effort: number;
}

/** Computes everything a station shows from what is kept. Deterministic in its arguments. */
export function deriveBrief(state: BriefState, shelf: ColourShelf, settings: DeriveSettings): BriefView {
  const { airframe, brief } = state;
  const outline = buildOutline({
    preset: airframe.preset,
    dimensions: airframe.dimensions,
    landing: brief.options.landing,
    folded: brief.options.wings === 'folded',
  });
  const questions = questionViews(state, shelf, outline);
  const calls = callViews(state, shelf, questions);
  const route = buildRoute({
    outline,
    options: brief.options,
    climate: { tempC: brief.tempC, humidity: brief.humidity },
    calls: calls.map(routeCall),
    markings: state.markings.map(({ id, title, zone, method }) => ({ id, title, zone, method })),
  });
  const plan = planRoute(
    route,
    state.log,
    { timeZone: brief.timeZone, startOn: brief.startOn, weekly: state.sessions, nowUtc: settings.nowUtc },
    settings.effort,
  );
  const gates = gateViews(plan, questions);
  return { state, outline, questions, calls, route, plan, gates, chase: chaseList(questions, gates) };
}

function questionViews(state: BriefState, shelf: ColourShelf, outline: Outline): QuestionView[] {
  const systems = systemsOf(shelf.codes);
  const byId = new Map(state.questions.map((question) => [question.id, question]));
  const sightings = state.sightings.filter((sighting) => byId.has(sighting.questionId));
  const valueOf = (sighting: Kept<'sighting'>): string | number => {
    const type = ASPECTS[byId.get(sighting.questionId)!.aspect].type;
    if (type === 'length') return parseNumber(sighting.value) ?? sighting.value;
    return type === 'code' ? canonicalIn(systems, sighting.value) : sighting.value;
  };
  const weighed = weigh({
    target: { from: state.airframe.targetFrom, to: state.airframe.targetTo },
    sources: state.sources.map((source) => ({
      id: source.id,
      kind: source.kind,
      from: source.dateFrom,
      to: source.dateTo,
      derivedFrom: source.derivedFrom,
      grade: source.grade,
    })),
    repaints: state.repaints.map(({ zone, onDay }) => ({ zone, on: onDay })),
    sightings: sightings.map((sighting) => {
      const { zone, aspect } = byId.get(sighting.questionId)!;
      return {
        source: sighting.sourceId,
        zone,
        aspect,
        value: valueOf(sighting),
        ...(sighting.sd === null ? {} : { sd: sighting.sd }),
        clarity: sighting.clarity,
        sense: sighting.sense,
      };
    }),
  });
  const weighedBy = new Map(weighed.map((question) => [`${question.zone} ${question.aspect}`, question]));
  return state.questions.map((record) => {
    const found = weighedBy.get(`${record.zone} ${record.aspect}`) ?? unseen(record);
    const ruling = state.rulings.find((candidate) => candidate.questionId === record.id) ?? null;
    const [best, bestShare] = bestOf(found);
    const reopened =
      ruling !== null &&
      ruling.basis === 'supported' &&
      best !== null &&
      found.support !== null &&
      canonicalIn(systems, ruling.value) !== best;
    return {
      record,
      zoneTitle: zoneTitle(outline, record.zone),
      aspectTitle: ASPECTS[record.aspect].title,
      weighed: found,
      sightings: sightings.filter((sighting) => sighting.questionId === record.id),
      ruling,
      best,
      bestShare,
      reopened,
      open: ruling === null || reopened,
      gate: gateOf(outline, record.zone, record.aspect),
    };
  });
}

const unseen = ({ zone, aspect }: Kept<'question'>): WeighedQuestion => ({
  zone,
  aspect,
  state: 'unseen',
  support: null,
  contributions: [],
  median: null,
  spread: null,
  outliers: [],
});

function bestOf(question: WeighedQuestion): [string | null, number | null] {
  if (question.median !== null) return [String(Math.round(question.median * 10) / 10), null];
  if (!question.support || question.state === 'unseen') return [null, null];
  const [best] = Object.entries(question.support)
    .filter(([value]) => value !== SOMETHING_ELSE)
    .sort((a, b) => b[1] - a[1]);
  return best ? [best[0], best[1]] : [null, null];
}

/** Rulings on colour, one call for each code with the zones that wear it. */
function callViews(state: BriefState, shelf: ColourShelf, questions: readonly QuestionView[]): CallView[] {
  const official = officialColours(shelf.codes, shelf.chips);
  const systems = systemsOf(shelf.codes);
  const paints = new Map(shelf.paints.map((paint) => [paint.id, paint]));
  const zones = new Map<string, string[]>();
  for (const { record, ruling } of questions) {
    if (record.aspect !== 'colour' || !ruling) continue;
    const code = canonicalIn(systems, ruling.value);
    zones.set(code, [...(zones.get(code) ?? []), record.zone]);
  }
  return [...zones]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([code, list]) => {
      const colour = official.get(code) ?? null;
      const record = state.choices.find((choice) => choice.codeId === colour?.record.id);
      const paint = record && paints.get(record.paintId);
      return { code, official: colour, zones: list, choice: record && paint ? { record, paint } : null };
    });
}

function routeCall(call: CallView): RouteCall {
  const paint = call.choice?.paint;
  return {
    code: call.code,
    name: call.official?.record.name ?? '',
    zones: call.zones,
    lab: paint?.lab ?? call.official?.lab ?? null,
    paint: paint
      ? { id: paint.id, label: paintLabel(paint), chemistry: paint.chemistry, kind: paint.kind, finish: paint.finish }
      : null,
  };
}

function gateViews(plan: RoutePlan, questions: readonly QuestionView[]): GateView[] {
  return (Object.keys(GATES) as GateName[]).flatMap((name) => {
    const work = plan.work.find((item) => item.step.gate === name);
    const open = questions.filter((question) => question.open && question.gate === name);
    return work || open.length > 0
      ? [{ name, title: GATES[name], start: work?.start ?? null, passed: work?.done ?? false, open }]
      : [];
  });
}

function chaseList(questions: readonly QuestionView[], gates: readonly GateView[]): BriefView['chase'] {
  const byName = new Map(gates.map((gate) => [gate.name, gate]));
  const doubt = (question: QuestionView) => 1 - (question.bestShare ?? (question.weighed.median === null ? 0 : 0.9));
  return questions
    .filter((question) => question.open)
    .map((question) => ({ question, gate: byName.get(question.gate)! }))
    .sort((a, b) => (a.gate.start ?? '9').localeCompare(b.gate.start ?? '9') || doubt(b.question) - doubt(a.question));
}

/** The word for how sure a zone's answers are, the least sure first: what the sheet hatches. */
export type ZoneCertainty = 'unasked' | 'unseen' | 'contested' | 'leaning' | 'settled';

export function certaintyOf(questions: readonly QuestionView[], zone: string): ZoneCertainty {
  const here = questions.filter((question) => question.record.zone === zone);
  if (here.length === 0) return 'unasked';
  const states = here.filter((question) => question.open).map((question) => question.weighed.state);
  if (states.includes('unseen')) return 'unseen';
  if (states.includes('contested')) return 'contested';
  return states.includes('leaning') ? 'leaning' : 'settled';
}
