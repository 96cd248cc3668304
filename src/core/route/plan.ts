import type { DoneStep } from '@/core/laid/standing';
import { addDays, type Day } from '@/core/units/day';
import { remembering } from '@/core/units/remembered';
import { benchSessions, elapsedToLocal, localDay, midnightUtc, type BenchSession } from './calendar';
import type { Evening, WeeklySession } from './evening';
import { cleanOutTable } from './cleanout';
import { stepsByKey, type Route, type RouteStep } from '@/core/work/step';
import type { PlanLink, PlanProblem } from './schedule/problem';
import { asLate } from './schedule/as-late';
import { schedule, type Aims, type NoPlan, type Plan } from './schedule/schedule';
import type { Holding, Infeasible } from './schedule/explain';

export interface PlannedWork {
  key: string;
  step: RouteStep;
  start: string;
  end: string;
  /** Elapsed minutes since the origin, for drawing. */
  segments: [number, number][];
  done: boolean;
  /** Which session it begins in; null for work done outside the sessions. */
  session: string | null;
}

/** A route laid over the builder's sessions. */
export interface RoutePlan {
  origin: string;
  sessions: BenchSession[];
  now: number;
  work: PlannedWork[];
  /** Local date-time of the last end; null when there is no plan. */
  finish: string | null;
  lowerBound: string | null;
  loads: number;
  sessionsLeft: number;
  holding: Holding[];
  /** Why there is no whole plan: what could be planned of it is in `work`. */
  because: Infeasible[];
  /** Greatest waits that what is done has broken, or that no session can keep any more. */
  broken: BrokenWait[];
}

/** A step that came too late after another, or will: it is planned all the same. */
export interface BrokenWait {
  done: RouteStep;
  late: RouteStep;
  /** Local date-time until which it could have followed. */
  until: string;
}

export interface PlanSettings {
  timeZone: string;
  startOn: Day;
  weekly: readonly WeeklySession[];
  evenings?: readonly Evening[];
  /** The present as an instant, ISO text. */
  nowUtc: string;
}

/** A year of sessions is the furthest ahead that is planned, and the furthest back that is laid out. */
const WEEKS = 54;

/**
 * The first day of the calendar: the day the build began, but never more than a year ago, since every session from there on is laid out.
 * Work that was done earlier keeps its times, outside of any session.
 */
function firstDay(startOn: Day, today: Day): Day {
  const furthest = addDays(today, -WEEKS * 7);
  return startOn < furthest ? furthest : startOn;
}

/** A route with its calendar as the scheduler knows it, and the way back from elapsed minutes to days and clocks. */
export interface PlanFrame {
  origin: string;
  sessions: BenchSession[];
  now: number;
  problem: PlanProblem;
  aims: Aims;
  local: (minutes: number) => string;
}

/** A year of sessions is laid out anew only in another week, or where they were changed. */
const sessionsOf = remembering<BenchSession[]>(24);

/** What of a route is still to be scheduled, from now on. */
export function planFrame(
  route: Pick<Route, 'steps' | 'links'>,
  done: readonly DoneStep[],
  { timeZone, weekly, nowUtc, startOn, evenings }: PlanSettings,
): PlanFrame {
  const today = localDay(nowUtc, timeZone);
  const first = firstDay(startOn, today);
  const origin = midnightUtc(first, timeZone);
  const elapsed = (instant: string) => Math.round((Date.parse(instant) - Date.parse(origin)) / 60_000);
  const now = Math.max(elapsed(nowUtc), 0);
  const weeksPast = Math.ceil(now / (7 * 24 * 60)) + 1;
  const laidOut = [weekly, first, weeksPast + WEEKS, timeZone, origin, evenings] as const;
  const sessions = sessionsOf(JSON.stringify(laidOut), () => benchSessions(...laidOut));

  const keys = new Set(route.steps.map((step) => step.key));
  const known = [
    ...new Map(done.filter((entry) => keys.has(entry.stepKey)).map((entry) => [entry.stepKey, entry])).values(),
  ];
  const actuals = known.map((entry) => ({
    id: entry.stepKey,
    start: elapsed(entry.startedAt),
    end: Math.max(elapsed(entry.startedAt) + 1, elapsed(entry.endedAt)),
  }));
  const loads = [
    ...new Map(
      route.steps.flatMap((step) => (step.load && !step.load.ownAirbrush ? [[step.load.id, step.load] as const] : [])),
    ).values(),
  ];
  const local = (minutes: number) => elapsedToLocal(minutes, timeZone, origin);
  return {
    origin,
    sessions,
    now,
    local,
    problem: {
      windows: sessions,
      boothWindows: sessions.filter((session) => session.booth),
      steps: route.steps.map((step) => ({
        id: step.key,
        title: step.title,
        minutes: step.minutes,
        splittable: step.splittable,
        colour: step.load && !step.load.ownAirbrush ? step.load.id : null,
        needsBooth: step.booth,
        notBefore: laterOf(
          step.notBefore ? elapsed(midnightUtc(step.notBefore, timeZone)) : null,
          step.dryAt ? Math.ceil((Date.parse(step.dryAt) - Date.parse(origin)) / 60_000) : null,
        ),
      })),
      links: route.links,
      airbrush: { initial: 'clean', resetEachWindow: true, cleanOut: cleanOutTable(loads) },
      now,
      actuals,
    },
    // Before fewer sessions comes an earlier end: who waits with everything until the last evening has no room for a mishap.
    aims: (finish, loadCount, sessionCount) => [
      Number(local(finish).slice(0, 10).replaceAll('-', '')),
      loadCount,
      finish,
      sessionCount,
    ],
  };
}

