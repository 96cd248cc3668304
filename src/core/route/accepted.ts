import type { DoneStep } from '@/core/laid/standing';
import {
  planAllTheSame,
  planAsLaid,
  planFrame,
  sessionAt,
  type PlanFrame,
  type PlannedWork,
  type PlanSettings,
  type RoutePlan,
} from './plan';
import { beginningOf, shifted, type AcceptedPlan } from './accepted-plan';
import { repaired } from './schedule/schedule';
import { violations } from './schedule/validate';
import type { Route } from '@/core/work/step';

/** What the next plan would change in the accepted one. */
export interface PlanChange {
  key: string;
  title: string;
  /** `missed`: its session is over and it is not done. */
  kind: 'moved' | 'missed' | 'new' | 'gone';
  /** Local date-times; null where it is in one of the plans only. */
  was: string | null;
  now: string | null;
}

export interface FollowedPlan {
  /** What counts: the accepted plan, with what is done as it was done and what was missed carried on. */
  plan: RoutePlan;
  /** What would have to be accepted anew; none where the plan still holds. */
  changes: PlanChange[];
  /** The plan with those changes. */
  next: RoutePlan;
}

/** Placements that a plan may take that cannot be mended from the former one. */
const ANEW = 4000;

/**
 * The accepted plan as it stands now. Work that moves within its session follows what was done without asking; what would lie in another
 * session, is new, or is no longer in the route is a change that waits to be accepted.
 */
export function followAccepted(
  route: Route,
  done: readonly DoneStep[],
  settings: PlanSettings,
  accepted: AcceptedPlan,
): FollowedPlan {
  const frame = planFrame(route, done, settings);
  const { sessions, now, local } = frame;
  const from = beginningOf(frame);
  const former = new Map(
    accepted.laid.map(({ key, title, segments }) => [key, { title, segments: shifted(segments, -from) }]),
  );
  const isDone = new Set(frame.problem.actuals.map(({ id }) => id));
  const mended = repaired(
    frame.problem,
    new Map([...former].flatMap(([key, { segments }]) => (isDone.has(key) ? [] : [[key, segments[0]![0]] as const]))),
  );
  const anew = mended ? null : planAllTheSame(frame.problem, frame.aims, ANEW);
  const next = planAsLaid(route, frame, anew?.plan ?? mended!, anew?.broken ?? mended!.broken, settings.timeZone);

  const changes: PlanChange[] = [];
  const stays: PlannedWork[] = [];
  for (const item of next.work) {
    const was = former.get(item.key);
    if (item.done) stays.push(item);
    else if (!was) changes.push({ key: item.key, title: item.step.title, kind: 'new', was: null, now: item.start });
    else {
      const [start, end] = [was.segments[0]![0], was.segments.at(-1)![1]];
      const isSame = sessionAt(sessions, start) === item.session;
      const isMissed = end <= now;
      // A session that was taken off holds nothing: its work is shown where it would go.
      const isHomeless = sessionAt(sessions, start) === null;
      if (!isSame)
        changes.push({
          key: item.key,
          title: item.step.title,
          kind: isMissed ? 'missed' : 'moved',
          was: local(start),
          now: item.start,
        });
      stays.push(
        isSame || isMissed || isHomeless
          ? item
          : {
              ...item,
              segments: was.segments,
              start: local(start),
              end: local(end),
              session: sessionAt(sessions, start),
            },
      );
    }
  }
  const known = new Set(route.steps.map(({ key }) => key));
  const placed = new Set(next.work.map(({ key }) => key));
  for (const [key, { title, segments }] of former)
    if (!known.has(key) || (!placed.has(key) && !isDone.has(key)))
      changes.push({ key, title, kind: 'gone', was: local(segments[0]![0]), now: null });
  if (changes.length === 0) return { plan: next, changes, next };
  const work = stays.sort((a, b) => a.segments[0]![0] - b.segments[0]![0]);
  const last = work.reduce<string | null>((latest, { end }) => (latest === null || end > latest ? end : latest), null);
  return {
    plan: { ...next, work, finish: last, holding: [], because: [], sessionsLeft: sessionsOf(work), loads: next.loads },
    changes,
    next,
  };
}

/** What a plan breaks as the brief now is, in words; that some of its sessions are over is none of it. */
export function planFaults(
  route: Route,
  done: readonly DoneStep[],
  settings: PlanSettings,
  { laid }: AcceptedPlan,
): string[] {
  return faultsIn(route, planFrame(route, done, settings), laid);
}

/** The same in a frame that is laid out already. */
export function faultsIn(route: Route, frame: PlanFrame, laid: AcceptedPlan['laid']): string[] {
  const from = beginningOf(frame);
  const titles = new Map(route.steps.map(({ key, title }) => [key, title]));
  const strange = laid.filter(({ key }) => !titles.has(key)).map(({ title }) => `“${title}” is no longer in the route`);
  const steps = laid.map(({ key, segments }) => ({ id: key, segments: shifted(segments, -from) }));
  const named = (key: string) => `“${titles.get(key) ?? key}”`;
  const faults = violations({ ...frame.problem, now: null }, steps, named);
  return [...strange, ...faults.filter((fault) => !/, at most \d+$/.test(fault))];
}

const sessionsOf = (work: readonly PlannedWork[]): number =>
  new Set(work.flatMap(({ done, session }) => (done || session === null ? [] : [session]))).size;
