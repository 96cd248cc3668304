import { estimated } from '@/core/bench/estimate';
import { wornColours } from './worn';
import { codeBook, officialColours, type OfficialColour } from '@/core/codes/official';
import { canonicalIn, type CodeBook } from '@/core/codes/system';
import { layersAsOn, type ColourHistory } from '@/core/evidence/as-on';
import type { Window } from '@/core/evidence/date-fit';
import { needsOrder, type Layer } from '@/core/evidence/layers';
import { coatsBy, figuresOfWay, suggestWay, type Suggestion, type Way } from '@/core/kit/applying';
import { keptAirbrushes } from '@/core/kit/tools';
import { partJobs } from '@/core/kit/part-work';
import { ASPECTS } from '@/core/evidence/aspects';
import { modelAreaOfZones, zoneTitle, type Outline } from '@/core/outline/outline';
import { machineOf } from '@/core/outline/presets';
import type { Zone } from '@/core/outline/zones';
import { groundCalled, groundOfBrief, groundOfSchool, type Ground } from '@/core/paint/grounds';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { plannedCoats, type PlannedCoats } from '@/core/paint/planned-coats';
import type { AppliedFigures } from '@/core/paint/quantity';
import { localDay } from '@/core/route/calendar';
import { followAccepted, type FollowedPlan } from '@/core/route/accepted';
import { standingOf, type Standing } from '@/core/laid/standing';
import { planRoute, type RoutePlan } from '@/core/route/plan';
import { ASKED_IF_DONE } from '@/core/route/stage-of-zone';
import type { Route } from '@/core/work/step';
import type { RouteCall } from '@/core/route/call';
import { chaseList, type ChaseItem } from './chase-list';
import { duesIn } from './due';
import { gateViews, type GateView } from './gate-views';
import { openItems, type OpenItem } from './open-items';
import { weighQuestions, type QuestionView, type WeighedBrief } from './questions';
import { Stages } from './stages';
import { unaskedZones } from './unasked';
import type { Kept } from '@/core/kept/records';
import { noseWeightInWords, noseWeightOf, type NoseWeight } from './nose-weight';
import { routeOf, type RouteWanted } from './routed';
import { recipeAsPaint, recipeView, type RecipeView } from './recipes';
import { outlineOf, type BriefState, type ColourShelf } from '@/core/kept/state';

export interface CallView {
  code: string;
  official: OfficialColour | null;
  zones: string[];
  /** Skin on the model that shows it, cm2. */
  areaCm2: number;
  /** `paint` is what a chosen recipe makes, where one is chosen. */
  choice: { record: Kept<'colour_choice'>; paint: Paint; recipe: RecipeView | null } | null;
  /** Coats that are planned of it; null while no paint is chosen. */
  coats: PlannedCoats | null;
  /** What is laid under it beside the ground of the brief, and what over it. */
  ground: Ground | null;
  filter: { paint: Paint; percent: number; passes: number } | null;
  /** How it is brought on, why, and whether the builder chose it. */
  way: Suggestion & { chosen: boolean; takes: AppliedFigures };
}

/** A brief with all that follows from it. */
export interface BriefView {
  state: BriefState;
  /** Every official code with its pooled colour, and how codes are read. */
  official: ReadonlyMap<string, OfficialColour>;
  book: CodeBook;
  outline: Outline;
  questions: QuestionView[];
  /** When each source can have been made. */
  windows: Map<string, Window>;
  /** What decides the colour of each zone on any day. */
  colourHistory: ColourHistory;
  /** Zones that need more than their visible coat. */
  layers: LayerOrder[];
  calls: CallView[];
  /** All work that is wanted, whatever was done of it. */
  route: Route;
  /** What is laid, how far each step is, and what is left to do. */
  standing: Standing;
  /** What the nose takes; null where there is no nose wheel to stand on. */
  noseWeight: NoseWeight | null;
  /** What the route is made from. */
  wanted: RouteWanted;
  /** What counts: the accepted plan as it stands now, or one made anew where none was accepted. */
  plan: RoutePlan;
  /** What waits to be accepted; null where nobody accepted a plan yet, without changes where it still holds. */
  proposal: Pick<FollowedPlan, 'changes' | 'next'> | null;
  gates: GateView[];
  /** Zones that will be seen and of which nobody asked the colour. */
  unasked: Zone[];
  /** All that is open, the most pressing first. */
  open: OpenItem[];
  /** What to chase, most worthwhile first. */
  chase: ChaseItem[];
}

