import { rememberingFor } from '@/core/units/remembered';
import { colourLaid } from '@/core/workshop/already-laid';
import type { BriefView } from '@/core/derive/derive';
import type { CallView } from '@/core/derive/called';
import type { Fields, Kept, Laying } from '@/core/kept/records';
import { counted } from '@/core/units/words';
import { besideTheColours, tapeLeft } from '@/core/workshop/beside';
import { coatRows, type CoatRow } from '@/core/workshop/coat-rows';
import { chemistryNotes, type ChemistryNote } from '@/core/workshop/chemistry-notes';
import { recipeAsPaint, recipeView } from '@/core/derive/recipes';
import type { ColourShelf } from '@/core/kept/state';
import { otherFinishes } from '@/core/codes/system';
import { relatedCodes, type OfficialColour } from '@/core/codes/official';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { combinedSd, differenceInWords } from '@/core/colour/words';
import { chemistryOf } from '@/core/match/mix/cup';
import {
  bestOfEach,
  claimInWords,
  compareNeighbours,
  matchSingle,
  type Match,
  type NeighbourPair,
  type Target,
} from '@/core/match/single';
import { APART, INSIDE, type ZoneGroup } from '@/core/outline/zones';
import { calledWhere, itemsOfCall, markingsOfCall } from '@/core/workshop/called-where';
import { touchingZones } from '@/core/outline/touching';
import { groundOfBrief } from '@/core/paint/grounds';
import type { Climate } from '@/core/paint/drying';
import { bottleState } from '@/core/paint/bottle';
import { paintInFull, paintLabel, type Paint } from '@/core/paint/catalogue';
import type { PlannedCoats } from '@/core/paint/planned-coats';
import type { Way } from '@/core/kit/applying';
import { builderFactor, CUP_ML, planCup, type AppliedFigures, type CupPlan } from '@/core/paint/quantity';
import { thinRatioOf } from '@/core/paint/thinning';
import type { DropPart } from '@/ui/drop-bar';
import { dropOf, MATCHES, targetOf } from './of-call';
import { batchInWords, finishesInWords, relationInWords } from '@/core/codes/code-words';

export interface Chosen {
  /** The paint, or what the chosen recipe makes. */
  paint: Paint;
  recipeId: string | null;
  drops: DropPart[];
  dE00: number | null;
  says: string;
  label: string;
  thinRatio: number;
}

export interface RecipeRow {
  record: Kept<'recipe'>;
  drops: DropPart[];
  label: string;
  lab: Lab;
  dE00: number | null;
  says: string;
  inUse: boolean;
  /** Paints of different chemistries: said, not refused. */
  mixedChemistry: boolean;
}

export interface ColourCallRow {
  code: string;
  name: string;
  codeId: string | null;
  record: Kept<'colour_code'> | null;
  lab: Lab | null;
  sd: number;
  zones: { key: string; title: string }[];
  /** Markings and things of their own that have it: as one says each, and on which zones they lie. */
  markings: { says: string; zones: string[] }[];
  /** Whether paint is needed for it at all: not for what is only printed or penned. */
  painted: boolean;
  /** Zones and markings in a sentence. */
  where: string;
  chosen: Chosen | null;
  /** Its paints, drawer first, of the call that is open. */
  matches: Match[];
  /** Of a call without a paint: the nearest that is owned and the nearest to be had, in words. */
  nearest: { paintId: string; owned: boolean; says: string }[];
  recipes: RecipeRow[];
  areaCm2: number;
  /** Coats that are planned, and why; null while no paint is chosen. */
  coats: PlannedCoats | null;
  /** How it is laid beside what the brief lays anyhow, as it was chosen at Layers. */
  laid: {
    ground: Laying['ground'];
    groundTitle: string | null;
    coats: number | null;
    filter: string | null;
    /** As it was chosen; '' = as suggested. */
    way: '' | Way;
    /** How it is brought on, why, and what that takes. */
    by: Way;
    byBecause: string;
    takes: AppliedFigures;
  };
  /** What it takes in the cup, in those coats with the chosen paint's thinning. */
  cup: CupPlan | null;
  /** What its chemistry does to what it meets, or suffers from it. */
  chemistry: ChemistryNote[];
  /** What is laid of it already, and what stands behind the official colour: chips, outliers, batches, other codes. */
  known: string[];
}

export interface ColoursPage {
  briefId: string;
  /** The state of the house that these data are of. */
  stamp: string;
  today: string;
  denominator: number;
  calls: ColourCallRow[];
  neighbours: NeighbourPair[];
  /** Codes that meet on the airframe. */
  edges: { a: string; b: string }[];
  uses: Fields<'paint_use'>[];
  /** What this builder sprays beside the typical. */
  factor: number;
  paints: number;
  owned: number;
  codes: number;
  unruled: number;
  /** Zones of which nobody asked the colour. */
  unasked: number;
  /** All that is open in the brief. */
  open: number;
  /** Primer, shades and clears as the route lays them. */
  coats: CoatRow[];
  /** At which the bench dries what is laid. */
  climate: Climate;
  /** Coats without a product of their own, and thinner, that the route takes beside the colours. */
  beside: { what: string; ml: number }[];
  /** Tape that the colours still take, m. */
  tapeM: number;
  /** What colours go over where nothing else is laid under them. */
  ground: Lab;
  /** Bottles that are low or past their time. */
  worn: number;
}

