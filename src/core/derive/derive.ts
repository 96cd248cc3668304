import { codeBook, officialColours, type OfficialColour } from '@/core/codes/official';
import type { CodeBook } from '@/core/codes/system';
import type { ColourHistory } from '@/core/evidence/as-on';
import type { Window } from '@/core/evidence/date-fit';
import { outlineOf, type BriefState, type ColourShelf } from '@/core/kept/state';
import { coloursLaid, laidOf } from '@/core/laid/laid';
import type { Standing } from '@/core/laid/standing';
import { partJobs } from '@/core/kit/part-work';
import type { Outline } from '@/core/outline/outline';
import { machineOf } from '@/core/outline/presets';
import type { Zone } from '@/core/outline/zones';
import type { FollowedPlan } from '@/core/route/accepted';
import { localDay } from '@/core/route/calendar';
import type { RoutePlan } from '@/core/route/plan';
import type { Border } from '@/core/scheme/edges';
import { bordersOn } from '@/core/scheme/skin-edges';
import type { Route } from '@/core/work/step';
import { callMaker, callViews, type CallView } from './called';
import { coatedZones } from './coated';
import { chaseList, type ChaseItem } from './chase-list';
import { duesIn } from './due';
import { gateViews, type GateView } from './gate-views';
import { colourHistoryOf, layerOrders, type LayerOrder } from './history';
import { noseWeightOf, type NoseWeight } from './nose-weight';
import { openItems, type OpenItem } from './open-items';
import { planAhead } from './planned';
import { matchedToPrints } from './printed-colours';
import { weighQuestions, type QuestionView } from './questions';
import { routeOf, type RouteWanted } from './routed';
import { paintedOn, softZones } from './ruled';
import { Stages } from './stages';
import { standingIn } from './standing';
import { unaskedZones } from './unasked';
import { wantedOf } from './wanted';

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
  /** Where the pieces of the skin meet, whatever colours they have. */
  borders: readonly Border[];
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
  /** What to chase, most worthwhile first: found when it is asked for. */
  readonly chase: ChaseItem[];
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
  // Of the brief only what a stage reads: a note on it makes nothing anew.
  const { weights, options, storesAt, denominator, schoolsAt, tempC, humidity } = brief;
  const shaping = stages.settled('shaping', { options, storesAt, denominator });
  const outline = stages.same('outline', [airframe, shaping, state.subjects], () => outlineOf(state));
  const book = stages.same('book', [shelf.codes, shelf.systems], () => codeBook(shelf));
  const standards = stages.same('standards', [shelf.codes, shelf.chips], () =>
    officialColours(shelf.codes, shelf.chips),
  );
  const official = stages.same('official', [standards, state.markings, shelf.decalSheets, book], () =>
    matchedToPrints(standards, state.markings, shelf.decalSheets, book),
  );
  const { sources, questions: records, sightings, rulings, events, mirrors, zoneDays } = state;
  const weighing = stages.settled('weighing', { weights, options });
  const calling = stages.settled('calling', { options, schoolsAt, denominator });
  const weighed = stages.same(
    'asked',
    [airframe, weighing, sources, records, sightings, rulings, events, mirrors, zoneDays, book, outline],
    () => weighQuestions(state, book, outline),
  );
  const { questions } = weighed;
  const { colourHistory, layers } = stages.same('history', [weighed, events, airframe, outline], () => {
    const history = colourHistoryOf(weighed, state, outline);
    return { colourHistory: history, layers: layerOrders(state, history, outline) };
  });
  // Colours are told by their entries alone: what is wanted now has no say in what lies there.
  const laidColours = stages.settled('laid colours', coloursLaid(laidOf(state.log, state.mishaps, () => undefined)));
  const coated = stages.same('coated', [questions, book], () => coatedZones(questions, book));
  const { calls, callOf } = stages.same(
    'called',
    [
      questions,
      layers,
      coated,
      outline,
      state.choices,
      state.recipes,
      state.uses,
      state.log,
      state.fields,
      state.markings,
      calling,
      shelf.paints,
      shelf.tools,
      official,
      book,
      laidColours,
    ],
    () => {
      const make = callMaker(state, shelf, official, book, outline, softZones(questions), laidColours);
      return { calls: callViews(state, questions, layers, coated, make, outline, book), callOf: make };
    },
  );
  const noseWeight = stages.same('balanced', [outline, denominator], () =>
    machineOf(outline.spec).thirdWheel === 'nose' ? noseWeightOf(outline, denominator) : null,
  );
  const painted = stages.same('painted', [outline, state.fields, state.markings, book], () =>
    paintedOn(state, outline, book),
  );
  const borders = stages.same('borders', [outline, painted], () => bordersOn(outline, painted));
  const jobs = stages.same('parts', [state.parts, weighing], () => partJobs(state.parts, options));
  const known = {
    outline,
    jobs,
    questions,
    layers,
    coated,
    calls,
    callOf,
    noseWeight,
    painted,
    borders,
    laidColours,
    book,
  };
  const wanted = stages.settled('wanted', wantedOf(state, shelf, known));
  const route = stages.same('routed', [wanted, outline], () => routeOf(wanted, outline));
  const standing = stages.same('standing', [route, outline, state.log, state.mishaps, tempC, humidity], () =>
    standingIn(route, outline, state),
  );
  const { plan, proposal } = planAhead(stages, standing, state, settings);
  const unasked = stages.same('unasked', [outline, weighing, records], () => unaskedZones(outline, options, records));
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
    borders,
    route,
    standing,
    noseWeight,
    wanted,
    plan,
    proposal,
    gates,
    unasked,
    open,
    // Weighed again and again for it: only where it is shown.
    get chase() {
      return stages.same('chased', [sources, weighed, outline, route, dueOf, gates, today], () =>
        chaseList(state, weighed, outline, route, dueOf, gates, today),
      );
    },
  };
}
