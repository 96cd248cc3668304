import { canonicalIn, type CodeBook } from '@/core/codes/system';
import type { OfficialColour } from '@/core/codes/official';
import {
  coatsBy,
  figuresOfWay,
  generalWay,
  suggestWay,
  type GeneralWay,
  type Suggestion,
  type Way,
} from '@/core/kit/applying';
import { optionsAt } from '@/core/kit/options';
import type { Tool } from '@/core/kit/tools';
import type { Kept } from '@/core/kept/records';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { modelAreaOfZones, type Outline } from '@/core/outline/outline';
import { paintInFull, type Paint } from '@/core/paint/catalogue';
import { groundCalled, groundOfBrief, groundOfSchool, type Ground } from '@/core/paint/grounds';
import { plannedCoats, type PlannedCoats } from '@/core/paint/planned-coats';
import type { AppliedFigures } from '@/core/paint/quantity';
import { ITEM_M2, type CoatedZone, type RouteCall } from '@/core/route/call';
import { mainCoat } from '@/core/evidence/layers';
import { needsWhite } from '@/core/markings/coats';
import { colourRulings, ruledColours } from './colour-rulings';
import type { LayerOrder } from './history';
import { markedColours, takesPaint, type MarkedCall } from './marked';
import type { QuestionView } from './questions';
import { recipeAsPaint, recipeView, type RecipeView } from './recipes';
import { wornColours } from './worn';

/** Stage: every code that is called for, with its zones, its paint, and how it is laid. */

