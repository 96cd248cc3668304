import type { BriefView } from '@/core/brief/derive';
import type { Due } from '@/core/brief/due';
import type { Kept } from '@/core/kept/records';
import { hexOf } from '@/core/colour/spaces';
import { brokenInWords } from '@/ui/broken-words';
import { LANES } from '@/core/route/rules/rule';
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
}

export interface RoutePage {
  briefId: string;
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
    };
  });
  return {
    briefId: state.brief.id,
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
    evenings: state.evenings,
    weekly: state.sessions,
  };
}