export interface LayerOrder {
  zone: string;
  zoneTitle: string;
  /** Bottom to top. */
  layers: Layer[];
}

export interface DeriveSettings {
  nowUtc: string;
  /** Step placements the scheduler may spend. */
  effort: number;
}

/** Step placements that may be spent on a plan that is shown, or told of: enough for a good one, little enough to answer at once. */
export const PAGE_EFFORT = 400;

/**
 * Computes everything a station shows from what is kept, stage by stage: official, asked, called, routed, planned, chased. With the memory
 * of an earlier state only the stages whose inputs changed are computed. Deterministic in its arguments: memory changes nothing but time.
 */
export function deriveBrief(
  state: BriefState,
  shelf: ColourShelf,
  settings: DeriveSettings,
  stages: Stages = new Stages(),
): BriefView {
  const { airframe, brief } = state;
  const outline = stages.same('outline', [airframe, brief, state.subjects], () => outlineOf(state));
  const official = stages.same('official', [shelf.codes, shelf.chips], () => officialColours(shelf.codes, shelf.chips));
  const book = stages.same('book', [shelf.codes, shelf.systems], () => codeBook(shelf));
  const { sources, questions: records, sightings, rulings, events, mirrors } = state;
  const weighed = stages.same(
    'asked',
    [airframe, brief, sources, records, sightings, rulings, events, mirrors, book, outline],
    () => weighQuestions(state, book, outline),
  );
  const { questions } = weighed;
  const { colourHistory, layers } = stages.same('history', [weighed, events, airframe, outline], () => {
    const history = colourHistoryOf(weighed, state, outline);
    return { colourHistory: history, layers: layerOrders(state, history, outline) };
  });
  const { calls, callOf } = stages.same(
    'called',
    [
      questions,
      outline,
      state.choices,
      state.recipes,
      state.uses,
      state.log,
      state.fields,
      state.markings,
      brief,
      shelf.paints,
      shelf.tools,
      official,
      book,
    ],
    () => {
      const make = callMaker(state, shelf, official, book, outline, softZones(questions));
      return { calls: callViews(state, questions, make, outline, book), callOf: make };
    },
  );
  const noseWeight = stages.same('balanced', [outline, brief.denominator], () =>
    machineOf(outline.spec).thirdWheel === 'nose' ? noseWeightOf(outline, brief.denominator) : null,
  );
  const wanted: RouteWanted = stages.settled('wanted', {
    options: brief.options,
    maskOrder: brief.maskOrder,
    climate: { tempC: brief.tempC, humidity: brief.humidity },
    calls: calls.map(routeCall),
    markings: state.markings.map(({ id, title, name, zone, method, codes, kind, places }) => ({
      id,
      title,
      name,
      zone,
      method,
      pieces: Math.max(1, places.length),
      isStencil: kind === 'stencil',
      calls: method === 'mask' ? codes.map((code) => routeCall(callOf(code, [zone]))) : [],
    })),
    soft: [...softZones(questions)].sort(),
    layers: layers.map(({ zone, layers: stack }) => ({ zone, layers: stack })),
    parts: partJobs(state.parts),
    storesAt: brief.storesAt,
    ...(noseWeight ? { noseWeight: noseWeightInWords(noseWeight) } : {}),
    structure: structureOf(questions),
    subjects: state.subjects.map(({ kind, name, title, count, place, byGate, layers: built }) => ({
      kind,
      name,
      title,
      count,
      place,
      byGate,
      layers: built,
    })),
    pace: paceOf(state.log),
    keptAirbrushes: keptAirbrushes(shelf.tools),
    leftOut: [...brief.leftOut, ...state.runs.flatMap(({ run }) => run.instead ?? [])],
    edits: state.edits.map(({ edit }) => edit),
    remedies: brief.remedies,
    runs: [
      ...state.mishaps.flatMap(({ run }) => (run ? [{ origin: 'rework' as const, run }] : [])),
      ...state.runs.map(({ origin, run }) => ({ origin, run })),
    ],
    done: [
      ...new Set(state.log.flatMap(({ stepKey, again }) => (!again && ASKED_IF_DONE.has(stepKey) ? [stepKey] : []))),
    ].sort(),
    under: [
      ...new Set([
        ...layers.flatMap(({ layers: stack }) => stack.flatMap(({ value }) => value ?? [])),
        ...state.parts.flatMap(({ codes }) => codes),
      ]),
    ].map((value) => ({ value, call: routeCall(callOf(value, [])) })),
  });
  const route = stages.same('routed', [wanted, outline], () => routeOf(wanted, outline));
  const standing = stages.same(
    'standing',
    [route, outline, state.log, state.mishaps, brief.tempC, brief.humidity],
    () => standingIn(route, outline, state),
  );
  const { plan, proposal } = planAhead(stages, standing, state, settings);
  const unasked = stages.same('unasked', [outline, brief, records], () =>
    unaskedZones(outline, brief.options, records),
  );
  const dueOf = stages.same('due', [route, plan], () => duesIn(route, plan));
  const open = stages.same('open', [questions, unasked, outline, dueOf], () =>
    openItems(questions, unasked, outline, dueOf),
  );
  const gates = stages.same('gated', [plan, open], () => gateViews(plan, open));
  const today = localDay(settings.nowUtc, brief.timeZone);
  return {
    state,
    official,
    book,
    outline,
    questions,
    windows: weighed.windows,
    colourHistory,
    layers,
    calls,
    route,
    standing,
    noseWeight,
    wanted,
    plan,
    proposal,
    gates,
    unasked,
    open,
    chase: stages.same('chased', [sources, weighed, outline, route, dueOf, gates, today], () =>
      chaseList(state, weighed, outline, route, dueOf, gates, today),
    ),
  };
}