const laterOf = (a: number | null, b: number | null): number | null =>
  a === null ? b : b === null ? a : Math.max(a, b);

/** Schedules what is not done yet from now on. Effort is the number of step placements that the search may spend. */
export function planRoute(
  route: Pick<Route, 'steps' | 'links'>,
  done: readonly DoneStep[],
  settings: PlanSettings,
  effort?: number,
): RoutePlan {
  const frame = planFrame(route, done, settings);
  const { plan, broken } = planAllTheSame(frame.problem, frame.aims, effort);
  return planAsLaid(route, frame, plan, broken, settings.timeZone);
}

/** What the scheduler answered, as the plan of a route. */
export function planAsLaid(
  route: Pick<Route, 'steps' | 'links'>,
  { origin, sessions, now, problem, local }: PlanFrame,
  plan: Plan | NoPlan,
  broken: readonly PlanLink[],
  timeZone: string,
): RoutePlan {
  const byKey = stepsByKey(route);
  const isDone = new Set(problem.actuals.map((actual) => actual.id));
  // A mask belongs to the session of its spray.
  const masks = new Set(route.steps.flatMap(({ key, tape }) => (tape?.goes === 'on' ? [key] : [])));
  const laid = plan.feasible ? asLate(problem, plan.steps, masks) : plan.partial;
  const work = laid
    .map(({ id, segments }): PlannedWork => ({
      key: id,
      step: byKey.get(id)!,
      segments,
      done: isDone.has(id),
      start: local(segments[0]![0]),
      end: local(segments.at(-1)![1]),
      session: sessionAt(sessions, segments[0]![0]),
    }))
    .sort((a, b) => a.segments[0]![0] - b.segments[0]![0]);
  return {
    origin,
    sessions,
    now,
    work,
    finish: plan.feasible ? local(plan.finish) : null,
    lowerBound: plan.feasible ? local(plan.lowerBound) : null,
    loads: plan.feasible ? plan.loads : 0,
    sessionsLeft: plan.feasible ? plan.sessions : 0,
    holding: plan.feasible ? plan.holding : [],
    because: plan.feasible ? [] : [...tooFarAhead(route, sessions, origin, timeZone), ...plan.because],
    broken: broken
      .filter(({ to }) => !isDone.has(to))
      .map(({ from, to, maxLag }) => ({
        done: byKey.get(from)!,
        late: byKey.get(to)!,
        until: local(problem.actuals.find(({ id }) => id === from)!.end + maxLag!),
      })),
  };
}

/** The session that a moment lies in; null for none. */
export const sessionAt = (sessions: readonly BenchSession[], at: number): string | null =>
  sessions.find((session) => session.start <= at && at < session.end)?.id ?? null;

/** Parts that arrive only behind the last session that is laid out. */
function tooFarAhead(
  { steps }: Pick<Route, 'steps'>,
  sessions: readonly BenchSession[],
  origin: string,
  timeZone: string,
): Infeasible[] {
  const last = sessions.at(-1);
  const until = last ? elapsedToLocal(last.end, timeZone, origin).slice(0, 10) : '';
  return steps
    .filter(({ notBefore }) => notBefore !== null && notBefore > until)
    .map(({ title, notBefore }) => ({
      links: [],
      says: `${title}: it is expected on ${notBefore} only, and sessions are laid out until ${until}`,
      wouldHelp: ['a part that arrives sooner'],
    }));
}

/**
 * What is done outside of the sessions may start a greatest wait that no session keeps. That is told, and the rest is planned as if it had
 * been kept: one early entry in the log is no reason to lose every date.
 */
export function planAllTheSame(
  given: PlanProblem,
  aims: Aims,
  effort?: number,
): { plan: ReturnType<typeof schedule>; broken: PlanLink[] } {
  const done = new Set(given.actuals.map(({ id }) => id));
  const givenUp: PlanLink[] = [];
  let problem = given;
  for (;;) {
    const plan = schedule(problem, aims, effort);
    if (plan.feasible) return { plan, broken: [...plan.broken, ...givenUp] };
    const named = new Set(plan.because.flatMap(({ links }) => links.map(([from, to]) => `${from} ${to}`)));
    const lost = problem.links.filter(
      ({ from, to, maxLag }) => maxLag !== null && done.has(from) && !done.has(to) && named.has(`${from} ${to}`),
    );
    if (lost.length === 0) return { plan, broken: givenUp };
    givenUp.push(...lost);
    problem = {
      ...problem,
      links: problem.links.map((link) => (lost.includes(link) ? { ...link, maxLag: null } : link)),
    };
  }
}

/** The sessions in which work lies, with that work, first to last; done work outside sessions is left out. */
export function workBySession(plan: RoutePlan): { session: BenchSession; work: PlannedWork[] }[] {
  return plan.sessions.flatMap((session) => {
    const work = plan.work.filter((item) =>
      item.segments.some(([from]) => session.start <= from && from < session.end),
    );
    return work.length > 0 ? [{ session, work }] : [];
  });
}