export interface CallView {
  code: string;
  official: OfficialColour | null;
  /** Zones whose skin shows it; none where only markings have it. */
  zones: string[];
  /** Markings that are made here and have it. */
  markings: MarkedCall[];
  /** Things of their own on zones that have it: a handle, a cushion. */
  items: CalledItem[];
  /** Zones on which it is laid under the colour that they wear, or over it. */
  further: string[];
  /** Whether it comes out of a bottle at all: of what is only printed or penned no paint is needed. */
  painted: boolean;
  /** Skin on the model that shows it and what is painted of markings, cm2. */
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

export interface CalledItem {
  zone: string;
  item: string;
  /** It lies under the colour of that thing. */
  isUnder?: boolean;
}

/** Where a colour goes beside the skin that shows it. */
type Beside = Pick<CallView, 'markings' | 'items' | 'further'>;
export type CallMaker = (value: string, zones: string[], areaM2?: number, beside?: Partial<Beside>) => CallView;

/** How general coats are brought on in a brief. */
export const generalWayOf = ({ choices }: Pick<BriefState, 'choices'>, tools: readonly Tool[]): GeneralWay =>
  generalWay(
    tools,
    choices.map(({ way }) => way || null),
  );

/** How a code becomes a call: what is known of it, and the paint chosen for it in this brief. */
export function callMaker(
  state: BriefState,
  { paints: catalogue, tools }: ColourShelf,
  official: ReadonlyMap<string, OfficialColour>,
  book: CodeBook,
  outline: Outline,
  soft: ReadonlySet<string>,
  laid: Readonly<Record<string, readonly string[]>>,
): CallMaker {
  const paints = new Map(catalogue.map((paint) => [paint.id, paint]));
  const general = generalWayOf(state, tools);
  const { options, schoolsAt } = state.brief;
  /** What lies under a colour: where some of its zones are done over a black base, that takes the most to cover. */
  const groundOn = (zones: readonly string[]) => {
    const isBlack = zones.some((zone) => optionsAt(options, schoolsAt, zone).tonal === 'black base');
    return groundOfBrief({ tonal: isBlack ? 'black base' : zones.length > 0 ? 'plain' : options.tonal }, general);
  };
  const labOf = (code: string) => {
    const known = official.get(code);
    const chosen = state.choices.find(({ codeId }) => codeId === known?.record.id);
    return (chosen?.paintId && paints.get(chosen.paintId)?.lab) || known?.lab || null;
  };
  /** Other colours that lie on some zones, and are no longer wanted there: what is laid now lies on them. */
  const groundsUnder = (code: string, zones: readonly string[]) =>
    [...new Set(zones.flatMap((zone) => laid[zone]?.at(-1) ?? []))].flatMap((under) => {
      const lab = under === code ? null : labOf(under);
      return lab ? [{ code: under, lab }] : [];
    });
  return (value, zones, areaM2, { markings = [], items = [], further = [] } = {}) => {
    const made = markings.filter(takesPaint);
    const isSprayed = zones.length > 0 || further.length > 0;
    const isOnMarkingsAlone = !isSprayed && made.length > 0;
    const isOnItemsAlone = !isSprayed && made.length === 0 && items.length > 0;
    const areaCm2 =
      (areaM2 === undefined
        ? modelAreaOfZones(outline, zones, state.brief.denominator)
        : (areaM2 * 1e4) / state.brief.denominator ** 2) +
      modelAreaOfZones(outline, further, state.brief.denominator) +
      made.reduce((sum, marking) => sum + marking.areaCm2, 0) +
      (items.length * ITEM_M2 * 1e4) / state.brief.denominator ** 2;
    const code = canonicalIn(book, value);
    const colour = official.get(code) ?? null;
    const record = state.choices.find((choice) => choice.codeId === colour?.record.id);
    const kept = state.recipes.find((recipe) => recipe.id === record?.recipeId);
    const mixture = kept ? mixtureOf(kept, catalogue, paints) : null;
    const recipe = mixture?.recipe ?? null;
    const paint = mixture ? mixture.paint : record?.paintId && paints.get(record.paintId);
    const choice = record && paint ? { record, paint, recipe } : null;
    const own =
      record && paint
        ? (groundCalled(record.ground) ?? groundOfSchool(state.brief.options.undercoats, paint.lab, paint.kind))
        : null;
    const filter = record?.filter ?? null;
    const filterPaint = filter && paints.get(filter.paintId);
    const suggested = isOnItemsAlone
      ? BY_HAND
      : isOnMarkingsAlone
        ? wayOfMarkings(made, general)
        : suggestWay(
            {
              areaCm2,
              edge: zones.some((zone) => soft.has(zone)) ? 'soft' : 'hard',
              metallic: paint ? paint.kind === 'metallic' : false,
              bottled: Boolean(paint),
            },
            tools,
            general,
          );
    // Of markings alone: masks get their white ground.
    const under = isOnMarkingsAlone && paint && needsWhite(paint) ? WHITE : groundOn(zones);
    const way = record?.way
      ? { way: record.way, because: 'as you chose', chosen: true }
      : { ...suggested, chosen: false };
    return {
      way: { ...way, takes: figuresOfWay(way.way, tools) },
      code,
      official: colour,
      zones,
      markings,
      items,
      further,
      painted: isSprayed || made.length > 0 || items.length > 0,
      areaCm2,
      choice,
      coats:
        choice &&
        (record!.coats === null
          ? byWay(
              way.way,
              overWhatLies(
                choice.paint,
                plannedCoats(choice.paint, own?.lab ?? under, loggedCoats(state, record!.codeId, code)),
                own ? [] : groundsUnder(code, zones),
              ),
            )
          : { coats: record!.coats, because: `${record!.coats} as you chose at Layers` }),
      ground: choice && own,
      filter: choice && filter && filterPaint ? { ...filter, paint: filterPaint } : null,
    };
  };
}

/** The ground that goes under colours of masked markings that hide badly. */
const WHITE = groundCalled('white')!.lab;

/** Small things of their own are never sprayed. */
const BY_HAND: Suggestion = { way: 'brush', because: 'small things that are painted by hand' };

/** How the colours of markings go on, as their steps have it. */
function wayOfMarkings(made: readonly MarkedCall[], general: GeneralWay): Suggestion {
  if (made.every(({ method }) => method === 'brush'))
    return { way: 'brush', because: 'markings that are painted by hand' };
  return general === 'airbrush'
    ? { way: 'airbrush', because: 'through the masks of its markings' }
    : { way: 'brush', because: 'no can sprays into a small mask' };
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

/** Coats of a paint where other colours lie under it: as many as the worst of them takes. */
function overWhatLies(
  paint: Paint,
  planned: PlannedCoats,
  under: readonly { code: string; lab: NonNullable<Paint['lab']> }[],
): PlannedCoats {
  const [worst] = under
    .map(({ code, lab }) => ({ code, coats: plannedCoats(paint, lab).coats }))
    .sort((a, b) => b.coats - a.coats);
  if (!worst || worst.coats <= planned.coats) return planned;
  return {
    coats: worst.coats,
    because: `${worst.coats} where ${worst.code} lies under it; ${planned.because} elsewhere`,
  };
}

/** Coats as they are laid by another way than the airbrush. */
function byWay(way: Way, planned: PlannedCoats): PlannedCoats {
  if (way === 'airbrush') return planned;
  const coats = coatsBy(way, planned.coats);
  return { coats, because: `${coats} by ${way} (${planned.because})` };
}

/** Coats of a code that the builder laid before: as measured out, and as logged at the bench. */
function loggedCoats({ uses, log }: BriefState, codeId: string, code: string): number[] {
  return [
    ...uses.filter((use) => use.codeId === codeId).map(({ coats }) => coats),
    ...log.flatMap((entry) => (entry.code === code && entry.coats !== null ? [entry.coats] : [])),
  ];
}

/** Rulings on colour and the scheme over them, and the markings that are made here: one call for each code with the zones and markings that wear it. */
export function callViews(
  state: BriefState,
  questions: readonly QuestionView[],
  layers: readonly LayerOrder[],
  coated: readonly CoatedZone[],
  callOf: CallMaker,
  outline: Outline,
  book: CodeBook,
): CallView[] {
  const worn = wornColours(state, outline, ruledColours(questions, book), book);
  // A thing of its own on a zone is painted by itself, by hand.
  const items = new Map<string, CalledItem[]>();
  const ofItem = (code: string, own: CalledItem) => items.set(code, [...(items.get(code) ?? []), own]);
  for (const { zone, item, code } of colourRulings(questions, book)) if (item !== '') ofItem(code, { zone, item });
  for (const { zone, item, under } of coated)
    if (item !== '') for (const code of under) if (code !== null) ofItem(code, { zone, item, isUnder: true });
  const marked = markedColours(state, outline, book);
  const further = furtherCoats(coated, layers, book);
  for (const code of [...marked.keys(), ...items.keys(), ...further.keys()])
    if (!worn.some((one) => one.code === code)) worn.push({ code, zones: [], areaM2: 0 });
  return worn
    .sort((one, other) => one.code.localeCompare(other.code))
    .map(({ code, zones, areaM2 }) =>
      callOf(code, zones, areaM2, {
        markings: marked.get(code) ?? [],
        items: items.get(code) ?? [],
        further: further.get(code) ?? [],
      }),
    );
}

/** Codes that are laid under and over the colours of zones, as ruled and as repaints left them, each with those zones. What is no code is only words. */
function furtherCoats(
  coated: readonly CoatedZone[],
  layers: readonly LayerOrder[],
  book: CodeBook,
): Map<string, string[]> {
  const lies = [
    ...coated.flatMap(({ zone, item, under }) => (item === '' ? under.map((code) => ({ code, zone })) : [])),
    ...layers.flatMap(({ zone, layers: stack }) => {
      const main = mainCoat(stack);
      return stack.flatMap(({ value }, i) => (i === main || value === null ? [] : [{ code: value, zone }]));
    }),
  ];
  const found = new Map<string, string[]>();
  for (const { code: said, zone } of lies) {
    const code = said && canonicalIn(book, said);
    if (code === null || !book.known.has(code)) continue;
    const zones = found.get(code) ?? [];
    if (!zones.includes(zone)) found.set(code, [...zones, zone]);
  }
  return found;
}

export function routeCall(call: CallView): RouteCall {
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
      label: paintInFull(call.filter.paint),
      percent: call.filter.percent,
      passes: call.filter.passes,
      chemistry: call.filter.paint.chemistry,
      dries: call.filter.paint.dries,
    },
    paint: paint
      ? {
          id: paint.id,
          label: paintInFull(paint),
          chemistry: paint.chemistry,
          dries: paint.dries,
          kind: paint.kind,
          finish: paint.finish,
        }
      : null,
  };
}