/** Entries from before kinds were logged teach nothing. */
const paceOf = (log: BriefState['log']) =>
  estimated(
    log.flatMap(({ stepKind, plannedMinutes, actualMinutes }) =>
      stepKind ? [{ kind: stepKind, planned: plannedMinutes, actual: actualMinutes }] : [],
    ),
  ).factors;

/** How the build of a brief stands by its log. */
export const standingIn = (route: Route, { zones }: Outline, { log, mishaps, brief }: BriefState): Standing => {
  const areas = new Map(zones.map(({ key, areaM2 }) => [key, areaM2]));
  return standingOf(
    route,
    zones.map(({ key }) => key),
    log,
    mishaps,
    { tempC: brief.tempC, humidity: brief.humidity },
    (zone) => areas.get(zone) ?? 0,
  );
};

/** A plan holds until the first work that it plans should have begun: only then, or when its inputs changed, is it made anew. */
function planAhead(
  stages: Stages,
  { left, done }: Standing,
  state: BriefState,
  { nowUtc, effort }: DeriveSettings,
): Pick<BriefView, 'plan' | 'proposal'> {
  const { brief, sessions, evenings, plans } = state;
  const { timeZone, startOn } = brief;
  const settings = stages.settled('calendar', { timeZone, startOn, weekly: sessions, evenings });
  const inputs = [left, done, settings, plans, effort];
  const held = stages.same('plan held', inputs, () => ({ made: null as Planned | null, until: '', day: '' }));
  const day = localDay(nowUtc, brief.timeZone);
  if (!held.made || nowUtc > held.until || day !== held.day) {
    const from = { ...settings, nowUtc };
    const [accepted] = plans;
    const followed = accepted && followAccepted(left, done, from, accepted);
    held.made = followed
      ? { plan: followed.plan, proposal: { changes: followed.changes, next: followed.next } }
      : { plan: planRoute(left, done, from, effort), proposal: null };
    held.until = firstStart(held.made.plan) ?? nowUtc;
    held.day = day;
  }
  const { plan, proposal } = held.made;
  return stages.same('plan now', [plan, nowUtc], () => ({
    plan: {
      ...plan,
      now: Math.max(0, Math.round((Date.parse(nowUtc) - Date.parse(plan.origin)) / 60_000)),
    },
    proposal,
  }));
}
type Planned = Pick<BriefView, 'plan' | 'proposal'>;

