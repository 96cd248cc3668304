import { hexOf } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { WAY_FACTS, type Suggestion } from '@/core/kit/applying';
import { OPTION_CHOICES, type Options } from '@/core/kit/options';
import { modelAreaOfZones, type Outline } from '@/core/outline/outline';
import { spokenZones } from '@/core/outline/spoken';
import { paintInFull, type Paint } from '@/core/paint/catalogue';
import type { Caution } from '@/core/paint/caution';
import { CHEMISTRIES, type Chemistry } from '@/core/paint/chemistry';
import { dryingTime, type Climate } from '@/core/paint/drying';
import {
  builderFactor,
  CUP_ML,
  DROPS_PER_ML,
  planCup,
  type AppliedFigures,
  type LoggedUse,
} from '@/core/paint/quantity';
import { SPRAYING, type SprayAdvice } from '@/core/paint/spraying';
import { thinningOf, thinRatioOf } from '@/core/paint/thinning';
import type { PlannedWork, RoutePlan } from '@/core/route/plan';
import { longTapes, longTapeSaid } from '@/core/route/tape-time';
import type { LayerKind, StepKind } from '@/core/work/kinds';
import type { Mixed } from '@/core/work/mixed';
import { areaIn } from '@/core/laid/progress';
import type { Standing } from '@/core/laid/standing';
import type { Route, RouteStep } from '@/core/work/step';
import type { Day } from '@/core/units/day';
import type { Minutes } from '@/core/units/minutes';
import { CUT_OVER, stripsOf } from '@/core/work/masking';
import { plannedMinutes } from './estimate';
import { hurryingOf, type Hurrying } from './hurrying';
import type { SPRAY_OUT_RESULTS } from './spray-out';
import { STEP_LORE, type StepLore } from './step-lore';
import { handlingOf, type Handling } from './way-lore';

/** What the cards of a session are made from. */
export interface PlannedBrief {
  state: {
    brief: Climate & { denominator: number; options: Options };
    uses: readonly LoggedUse[];
    sprayOuts: readonly TestPiece[];
  };
  outline: Outline;
  plan: RoutePlan;
  standing: Pick<Standing, 'left' | 'progress' | 'taped'>;
  calls: readonly PaintedCall[];
  gates: readonly { name: string; open: readonly { says: string }[] }[];
}
/** A test piece, as far as a card tells of it. */
interface TestPiece {
  id: string;
  title: string;
  stepKey: string;
  onDay: Day;
  paint: string;
  result: (typeof SPRAY_OUT_RESULTS)[number];
  pressureBar: number | null;
  note: string;
  pictureId: string | null;
}
interface PaintedCall {
  code: string;
  official: { lab: Lab | null; record?: { name: string } } | null;
  choice: { paint: Paint; recipe: { parts: readonly { paint: Paint; drops: number }[] } | null } | null;
  coats: { coats: number; because: string } | null;
  way: Suggestion & { takes: AppliedFigures };
}

/** A step as it is logged, beside its name and its minutes. */
export interface LoggedStep {
  stepKind: StepKind;
  what: LayerKind | '';
  /** How much of it; null for all of it, or all of its zones. */
  share: number | null;
  zones: string[];
  code: string;
  chemistry: Chemistry | '';
  mixed: { parts: { label: string; drops: number }[]; thinner: number } | null;
  /** Off the bottle, for one such job as it is planned. */
  ml: number | null;
  coats: number | null;
  tempC: number;
  humidity: number;
  sprayed: { pressureBar: number; needleMm: number; distanceCm: number } | null;
}

/** What goes into the cup, in whole drops, for what the step needs. */
export interface CardCup {
  /** In the order of mixing; a swatch where the colour is known. */
  parts: { label: string; drops: number; hex: string | null }[];
  thinnerDrops: number;
  thinner: string;
  /** So often it is filled. */
  fillings: number;
  /** Of one filling. */
  ml: number;
  /** Why so much. */
  because: string;
}

/** A wait that begins when the step is done. */
export interface CardTimer {
  /** The step that waits for it: once that is done, the clock has no more to say. */
  waits: string;
  label: string;
  /** What dries; '' where the label says it. */
  why: string;
  /** Minutes until it may begin, and until it is too late; null where it never is. */
  opens: Minutes;
  closes: Minutes | null;
}