/** `open` is the code whose paints are looked at: those of the others come with the shelf, when they are. */
export function coloursPage(
  view: BriefView,
  shelf: ColourShelf,
  stamp: string,
  nowUtc: string,
  open: string | null = null,
): ColoursPage {
  const { brief } = view.state;
  const today = nowUtc.slice(0, 10);
  const factor = builderFactor(view.state.uses);
  const edges = callEdges(view);
  const chemistry = chemistryNotes(view, callEdges(view, SPRAYED_APART));
  const calls = view.calls.map((call) => ({
    ...callRow(call, view, shelf, factor, open),
    chemistry: call.choice ? (chemistry.get(call.code) ?? []) : [],
  }));
  const meet = new Set(edges.map(({ a, b }) => `${a} ${b}`));
  const named = new Map(calls.map((call) => [call.code, call.name || call.code]));
  return {
    briefId: brief.id,
    stamp,
    today,
    denominator: brief.denominator,
    calls,
    neighbours: compareNeighbours(
      calls.flatMap(({ code, lab, chosen }) =>
        lab && chosen?.paint.lab && chosen.paint.kind === 'solid'
          ? [{ code, official: lab, chosen: chosen.paint.lab }]
          : [],
      ),
    )
      .filter((pair) => meet.has(`${pair.a} ${pair.b}`) || meet.has(`${pair.b} ${pair.a}`))
      .filter((pair) => pair.officialDE < 20 || pair.chosenDE < 20)
      .map((pair) => ({ ...pair, a: named.get(pair.a)!, b: named.get(pair.b)! })),
    edges,
    uses: view.state.uses,
    factor,
    paints: shelf.paints.length,
    owned: shelf.paints.filter((paint) => paint.ownedMl > 0).length,
    codes: shelf.codes.length,
    unruled: view.questions.filter((question) => question.open && question.record.aspect === 'colour').length,
    unasked: view.unasked.length,
    open: view.open.length,
    coats: coatRows(view, shelf.tools, factor),
    climate: { tempC: brief.tempC, humidity: brief.humidity },
    beside: besideTheColours(view, factor),
    tapeM: tapeLeft(view),
    ground: groundOfBrief(view.state.brief.options, view.wanted.general),
    worn: shelf.paints.reduce(
      (sum, paint) => sum + paint.bottles.filter((bottle) => bottleState(bottle, paint, today).state !== 'good').length,
      0,
    ),
  };
}

/** What is not sprayed with the airframe: no coat runs over its edge. */
const SPRAYED_APART: ReadonlySet<ZoneGroup> = new Set([...INSIDE, ...APART]);

/** Calls of which some zones meet on the airframe, those of some groups left out. */
function callEdges(view: BriefView, leftOut: ReadonlySet<ZoneGroup> = INSIDE): { a: string; b: string }[] {
  const inside = new Set(view.outline.zones.filter(({ group }) => leftOut.has(group)).map(({ key }) => key));
  const codesOf = new Map<string, string[]>();
  for (const call of view.calls)
    for (const zone of call.zones) codesOf.set(zone, [...(codesOf.get(zone) ?? []), call.code]);
  const edges = new Map<string, { a: string; b: string }>();
  for (const [one, other] of touchingZones(view.outline)) {
    if (inside.has(one) || inside.has(other)) continue;
    for (const a of codesOf.get(one) ?? [])
      for (const b of codesOf.get(other) ?? []) {
        if (a === b) continue;
        const [first, second] = a < b ? [a, b] : [b, a];
        edges.set(`${first} ${second}`, { a: first, b: second });
      }
  }
  return [...edges.values()].sort((x, y) => x.a.localeCompare(y.a) || x.b.localeCompare(y.b));
}