/** The instant at which the first work that is not done is planned to begin; null when there is none. */
function firstStart({ origin, work }: RoutePlan): string | null {
  const first = work.find(({ done }) => !done);
  return first ? new Date(Date.parse(origin) + first.segments[0]![0] * 60_000).toISOString() : null;
}

function colourHistoryOf(
  { questions, evidence, weights, weighable }: WeighedBrief,
  state: BriefState,
  outline: Outline,
): ColourHistory {
  const colour = questions.filter(({ record }) => record.aspect === 'colour' && record.item === '');
  return {
    target: evidence.target,
    weights,
    sources: evidence.sources,
    events: state.events,
    sightings: colour.flatMap(({ record, sightings }) =>
      sightings.map((sighting) => ({ ...weighable.get(sighting.id)!, zone: record.zone })),
    ),
    rulings: colour.flatMap(({ record, ruling, open }) =>
      ruling && !open ? [{ zone: record.zone, value: ruling.value }] : [],
    ),
    zones: outline.zones.map((zone) => zone.key),
  };
}

type CallMaker = (value: string, zones: string[], areaM2?: number) => CallView;

/** How a code becomes a call: what is known of it, and the paint chosen for it in this brief. */
function callMaker(
  state: BriefState,
  { paints: catalogue, tools }: ColourShelf,
  official: BriefView['official'],
  book: CodeBook,
  outline: Outline,
  soft: ReadonlySet<string>,
): CallMaker {
  const paints = new Map(catalogue.map((paint) => [paint.id, paint]));
  const ground = groundOfBrief(state.brief.options);
  return (value, zones, areaM2) => {
    const areaCm2 =
      areaM2 === undefined
        ? modelAreaOfZones(outline, zones, state.brief.denominator)
        : (areaM2 * 1e4) / state.brief.denominator ** 2;
    const code = canonicalIn(book, value);
    const colour = official.get(code) ?? null;
    const record = state.choices.find((choice) => choice.codeId === colour?.record.id);
    const kept = state.recipes.find((recipe) => recipe.id === record?.recipeId);
    const made = kept ? mixtureOf(kept, catalogue, paints) : null;
    const recipe = made?.recipe ?? null;
    const paint = made ? made.paint : record?.paintId && paints.get(record.paintId);
    const choice = record && paint ? { record, paint, recipe } : null;
    const own =
      record && paint
        ? (groundCalled(record.ground) ?? groundOfSchool(state.brief.options.undercoats, paint.lab, paint.kind))
        : null;
    const filter = record?.filter ?? null;
    const filterPaint = filter && paints.get(filter.paintId);
    const suggested = suggestWay(
      {
        areaCm2,
        edge: zones.some((zone) => soft.has(zone)) ? 'soft' : 'hard',
        metallic: paint ? paint.kind === 'metallic' : false,
      },
      tools,
    );
    const way = record?.way
      ? { way: record.way, because: 'as you chose', chosen: true }
      : { ...suggested, chosen: false };
    return {
      way: { ...way, takes: figuresOfWay(way.way, tools) },
      code,
      official: colour,
      zones,
      areaCm2,
      choice,
      coats:
        choice &&
        (record!.coats === null
          ? byWay(way.way, plannedCoats(choice.paint, own?.lab ?? ground, loggedCoats(state, record!.codeId, code)))
          : { coats: record!.coats, because: `${record!.coats} as you chose at Layers` }),
      ground: choice && own,
      filter: choice && filter && filterPaint ? { ...filter, paint: filterPaint } : null,
    };
  };
}

const mixtures = new WeakMap<
  Kept<'recipe'>,
  { of: readonly Paint[]; recipe: RecipeView; paint: ReturnType<typeof recipeAsPaint> }
>();

/** A kept recipe as the paint it makes: the same one as long as neither the recipe nor the catalogue changes. */
function mixtureOf(record: Kept<'recipe'>, catalogue: readonly Paint[], paints: ReadonlyMap<string, Paint>) {
  const known = mixtures.get(record);
  if (known?.of === catalogue) return known;
  const recipe = recipeView(record, paints);
  const made = { of: catalogue, recipe, paint: recipeAsPaint(recipe) };
  mixtures.set(record, made);
  return made;
}

