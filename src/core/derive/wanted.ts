import { canonicalIn, type CodeBook } from '@/core/codes/system';
import type { PartJob } from '@/core/kit/part-work';
import { keptAirbrushes } from '@/core/kit/tools';
import { FROM_A_SHEET, isPrintedAtHome } from '@/core/markings/kinds';
import { zonesOfMarking } from '@/core/markings/on-zones';
import { paintedSize, piecesOfMarking } from '@/core/markings/painted-size';
import type { Outline } from '@/core/outline/outline';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { generalCoats, zonedCoats } from '@/core/route/general-coats';
import { ASKED_IF_DONE } from '@/core/route/stage-of-zone';
import type { PaintedField } from '@/core/scheme/cells';
import type { Border } from '@/core/scheme/edges';
import { skinEdges } from '@/core/scheme/skin-edges';
import { blotchCount, isStencilled, STENCIL_HOLES } from '@/core/scheme/stencil';
import type { CoatedZone, RouteStencil } from '@/core/route/call';
import { patternsOn } from '@/core/work/compare-orders';
import { generalWayOf, routeCall, type CallMaker, type CallView } from './called';
import { chosenCoats } from './general-coats';
import { ruledColours } from './colour-rulings';
import { hidingPairs } from './hiding';
import type { LayerOrder } from './history';
import { noseWeightInWords, type NoseWeight } from './nose-weight';
import { paceOf } from './planned';
import type { QuestionView } from './questions';
import type { RouteWanted } from './routed';
import { finishesOf, softZones, structureOf } from './ruled';

/** What is known of a brief when it is asked what its route is made from. */
export interface Known {
  outline: Outline;
  /** What has to be done with the parts of the box. */
  jobs: readonly PartJob[];
  questions: readonly QuestionView[];
  layers: readonly LayerOrder[];
  coated: readonly CoatedZone[];
  calls: readonly CallView[];
  callOf: CallMaker;
  noseWeight: NoseWeight | null;
  /** The scheme on the skin, with the borders that it has there. */
  painted: readonly PaintedField[];
  borders: readonly Border[];
  laidColours: Readonly<Record<string, readonly string[]>>;
  book: CodeBook;
}

/** Stage: what the route of a brief is made from, as plain data. */
export function wantedOf(
  state: BriefState,
  { tools, paints }: Pick<ColourShelf, 'tools' | 'paints'>,
  { outline, jobs, questions, layers, coated, calls, callOf, noseWeight, painted, borders, laidColours, book }: Known,
): RouteWanted {
  const { brief } = state;
  const soft = softZones(questions);
  const patterns = patternsOn(state.fields);
  const base = ruledColours(questions, book);
  const worn = calls.filter(({ zones }) => zones.length > 0);
  const chosen = chosenCoats(state.coats, paints);
  return {
    edges: skinEdges(borders, (zone) => base.get(zone) ?? null, painted, soft, brief.denominator),
    hides: hidingPairs(worn),
    laid: laidColours,
    denominator: brief.denominator,
    general: generalWayOf(state, tools),
    coats: generalCoats(chosen),
    zonedCoats: zonedCoats(chosen),
    finishes: finishesOf(questions, calls, brief.options),
    options: brief.options,
    schoolsAt: brief.schoolsAt,
    maskOrder: brief.maskOrder,
    climate: { tempC: brief.tempC, humidity: brief.humidity },
    calls: worn.map(routeCall),
    markings: state.markings.map((marking) => {
      const zones = zonesOfMarking(outline, marking);
      const colours = FROM_A_SHEET.has(marking.method) ? [] : marking.codes.map((code) => callOf(code, zones));
      return {
        measures: [
          ...new Set(patterns.flatMap(({ marking: on, code }) => (on === marking.id ? [canonicalIn(book, code)] : []))),
        ],
        id: marking.id,
        title: marking.title,
        name: marking.name,
        zones,
        method: marking.method,
        pieces: piecesOfMarking(outline, marking),
        isStencil: marking.kind === 'stencil',
        ...(FROM_A_SHEET.has(marking.method) ? {} : { painted: paintedSize(outline, marking, brief.denominator) }),
        ...(isPrintedAtHome(marking) ? { printing: marking.printing } : {}),
        calls: colours.map(routeCall),
        hides: hidingPairs(colours),
      };
    }),
    items: calls.flatMap((call) =>
      call.items.flatMap(({ zone, item, isUnder }) => (isUnder ? [] : [{ zone, item, call: routeCall(call) }])),
    ),
    soft: [...soft].sort(),
    coated,
    stencils: painted.flatMap((own): RouteStencil[] => {
      const { id, title, code, shape } = own.field;
      if (!isStencilled(shape)) return [];
      const times = Math.ceil(blotchCount(outline, own) / STENCIL_HOLES);
      return [{ id, title, code, blotchMm: shape.blotchMm / brief.denominator, times }];
    }),
    layers: layers.map(({ zone, layers: stack }) => ({ zone, layers: stack })),
    parts: jobs,
    storesAt: brief.storesAt,
    ...(noseWeight ? { noseWeight: noseWeightInWords(noseWeight) } : {}),
    structure: structureOf(questions),
    subjects: state.subjects.map(({ kind, name, title, count, place, standsOn, byGate, layers: built }) => ({
      kind,
      name,
      title,
      count,
      place,
      standsOn,
      byGate,
      layers: built,
    })),
    pace: paceOf(state.log),
    keptAirbrushes: keptAirbrushes(tools),
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
        ...coated.flatMap(({ under }) => under.flatMap((code) => code ?? [])),
      ]),
    ].map((value) => ({ value, call: routeCall(callOf(value, [])) })),
  };
}