/** One step as it lies on the bench: what to do, with what, and what to wait for afterwards. */
export interface BenchCard {
  key: string;
  title: string;
  kind: StepKind;
  lane: string;
  start: string;
  minutes: Minutes;
  /** Without the builder's pace: what the log is held against. */
  plannedMinutes: Minutes;
  splittable: boolean;
  zones: string[];
  /** The zones as one says them; '' for the whole model. */
  where: string;
  /** The step that is logged with it: it may be a part of that. */
  stepKey: string;
  /** Where the same was done before, as one says it; '' for nowhere. */
  doneOn: string;
  /** Its zones where there are several, each with its share of the work, 0 to 1: it may be done on some of them. */
  places: { key: string; title: string; share: number }[];
  /** What is cut for it, and where; none where nothing is masked. */
  strips: { says: string; mm: number }[];
  why: string;
  cautions: Caution[];
  /** What its tape comes to where it stays on for too long; null where it does not. */
  tape: string | null;
  gate: string | null;
  /** What it lays is not decided: it cannot be done yet. */
  isOpen: boolean;
  /** Open questions that this gate would close over. */
  open: string[];
  paint: {
    label: string;
    chemistry: string;
    hex: string | null;
    ownedMl: number | null;
    neededMl: number | null;
  } | null;
  cup: CardCup | null;
  /** How it is sprayed; null where no airbrush is used. */
  spray: Omit<SprayAdvice, 'caution' | 'ratio' | 'thinner'> | null;
  /** Another way than the airbrush: how it is brought on, and why so. */
  way: { name: string; because: string; facts: Handling['facts'] } | null;
  /** How it is masked, by the steps before it that mask for it. */
  masked: string[];
  /** The schools that it follows: title and choice. */
  schools: { title: string; choice: string }[];
  /** How many, and why; null where nothing is laid in coats. */
  coats: { coats: number; because: string; between: Minutes } | null;
  lore: StepLore;
  /** What the log keeps of it, so that the same can be done again. */
  logged: LoggedStep;
  /** Clocks that start when it is done, the soonest first. */
  timers: CardTimer[];
  /** How its drying can be hurried; none where nothing dries, or nothing is gained. */
  hurrying: Hurrying[];
  /** Test pieces of this step or of its paint, the newest first. */
  tried: TestPiece[];
  /** Of what is offered tonight, what it waits for, and how long after its end. */
  needs: { key: string; wait: Minutes }[];
  /** From the beginning of the evening until what was done before is dry enough for it. */
  readyIn: Minutes;
  booth: boolean;
}

/** What a card is offered with: the keys of all of them, and the minute of the plan at which the evening begins. */
export interface Evening {
  among: ReadonlySet<string>;
  begins: Minutes;
  /** When each step that is done ended, in minutes of the plan. */
  ends: ReadonlyMap<string, Minutes>;
}

export function cardOf(view: PlannedBrief, item: PlannedWork, { among, begins, ends }: Evening): BenchCard {
  const { step } = item;
  const { brief } = view.state;
  const call = view.calls.find((candidate) => candidate.code === step.code);
  const gate = view.gates.find((candidate) => candidate.name === step.gate);
  const mixed = step.mixed ?? mixedFor(call);
  const coats = coatsOf(step, call, brief);
  const [layer] = step.lays;
  const cup = layer && (step.load || step.mixed || call?.choice) ? cupFor(view, step, call, coats?.coats ?? 1) : null;
  const chemistry = step.load?.chemistry ?? layer?.chemistry ?? null;
  const { left } = view.standing;
  const into = left.links.filter(({ to }) => to === item.key);
  const spray = step.load ? sprayFor(step.load.chemistry) : null;
  const handling =
    // What goes through the airbrush all the same, as a test of the colour, is sprayed.
    call && layer && !step.load
      ? handlingOf(call.way.way, modelAreaOfZones(view.outline, step.zones, brief.denominator))
      : null;
  const paint = paintOf(call, step, chemistry, cup);
  const timers = timersOf(view, step);
  return {
    key: item.key,
    title: step.title,
    kind: step.kind,
    lane: step.lane,
    start: item.start,
    minutes: step.minutes,
    plannedMinutes: plannedMinutes(step),
    splittable: step.splittable,
    zones: step.zones,
    where: step.zones.length > 0 && step.general === null ? spokenZones(view.outline.zones, step.zones) : '',
    stepKey: step.of ?? step.key,
    doneOn: doneBefore(view, step),
    places: placesOf(view.outline, step.zones),
    strips: stripsFor(view, step),
    why: withoutCoats(step.why),
    cautions: step.cautions,
    tape: tapeOn(view.plan, step),
    gate: step.gate,
    isOpen: step.open,
    open: gate?.open.map(({ says }) => says) ?? [],
    paint,
    cup,
    spray,
    way: handling && { name: call!.way.way, because: call!.way.because, facts: handling.facts },
    masked: step.load ? masksFor(left, into) : [],
    schools: step.schools.map((name) => ({ title: OPTION_CHOICES[name].title, choice: brief.options[name] })),
    coats,
    lore: handling?.lore ?? STEP_LORE[step.kind],
    logged: {
      stepKind: step.kind,
      what: layer?.what ?? '',
      share: null,
      zones: step.zones,
      code: step.code ?? '',
      chemistry: chemistry ?? '',
      mixed: mixed && { parts: mixed.parts.map((part) => ({ ...part })), thinner: mixed.thinner },
      ml: cup ? Math.round(10 * paintMlOf(cup)) / 10 : null,
      coats: coats?.coats ?? null,
      tempC: brief.tempC,
      humidity: brief.humidity,
      sprayed: spray && { pressureBar: spray.pressureBar, needleMm: spray.needleMm, distanceCm: spray.distanceCm },
    },
    timers,
    hurrying: chemistry && timers.some(({ closes }) => closes === null) ? hurryingOf(chemistry, brief) : [],
    tried: triedFor(view.state.sprayOuts, step.key, paint?.label ?? ''),
    needs: into.filter(({ from }) => among.has(from)).map(({ from, minLag }) => ({ key: from, wait: minLag })),
    readyIn: Math.max(
      0,
      ...into.flatMap(({ from, minLag }) => (ends.has(from) ? [ends.get(from)! + minLag - begins] : [])),
    ),
    booth: step.booth,
  };
}