/** Coats as they are laid by another way than the airbrush. */
function byWay(way: Way, planned: PlannedCoats): PlannedCoats {
  if (way === 'airbrush') return planned;
  const coats = coatsBy(way, planned.coats);
  return { coats, because: `${coats} by ${way} (${planned.because})` };
}

/** Zones with a boundary that is ruled soft. */
export const softZones = (questions: readonly QuestionView[]): Set<string> =>
  new Set(
    questions.flatMap(({ record, ruling }) =>
      record.aspect === 'boundary' && ruling?.value === 'soft' ? [record.zone] : [],
    ),
  );

/** Rulings about how the machine is built. */
const structureOf = (questions: readonly QuestionView[]) =>
  questions.flatMap(({ record: { zone, aspect, item }, ruling, open }) =>
    ruling && !open && !ASPECTS[aspect].surface ? [{ zone, aspect, item, value: ruling.value }] : [],
  );

/** Coats of a code that the builder laid before: as measured out, and as logged at the bench. */
function loggedCoats({ uses, log }: BriefState, codeId: string, code: string): number[] {
  return [
    ...uses.filter((use) => use.codeId === codeId).map(({ coats }) => coats),
    ...log.flatMap((entry) => (entry.code === code && entry.coats !== null ? [entry.coats] : [])),
  ];
}

/** Rulings on colour and the scheme over them, one call for each code with the zones that wear it. */
function callViews(
  state: BriefState,
  questions: readonly QuestionView[],
  callOf: CallMaker,
  outline: Outline,
  book: CodeBook,
): CallView[] {
  const rulings = questions.flatMap(({ record, ruling }) =>
    record.aspect === 'colour' && ruling ? [{ ...record, code: canonicalIn(book, ruling.value) }] : [],
  );
  const ruled = new Map(rulings.flatMap(({ zone, item, code }) => (item === '' ? [[zone, code] as const] : [])));
  const worn = wornColours(state, outline, ruled, book);
  // A thing of its own on a zone is painted with the zone's colours, on no skin that is reckoned.
  for (const { zone, item, code } of rulings) {
    if (item === '') continue;
    const known = worn.find((one) => one.code === code);
    if (!known) worn.push({ code, zones: [zone], areaM2: 0 });
    else if (!known.zones.includes(zone)) known.zones.push(zone);
  }
  return worn
    .sort((one, other) => one.code.localeCompare(other.code))
    .map(({ code, zones, areaM2 }) => callOf(code, zones, areaM2));
}

function routeCall(call: CallView): RouteCall {
  const paint = call.choice?.paint;
  return {
    code: call.code,
    name: call.official?.record.name ?? '',
    zones: call.zones,
    lab: paint?.lab ?? call.official?.lab ?? null,
    coats: call.coats?.coats ?? null,
    way: call.way.way,
    wayBecause: call.way.because,
    ground: call.ground?.title ?? null,
    filter: call.filter && {
      label: `${paintLabel(call.filter.paint)} ${call.filter.paint.name}`.trim(),
      percent: call.filter.percent,
      passes: call.filter.passes,
      chemistry: call.filter.paint.chemistry,
      dries: call.filter.paint.dries,
    },
    paint: paint
      ? {
          id: paint.id,
          label: paintLabel(paint),
          chemistry: paint.chemistry,
          dries: paint.dries,
          kind: paint.kind,
          finish: paint.finish,
        }
      : null,
  };
}

/** Zones on which older coats or patches show, with what to lay down, bottom to top. */
function layerOrders(state: BriefState, history: ColourHistory, outline: Outline): LayerOrder[] {
  const day = state.airframe.targetTo ?? state.airframe.targetFrom;
  if (!day) return [];
  return [...new Set(state.events.map((event) => event.zone))].sort().flatMap((zone) => {
    const layers = layersAsOn(history, zone, day);
    return needsOrder(layers) ? [{ zone, zoneTitle: zoneTitle(outline, zone), layers }] : [];
  });
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
