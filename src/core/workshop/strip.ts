import { laneTitle } from '@/core/route/rules/forms';
import { hexOf } from '@/core/colour/spaces';
import { roomsOf } from '@/core/route/dragging';
import { elapsedToLocal } from '@/core/route/calendar';
import { LANES } from '@/core/work/kinds';
import { latestStartsOf } from '@/core/route/slack';
import { durationInWords, minutesAfter } from '@/core/units/minutes';
import type { BriefView } from '@/core/derive/derive';
import { planSettingsOf } from '@/core/derive/plan-settings';

/** One step of a plan as it is drawn and listed. */
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
  /** When it must be done while all else stays, and why; null where nothing follows it so closely. */
  doneBy: { at: string; why: string } | null;
  /** Where it could lie while all else stays: begins no sooner, ends no later (null: whenever); minutes of the plan. Null for what is done. */
  room: [from: number, by: number | null] | null;
}

/** A plan over its sessions, as it is drawn: lanes, work, gates. */
export interface Strip {
  lanes: string[];
  /** What each is called of what is built. */
  laneTitles: Record<string, string>;
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
}

/** A wait of at most this long after a step is a wet window to be met in the same session. */
const WET_MINUTES = 120;

export function stripOf(view: BriefView): Strip {
  const { plan, state } = view;
  const { left: route, done } = view.standing;
  const titles = new Map(route.steps.map((step) => [step.key, step.title]));
  const colours = new Map(view.calls.map((call) => [call.code, call.choice?.paint.lab ?? call.official?.lab ?? null]));
  const lastEnd = Math.max(0, ...plan.work.map((item) => item.segments.at(-1)![1]));
  const latest = latestStartsOf(route, done, planSettingsOf(state, minutesAfter(plan.origin, plan.now)), plan);
  const local = (minutes: number) => elapsedToLocal(minutes, state.brief.timeZone, plan.origin);
  const rooms = roomsOf(route, plan.work, plan.now);
  const work = plan.work.map((item, i): WorkRow => {
    const room = rooms.get(item.key);
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
      doneBy: room && Number.isFinite(room.by) ? { at: local(room.by), why: room.byWhy } : null,
      room: room ? [room.from, Number.isFinite(room.by) ? room.by : null] : null,
    };
  });
  return {
    laneTitles: Object.fromEntries(LANES.map((lane) => [lane, laneTitle(lane, route.form)])),
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
  };
}