/** What is said of tape that stays on for too long. */
function tapeOn(plan: RoutePlan, { key, tape }: RouteStep): string | null {
  if (tape?.goes !== 'on') return null;
  const long = longTapes(plan).find(({ step }) => step === key);
  return long ? longTapeSaid(long) : null;
}

/** Zones that a step may be done on one by one. */
function placesOf({ zones }: Outline, keys: readonly string[]): BenchCard['places'] {
  if (keys.length < 2) return [];
  const own = zones.filter(({ key }) => keys.includes(key));
  const areas = new Map(own.map(({ key, areaM2 }) => [key, areaM2]));
  const area = (some: readonly string[]) => areaIn(some, (key) => areas.get(key)!);
  const whole = area([...areas.keys()]);
  return own.map(({ key, title }) => ({ key, title, share: area([key]) / whole }));
}

/** Strips of tape as they are cut, with something over to hold on to. */
function stripsFor({ calls }: PlannedBrief, { masking }: RouteStep): BenchCard['strips'] {
  if (!masking) return [];
  const nameOf = (code: string) => calls.find((call) => call.code === code)?.official?.record?.name ?? code;
  return stripsOf(masking).map(({ code, mm }) => ({ says: `along ${nameOf(code)}`, mm: Math.ceil(mm * CUT_OVER) }));
}

/** Where a step was done before, of which a part is left. */
function doneBefore({ standing, outline }: PlannedBrief, step: RouteStep): string {
  const done = standing.progress.get(step.of ?? step.key)?.done ?? [];
  return done.length > 0 ? spokenZones(outline.zones, done) : '';
}

/** What is masked for a step, and how. */
function masksFor({ steps }: Route, into: Route['links']): string[] {
  const before = new Set(into.map(({ from }) => from));
  return steps
    .filter(({ key, kind }) => kind === 'mask' && before.has(key))
    .map(({ title, why }) => [title, why].filter(Boolean).join(': '));
}

/** Test pieces of a step, and those of its paint that prove no other. */
const triedFor = (pieces: readonly TestPiece[], key: string, label: string): TestPiece[] =>
  pieces
    .filter(({ stepKey, paint }) => stepKey === key || (stepKey === '' && label !== '' && paint.includes(label)))
    .sort((a, b) => b.onDay.localeCompare(a.onDay));

/** Why a step is, less what stands on the card as its coats. */
const withoutCoats = (why: string): string =>
  why
    .split('; ')
    .filter((one) => !/^\d+ coats?$/.test(one))
    .join('; ');

const paintMlOf = ({ parts, fillings }: CardCup): number =>
  (fillings * parts.reduce((sum, { drops }) => sum + drops, 0)) / DROPS_PER_ML;

/** What goes into the cup for a call: drops by the names of their paints, and the thinner. */
function mixedFor(call: PaintedCall | undefined): Mixed | null {
  const choice = call?.choice;
  if (!choice) return null;
  const parts = choice.recipe?.parts ?? [{ paint: choice.paint, drops: 1 }];
  return {
    parts: parts.map(({ paint, drops }) => ({ label: paintInFull(paint), drops })),
    thinner: thinRatioOf(choice.paint),
  };
}

function coatsOf(step: RouteStep, call: PaintedCall | undefined, climate: Climate): BenchCard['coats'] {
  const [layer] = step.lays;
  if (!layer || !(step.load || call)) return null;
  const coats = call?.coats ?? { coats: layer.coats, because: `${layer.coats} as planned` };
  const own = dryingTime(layer, 'recoat', climate);
  const between = coats.coats > 1 ? Math.max(own, call ? WAY_FACTS[call.way.way].between : 0) : 0;
  return { ...coats, between };
}

