import type { Lab } from '@/core/colour/types';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { CHEMISTRIES } from '@/core/paint/chemistry';
import { SPRAYING, type SprayAdvice } from '@/core/paint/spraying';
import type { PlannedWork, RoutePlan } from '@/core/route/plan';
import type { Route } from '@/core/route/route';
import type { Minutes } from '@/core/units/minutes';

/** What the cards of a session are made from. */
export interface PlannedBrief {
  plan: RoutePlan;
  route: Route;
  calls: readonly PaintedCall[];
  gates: readonly { name: string; open: readonly { zoneTitle: string; aspectTitle: string }[] }[];
}
interface PaintedCall {
  code: string;
  official: { lab: Lab | null } | null;
  choice: { paint: Paint } | null;
}

/** One step as it lies on the bench: what to do, with what, and what to wait for afterwards. */
export interface BenchCard {
  key: string;
  title: string;
  lane: string;
  start: string;
  minutes: Minutes;
  zones: string[];
  why: string;
  cautions: string[];
  gate: string | null;
  /** Open questions that this gate would close over. */
  open: string[];
  paint: { label: string; chemistry: string; lab: Lab | null; ownedMl: number | null } | null;
  spray: Omit<SprayAdvice, 'caution'> | null;
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
  const { caution: _, ...spray } = step.load ? SPRAYING[step.load.chemistry] : { caution: '' };
  return {
    key: item.key,
    title: step.title,
    lane: step.lane,
    start: item.start,
    minutes: step.minutes,
    zones: step.zones,
    why: step.why,
    cautions: step.cautions,
    gate: step.gate,
    open: gate?.open.map((question) => `${question.zoneTitle}, ${question.aspectTitle.toLowerCase()}`) ?? [],
    paint: paintOf(call, step.load?.title ?? null, step.load?.chemistry),
    spray: step.load ? (spray as Omit<SprayAdvice, 'caution'>) : null,
    dries: longest?.minLag ?? 0,
    dryingWhy: longest && longest.minLag > 0 ? longest.why : '',
  };
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
