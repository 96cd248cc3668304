import { chemistryTrouble } from '@/core/brief/chemistry-trouble';
import type { BriefView } from '@/core/brief/derive';
import type { Due } from '@/core/brief/due';
import type { Kept } from '@/core/kept/records';
import { hexOf } from '@/core/colour/spaces';
import { brokenInWords } from '@/ui/broken-words';
import { asAccepted, type AcceptedPlan, type PlanChange } from '@/core/route/accepted';
import { elapsedToLocal } from '@/core/route/calendar';
import { editInWords } from '@/core/route/edits';
import { planSettingsOf, standingLog } from '@/core/brief/plan-settings';
import { latestStartsOf } from '@/core/route/slack';
import { LANES, type LayerKind } from '@/core/route/rules/rule';
import { stacksOf } from '@/core/route/stack';
import { durationInWords } from '@/core/units/minutes';
import { counted } from '@/core/units/words';

export interface WorkRow {
  /** Its number in the plan, first step 1. */
  number: number;
  key: string;
  title: string;
  lane: string;
  minutes: number;
  minutesFrom: string;
  segments: [number, number][];
  start: string;
  end: string;
  done: boolean;
  session: string | null;
  gate: string | null;
  zones: string[];
  why: string;
  hex: string | null;
  /** Longest wait that follows it, in minutes. */
  dries: number;
  /** When its successor must follow, in minutes after its end. */
  wet: [number, number] | null;
  /** What it waits for, in words. */
  waitsFor: string[];
  /** How long it could wait without moving the last day, as far as waits and sessions go; null for what is done. */
  latest: string | null;
}

export interface RoutePage {
  briefId: string;
  briefVersion: number;
  /** Where its chemistry is not in order, and what was done about it. */
  chemistry: ReturnType<typeof chemistryTrouble>;
  remedies: Kept<'brief'>['remedies'];
  lanes: string[];
  now: number;
  sessions: { id: string; start: number; end: number; startLocal: string; minutes: number; booth: boolean }[];
  work: WorkRow[];
  gates: {
    title: string;
    start: string | null;
    at: number | null;
    passed: boolean;
    open: string[];
  }[];
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

/** A wait of at most this long after a step is a wet window to be met in the same session. */
const WET_MINUTES = 120;

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
  const colours = new Map(view.calls.map((call) => [call.code, call.choice?.paint.lab ?? call.official?.lab ?? null]));
  const lastEnd = Math.max(0, ...plan.work.map((item) => item.segments.at(-1)![1]));
  const latest = latestStartsOf(
    route,
    standingLog(state),
    planSettingsOf(state, new Date(Date.parse(plan.origin) + plan.now * 60_000).toISOString()),
    plan,
  );
  const work = plan.work.map((item, i): WorkRow => {
    const after = route.links.filter((link) => link.from === item.key);
    const wet = after.find((link) => link.maxLag !== null && link.maxLag <= WET_MINUTES);
    const lab = item.step.code ? colours.get(item.step.code) : null;
    return {
      number: i + 1,
      key: item.key,
      title: item.step.title,
      lane: item.step.lane,
      minutes: item.step.minutes,
      minutesFrom: item.step.minutesFrom,
      segments: item.segments,
      start: item.start,
      end: item.end,
      done: item.done,
      session: item.session,
      gate: item.step.gate,
      zones: item.step.zones,
      why: item.step.why,
      hex: lab ? hexOf(lab) : null,
      dries: Math.max(0, ...after.map((link) => link.minLag)),
      wet: wet ? [wet.minLag, wet.maxLag!] : null,
      waitsFor: route.links
        .filter((link) => link.to === item.key)
        .map(
          (link) =>
            `${titles.get(link.from)}${link.minLag > 0 ? `, ${durationInWords(link.minLag)}: ${link.why}` : ''}`,
        ),
      latest: latest.get(item.key) ?? null,
    };
  });
  return {
    briefId: state.brief.id,
    briefVersion: state.brief.version,
    chemistry: chemistryTrouble(view),
    remedies: state.brief.remedies,
    lanes: LANES.filter((lane) => work.some((item) => item.lane === lane)),
    now: plan.now,
    sessions: plan.sessions
      .filter((session) => session.start <= lastEnd)
      .map(({ id, start, end, startLocal, booth }) => ({ id, start, end, startLocal, minutes: end - start, booth })),
    work,
    gates: view.gates.map((gate) => ({
      title: gate.title,
      start: gate.start,
      passed: gate.passed,
      at: plan.work.find((item) => item.step.gate === gate.name)?.segments[0]![0] ?? null,
      open: gate.open.map(({ says }) => says),
    })),
    open: view.open.map(({ says, due }) => ({ says, due })),
    finish: plan.finish,
    lowerBound: plan.lowerBound,
    sessionsLeft: plan.sessionsLeft,
    loads: plan.loads,
    holding: holdingInWords(plan.holding),
    because: plan.because,
    broken: plan.broken.map(brokenInWords),
    steps: route.steps.length,
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
    stacks: stacksByNumber(view, work),
    zoneTitles: Object.fromEntries(view.outline.zones.map(({ key, title }) => [key, title])),
    timeZone: state.brief.timeZone,
    today: elapsedToLocal(plan.now, state.brief.timeZone, plan.origin).slice(0, 10),
    evenings: state.evenings,
    weekly: state.sessions,
  };
}

/** What lies on each zone, as the numbers of the steps that lay it; what is not planned has none. */
function stacksByNumber({ route, outline }: BriefView, work: readonly WorkRow[]): RoutePage['stacks'] {
  const numberOf = new Map(work.map(({ key, number }) => [key, number]));
  return Object.fromEntries(
    [...stacksOf(route, outline)].flatMap(([zone, stack]) => {
      const layers = stack.flatMap(({ step, what }) => {
        const number = numberOf.get(step);
        return number === undefined ? [] : [{ number, what }];
      });
      return layers.length > 0 ? [[zone, layers] as const] : [];
    }),
  );
}