/** Drops for what the step lays: its mixture in whole drops, enough for area, coats and losses. */
function cupFor(view: PlannedBrief, step: RouteStep, call: PaintedCall | undefined, coats: number): CardCup | null {
  const areaCm2 = step.areaCm2 ?? modelAreaOfZones(view.outline, step.zones, view.state.brief.denominator);
  if (areaCm2 <= 0) return null;
  const paint = call?.choice?.paint;
  const mixed = step.mixed ?? mixedFor(call);
  const advice = SPRAYING[step.lays[0]!.chemistry];
  const thinRatio = mixed?.thinner ?? advice.ratio;
  const cup = planCup(
    { areaCm2, coats, ...(call?.way.takes ?? {}) },
    { cupMl: CUP_ML, thinRatio, factor: builderFactor(view.state.uses) },
  );
  const hexes = new Map(
    (call?.choice?.recipe?.parts ?? (paint ? [{ paint }] : [])).map((part) => [
      paintInFull(part.paint),
      part.paint.lab ? hexOf(part.paint.lab) : null,
    ]),
  );
  const asked = mixed?.parts ?? [{ label: step.load?.title ?? step.lays[0]!.paint, drops: 1 }];
  const whole = asked.reduce((sum, { drops }) => sum + drops, 0);
  const times = Math.max(1, Math.ceil(cup.paintDrops / whole));
  const drops = times * whole;
  const thinnerDrops = Math.round(drops * thinRatio);
  return {
    parts: asked.map((part) => ({ label: part.label, drops: part.drops * times, hex: hexes.get(part.label) ?? null })),
    thinnerDrops,
    thinner: paint ? thinningOf(paint).thinner : advice.thinner,
    fillings: cup.fillings,
    ml: (drops + thinnerDrops) / DROPS_PER_ML,
    because: `${Math.round(areaCm2)} cm² in ${coats} coats: ${cup.sprayedMl.toFixed(1)} ml in all, ${cup.fillings === 1 ? 'one filling' : `${cup.fillings} fillings`}, of ${thinRatio === 0 ? 'paint that is not thinned' : `${thinRatio} parts of thinner to one`}`,
  };
}

/** Starting points of the chemistry; the paint's own sheet comes first. */
function sprayFor(chemistry: Chemistry): NonNullable<BenchCard['spray']> {
  const { pressureBar, needleMm, distanceCm } = SPRAYING[chemistry];
  return { pressureBar, needleMm, distanceCm };
}

function paintOf(
  call: PaintedCall | undefined,
  step: RouteStep,
  chemistry: Chemistry | null,
  cup: CardCup | null,
): BenchCard['paint'] {
  const paint = call?.choice?.paint;
  const neededMl = cup && paintMlOf(cup);
  if (paint)
    return {
      label: paintInFull(paint),
      chemistry: CHEMISTRIES[paint.chemistry].title,
      hex: paint.lab ? hexOf(paint.lab) : null,
      ownedMl: paint.ownedMl,
      neededMl,
    };
  const label = step.load?.title ?? (step.kind === 'decal' ? '' : (step.lays[0]?.paint ?? ''));
  if (!label || !chemistry) return null;
  const lab = call?.official?.lab ?? null;
  return { label, chemistry: CHEMISTRIES[chemistry].title, hex: lab ? hexOf(lab) : null, ownedMl: null, neededMl };
}

/** Clocks that are set one behind the other at the most. */
const MOST_TIMERS = 4;

/** What begins to run when the step is done: windows that open and close, and the waits of what comes next, each told once. */
function timersOf({ standing: { left: route } }: PlannedBrief, step: RouteStep): CardTimer[] {
  const titles = new Map(route.steps.map(({ key, title }) => [key, title]));
  const links = route.links.filter(({ from }) => from === step.key);
  const windows = links.flatMap(({ to, minLag, maxLag }): CardTimer[] =>
    maxLag === null ? [] : [{ waits: to, label: titles.get(to) ?? to, why: '', opens: minLag, closes: maxLag }],
  );
  const waits = new Map<number, CardTimer>();
  for (const { to, minLag, maxLag, why } of links)
    if (maxLag === null && minLag > 0 && !waits.has(minLag))
      waits.set(minLag, { waits: to, label: waits.size === 0 ? step.title : why, why, opens: minLag, closes: null });
  return [...windows, ...waits.values()]
    .sort((a, b) => (a.closes ?? a.opens) - (b.closes ?? b.opens))
    .slice(0, MOST_TIMERS);
}
