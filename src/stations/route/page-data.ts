import { longTapes, longTapeSaid } from '@/core/route/tape-time';
import { chemistryTrouble } from '@/core/workshop/chemistry-trouble';
import type { BriefView } from '@/core/derive/derive';
import type { Due } from '@/core/derive/due';
import { stripOf, type Strip, type WorkRow } from '@/core/workshop/strip';
import type { Kept } from '@/core/kept/records';
import { brokenInWords } from '@/ui/broken-words';
import type { PlanChange } from '@/core/route/accepted';
import { asAccepted, type AcceptedPlan } from '@/core/route/accepted-plan';
import { elapsedToLocal } from '@/core/route/calendar';
import { editInWords } from '@/core/route/edits';
import type { LayerKind } from '@/core/work/kinds';
import type { Chemistry } from '@/core/paint/chemistry';
import { dryingFactor } from '@/core/paint/drying';
import { durationInWords } from '@/core/units/minutes';
import { counted } from '@/core/units/words';

export interface RoutePage extends Strip {
  briefId: string;
  briefVersion: number;
  /** Where its chemistry is not in order, and what was done about it. */
  chemistry: ReturnType<typeof chemistryTrouble>;
  /** Tape that stays on for too long, with what helps. */
  tape: { step: string; title: string; says: string; anew: number }[];
  remedies: Kept<'brief'>['remedies'];
  /** All that is open, the most pressing first. */
  open: { says: string; due: Due }[];
  finish: string | null;
  lowerBound: string | null;
  sessionsLeft: number;
  loads: number;
  holding: string[];
  because: { says: string; wouldHelp: string[] }[];
  /** Waits that what is done has broken, each with its cure. */
  broken: string[];
  /** Of the whole route, planned or not. */
  steps: number;
  /** Temperature and humidity at the bench, and what they do to the waits. */
  air: { tempC: number; humidity: number; says: string };
  /** Where the elapsed minutes of the plan begin, ISO text. */
  origin: string;
  /** A plan was accepted: what the next one would change, and that one; null where none was. */
  proposal: { changes: PlanChange[]; finish: string | null; laid: AcceptedPlan['laid'] } | null;
  /** What the builder changed in the route. */
  edits: (Kept<'route_edit'> & { says: string; asleep: string | null })[];
  /** Layers of each zone that has any, from the plastic up, by the numbers of their steps. */
  stacks: Record<string, { number: number; what: LayerKind }[]>;
  zoneTitles: Record<string, string>;
  timeZone: string;
  today: string;
  evenings: Kept<'evening'>[];
  weekly: Kept<'weekly_session'>[];
}

/** The longest waits of the chain by name; work that simply follows work, and evenings waited for, are only counted. */
function holdingInWords(holding: BriefView['plan']['holding']): string[] {
  const work = holding.filter((item) => item.kind === 'work');
  const minutes = work.reduce((total, item) => total + (item.minutes ?? 0), 0);
  const idle = holding.filter((item) => item.kind === 'session' || item.kind === 'booth').length;
  const drying = holding
    .filter((item) => item.kind === 'lag')
    .sort((a, b) => b.minutes! - a.minutes!)
    .slice(0, 3)
    .map((item) => item.says);
  return [
    ...(work.length > 0 ? [`${counted(work.length, 'step')} one after another, ${durationInWords(minutes)}`] : []),
    ...(idle > 0 ? [`${counted(idle, 'wait')} for the next session`] : []),
    ...drying,
  ];
}

export function routePage(view: BriefView): RoutePage {
  const { plan, route, state } = view;
  const titles = new Map(route.steps.map((step) => [step.key, step.title]));
  const strip = stripOf(view);
  return {
    briefId: state.brief.id,
    briefVersion: state.brief.version,
    chemistry: chemistryTrouble(view),
    tape: longTapes(view.plan).map((tape) => ({
      step: tape.step,
      title: tape.title,
      says: longTapeSaid(tape),
      anew: tape.anew,
    })),
    remedies: state.brief.remedies,
    ...strip,
    open: view.open.map(({ says, due }) => ({ says, due })),
    finish: plan.finish,
    lowerBound: plan.lowerBound,
    sessionsLeft: plan.sessionsLeft,
    loads: plan.loads,
    holding: holdingInWords(plan.holding),
    because: plan.because,
    broken: plan.broken.map(brokenInWords),
    steps: route.steps.length,
    air: airOf(state.brief),
    origin: plan.origin,
    proposal: view.proposal && {
      changes: view.proposal.changes,
      finish: view.proposal.next.finish,
      laid: view.proposal.changes.length > 0 ? asAccepted(view.proposal.next) : [],
    },
    edits: state.edits.map((own, i) => ({
      ...own,
      says: editInWords(own.edit, (key) => titles.get(key) ?? key),
      asleep: route.sleeping.find(({ index }) => index === i)?.says ?? null,
    })),
    stacks: stacksByNumber(view, strip.work),
    zoneTitles: Object.fromEntries(view.outline.zones.map(({ key, title }) => [key, title])),
    timeZone: state.brief.timeZone,
    today: elapsedToLocal(plan.now, state.brief.timeZone, plan.origin).slice(0, 10),
    evenings: state.evenings,
    weekly: state.sessions,
  };
}

function airOf({ tempC, humidity }: Pick<Kept<'brief'>, 'tempC' | 'humidity'>): RoutePage['air'] {
  const times = (chemistry: Chemistry) => dryingFactor(chemistry, { tempC, humidity }).toFixed(2);
  const [water, others] = [times('WA'), times('AL')];
  const says =
    water === '1.00' && others === '1.00'
      ? 'Coats dry as their bottles say.'
      : `Against 20 °C and 50 %, ${water === others ? `all coats take ${water} times as long` : `water-based coats take ${water} times as long, all others ${others} times`}.`;
  return { tempC, humidity, says };
}

/** What lies on each zone, as the numbers of the steps that lay it; what is not planned has none. */
function stacksByNumber({ standing }: BriefView, work: readonly WorkRow[]): RoutePage['stacks'] {
  const numberOf = new Map(work.map(({ key, number }) => [key, number]));
  return Object.fromEntries(
    [...standing.stacks].flatMap(([zone, stack]) => {
      const layers = stack.flatMap(({ step, what }) => {
        const number = numberOf.get(step);
        return number === undefined ? [] : [{ number, what }];
      });
      return layers.length > 0 ? [[zone, layers] as const] : [];
    }),
  );
}
