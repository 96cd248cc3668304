import type { Lab } from '@/core/colour/types';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { CHEMISTRIES, type Chemistry } from '@/core/paint/chemistry';
import { SPRAYING, type SprayAdvice } from '@/core/paint/spraying';
import { thinningOf, thinRatioOf } from '@/core/paint/thinning';
import type { PlannedWork, RoutePlan } from '@/core/route/plan';
import type { Route } from '@/core/route/step';
import { plannedMinutes } from './estimate';
import type { Minutes } from '@/core/units/minutes';

/** What the cards of a session are made from. */
export interface PlannedBrief {
  state: { brief: { tempC: number; humidity: number } };
  plan: RoutePlan;
  route: Route;
  calls: readonly PaintedCall[];
  gates: readonly { name: string; open: readonly { says: string }[] }[];
}
interface PaintedCall {
  code: string;
  official: { lab: Lab | null } | null;
  choice: { paint: Paint; recipe: { parts: readonly { paint: Paint; drops: number }[] } | null } | null;
  coats: { coats: number; because: string } | null;
}

/** A step as it is logged, beside its name and its minutes. */
export interface LoggedStep {
  stepKind: string;
  zones: string[];
  code: string;
  chemistry: Chemistry | '';
  mixed: { parts: { label: string; drops: number }[]; thinner: number } | null;
  coats: number | null;
  tempC: number;
  humidity: number;
}

/** One step as it lies on the bench: what to do, with what, and what to wait for afterwards. */
export interface BenchCard {
  key: string;
  title: string;
  lane: string;
  start: string;
  minutes: Minutes;
  /** Without the builder's pace: what the log is held against. */
  plannedMinutes: Minutes;
  zones: string[];
  why: string;
  cautions: string[];
  gate: string | null;
  /** Open questions that this gate would close over. */
  open: string[];
  paint: { label: string; chemistry: string; lab: Lab | null; ownedMl: number | null } | null;
  spray: Omit<SprayAdvice, 'caution'> | null;
  /** How many, and why; null where nothing is sprayed. */
  coats: { coats: number; because: string } | null;
  /** What the log keeps of it, so that the same can be done again. */
  logged: LoggedStep;
  /** Wait until the next step may follow. */
  dries: Minutes;
  dryingWhy: string;
}

/** The steps of the session in hand (or of the next one), in their order, and when it begins. */
export function cardsForNow(view: PlannedBrief): {
  session: string | null;
  startLocal: string | null;
  running: boolean;
  cards: BenchCard[];
} {
  const { plan } = view;
  const open = plan.work.filter((item) => !item.done);
  const first = open[0];
  if (!first) return { session: null, startLocal: null, running: false, cards: [] };
  const session = plan.sessions.find((candidate) => candidate.id === first.session);
  const here = open.filter((item) => item.session === first.session);
  return {
    session: first.session,
    startLocal: session?.startLocal ?? first.start,
    running: session !== undefined && session.start <= plan.now && plan.now < session.end,
    cards: here.map((item) => cardOf(view, item)),
  };
}

function cardOf(view: PlannedBrief, item: PlannedWork): BenchCard {
  const { step } = item;
  const call = view.calls.find((candidate) => candidate.code === step.code);
  const longest = view.route.links.filter((link) => link.from === item.key).sort((a, b) => b.minLag - a.minLag)[0];
  const gate = view.gates.find((candidate) => candidate.name === step.gate);
  return {
    key: item.key,
    title: step.title,
    lane: step.lane,
    start: item.start,
    minutes: step.minutes,
    plannedMinutes: plannedMinutes(step),
    zones: step.zones,
    why: step.why,
    cautions: step.cautions,
    gate: step.gate,
    open: gate?.open.map(({ says }) => says) ?? [],
    paint: paintOf(call, step.load?.title ?? null, step.load?.chemistry),
    spray: step.load ? adviceFor(step.load.chemistry, call?.choice?.paint) : null,
    coats: step.load ? (call?.coats ?? null) : null,
    logged: {
      stepKind: step.kind,
      zones: step.zones,
      code: step.code ?? '',
      chemistry: step.load?.chemistry ?? '',
      mixed: mixedFor(call),
      coats: step.load ? (call?.coats?.coats ?? 1) : null,
      tempC: view.state.brief.tempC,
      humidity: view.state.brief.humidity,
    },
    dries: longest?.minLag ?? 0,
    dryingWhy: longest && longest.minLag > 0 ? longest.why : '',
  };
}

/** What goes into the cup for a call: drops by the names of their paints, and the thinner. */
function mixedFor(call: PaintedCall | undefined): LoggedStep['mixed'] {
  const choice = call?.choice;
  if (!choice) return null;
  const parts = choice.recipe?.parts ?? [{ paint: choice.paint, drops: 1 }];
  return {
    parts: parts.map(({ paint, drops }) => ({ label: `${paintLabel(paint)} ${paint.name}`.trim(), drops })),
    thinner: thinRatioOf(choice.paint),
  };
}

/** How it is sprayed: thinned by the paint's own line, the rest by its chemistry. */
function adviceFor(chemistry: Chemistry, paint: Paint | undefined): Omit<SprayAdvice, 'caution'> {
  const { caution: _, ...advice } = SPRAYING[chemistry];
  return paint ? { ...advice, ...thinningOf(paint) } : advice;
}

function paintOf(
  call: PaintedCall | undefined,
  title: string | null,
  chemistry: keyof typeof CHEMISTRIES | undefined,
): BenchCard['paint'] {
  const paint = call?.choice?.paint;
  if (paint)
    return {
      label: `${paintLabel(paint)} ${paint.name}`,
      chemistry: CHEMISTRIES[paint.chemistry].title,
      lab: paint.lab,
      ownedMl: paint.ownedMl,
    };
  if (!title || !chemistry) return null;
  return { label: title, chemistry: CHEMISTRIES[chemistry].title, lab: call?.official?.lab ?? null, ownedMl: null };
}