function callRow(
  call: CallView,
  view: BriefView,
  shelf: ColourShelf,
  factor: number,
  open: string | null,
): Omit<ColourCallRow, 'chemistry'> {
  const record = call.official?.record ?? null;
  const lab = call.official?.lab ?? null;
  const sd = call.official?.sd ?? 0;
  const zones = call.zones.map((key) => ({
    key,
    title: view.outline.zones.find((zone) => zone.key === key)?.title ?? key,
  }));
  const areaCm2 = call.areaCm2;
  const paints = new Map(shelf.paints.map((paint) => [paint.id, paint]));
  const compare = (other: Lab | null, otherSd: number) => {
    const dE00 = other && lab ? deltaE00(lab, other) : null;
    const metal = record?.kind === 'metallic';
    const says =
      dE00 === null
        ? lab
          ? 'not compared: the paint’s colour is not known'
          : 'not compared: nobody has measured it'
        : metal
          ? 'a metal: judged by kind, ground and how it darkens aslant'
          : differenceInWords(lab!, other!, dE00, combinedSd(sd, otherSd));
    return { dE00: metal ? null : dE00, says };
  };
  const nearest = (most: number) =>
    lab && record ? nearestOf(targetOf({ lab, sd, code: call.code, record })!, shelf.paints, most) : [];
  const { choice } = call;
  const thinRatio = choice ? thinRatioOf(choice.paint) : 1;
  const recipes = view.state.recipes
    .filter(({ codeId }) => codeId === record?.id)
    .flatMap((kept): RecipeRow[] => {
      const seen = recipeView(kept, paints);
      const made = recipeAsPaint(seen);
      if (!made?.lab) return [];
      return [
        {
          record: kept,
          drops: seen.parts.map(({ paint, drops }) => dropOf(paint, drops)),
          label: made.number,
          lab: made.lab,
          ...compare(made.lab, made.sd),
          inUse: choice?.recipe?.record.id === kept.id,
          mixedChemistry:
            chemistryOf(seen.parts.map(({ paint, drops }) => ({ chemistry: paint.chemistry, drops }))) === null,
        },
      ];
    });
  return {
    code: call.code,
    name: record?.name ?? '',
    codeId: record?.id ?? null,
    record,
    lab,
    sd,
    zones,
    markings: [
      ...markingsOfCall(call).map((says, i) => ({ says, zones: call.markings[i]!.zones })),
      ...itemsOfCall(view.outline, call).map((says, i) => ({ says, zones: [call.items[i]!.zone] })),
    ],
    painted: call.painted,
    where: calledWhere(view.outline, call),
    chosen: choice
      ? {
          paint: choice.paint,
          recipeId: choice.recipe?.record.id ?? null,
          drops: choice.recipe?.parts.map(({ paint, drops }) => dropOf(paint, drops)) ?? [],
          ...compare(choice.paint.lab, choice.paint.sd),
          label: choice.recipe ? choice.paint.number : paintLabel(choice.paint),
          thinRatio,
        }
      : null,
    matches: call.code === open ? nearest(MATCHES) : [],
    nearest: choice ? [] : nearestInWords(nearest(1), call.code),
    recipes,
    areaCm2,
    coats: call.coats,
    laid: {
      ground: choice?.record.ground ?? '',
      groundTitle: call.ground?.title ?? null,
      coats: choice?.record.coats ?? null,
      way: choice?.record.way ?? '',
      by: call.way.way,
      byBecause: call.way.because,
      takes: call.way.takes,
      filter:
        call.filter &&
        `${counted(call.filter.passes, 'pass')} of ${call.filter.percent} % ${paintInFull(call.filter.paint)} over it`,
    },
    cup: call.coats
      ? planCup({ areaCm2, coats: call.coats.coats, ...call.way.takes }, { cupMl: CUP_ML, thinRatio, factor })
      : null,
    known: [
      ...[colourLaid(view, call.code)].filter(Boolean),
      ...(call.official ? knownOf(call.official, view, shelf) : []),
    ],
  };
}

function nearestInWords(matches: readonly Match[], code: string): ColourCallRow['nearest'] {
  const { owned, toBeHad } = bestOfEach(matches);
  const said = (match: Match) => {
    const off = match.paint.kind === 'metallic' ? '' : ` (${match.dE00.toFixed(1)})`;
    const claims = match.claimed ? `, ${claimInWords(match, code)}` : `, ${match.says}${off}`;
    return paintInFull(match.paint) + claims;
  };
  return [
    ...(owned ? [{ paintId: owned.paint.id, owned: true, says: said(owned) }] : []),
    ...(toBeHad ? [{ paintId: toBeHad.paint.id, owned: false, says: said(toBeHad) }] : []),
  ];
}

/** Matches found before, for as long as the catalogue is the same. */
const found = rememberingFor<readonly Paint[], Match[]>(1000);

const nearestOf = (target: Target, paints: readonly Paint[], most: number): Match[] =>
  found(paints, `${most} ${JSON.stringify(target)}`, () => matchSingle(target, paints, most));

/** What stands behind an official colour, in sentences. */
function knownOf(official: OfficialColour, view: BriefView, shelf: ColourShelf): string[] {
  const { pooled, batches, record, print } = official;
  const others = otherFinishes(view.book, record.code);
  return [
    ...(print ? [`Matched to a print: ${print.marking} on “${print.sheet}”`] : []),
    ...(pooled?.outliers ?? []).map(
      ({ chip, dE00 }) =>
        `Outlier: ${[chip.origin, chip.note].filter(Boolean).join(', ')} is ${dE00.toFixed(1)} off the others, left out`,
    ),
    ...(pooled?.disagree ? ['The chips disagree by more than their uncertainties'] : []),
    ...batches.map((batch) => batchInWords(batch, official)),
    ...(others.length > 0 ? [finishesInWords(others)] : []),
    ...relatedCodes(official, shelf.relations, view.official).map(relationInWords),
  ];
}
