import { dryingTime, type Climate } from '@/core/paint/drying';
import { groupBy } from '@/core/units/grouped';
import { minutesAfter, type Minutes } from '@/core/units/minutes';
import { stepsByKey, type Route, type RouteLink, type RouteStep } from '@/core/work/step';
import { changedIn, type Changed } from './changed';
import { waitBetween } from './drying';
import { laidOf, stayingOf, type Laid, type LaidLayer, type LoggedWork, type Loss } from './laid';
import { minutesOn, progressOf, type StepProgress } from './progress';
import { inOrder, stacksOf, type Stacks } from './stack';
import { tapedOf, type Tape } from './taped';

/** A step that is finished, with the last of its work: what the plan counts from. */
export interface DoneStep {
  stepKey: string;
  startedAt: string;
  endedAt: string;
}

/** What a planned step waits for that is laid already. */
export interface LaidWait {
  zone: string;
  entry: number;
  /** From the end of the entry. */
  minutes: Minutes;
  /** The instant at which it may begin. */
  until: string;
  why: string;
}

/** How a build stands: what is laid, how far each step is, and what is left to do. */
export interface Standing {
  laid: Laid;
  /** What lies on each zone of the outline, then what is planned there. */
  stacks: Stacks;
  progress: ReadonlyMap<string, StepProgress>;
  taped: ReadonlyMap<string, readonly Tape[]>;
  /** By step: what it waits for that lies under it, the longest first. */
  waits: ReadonlyMap<string, readonly LaidWait[]>;
  /** Coats that lie where another colour is wanted now. */
  changed: readonly Changed[];
  /** What of `left` is done: finished steps, and what is done of the others. */
  done: readonly DoneStep[];
  /** The route with what is left of each step; what is done of one, and what of it must follow soon, are steps of their own. */
  left: Route;
}

/** How a build stands by its log. Deterministic; `areaOf` weighs zones against each other. */
export function standingOf(
  route: Route,
  zones: readonly string[],
  log: readonly LoggedWork[],
  mishaps: readonly Loss[],
  climate: Climate,
  areaOf: (zone: string) => number,
): Standing {
  const steps = stepsByKey(route);
  const laid = laidOf(log, mishaps, (key) => steps.get(key));
  const taped = tapedOf(route, log, laid);
  const progress = progressOf(route, log, laid, taped, areaOf);
  const stacks = stacksOf(route, zones, laid, (key) => progress.get(key)!.toDo);
  const waits = waitsOf(route, laid, progress, climate);
  const done = [...progress].flatMap(([stepKey, { isFinished, startedAt, endedAt }]) =>
    isFinished && startedAt !== null && endedAt !== null ? [{ stepKey, startedAt, endedAt }] : [],
  );
  const { left, parts } = leftOf(route, progress, waits, areaOf);
  const changed = changedIn(route, { laid, progress }, areaOf);
  return { laid, stacks, progress, taped, waits, changed, done: [...done, ...parts], left };
}

/** What each step that lays something has to wait for, of what lies there: by the paint that was used, in the air in which it dried. */
function waitsOf(
  route: Route,
  laid: Laid,
  progress: ReadonlyMap<string, StepProgress>,
  climate: Climate,
): Map<string, LaidWait[]> {
  const top = new Map([...laid].flatMap(([zone, stack]) => [[zone, stayingOf(stack).at(-1)] as const]));
  const waits = new Map<string, LaidWait[]>();
  for (const step of inOrder(route)) {
    const [first] = step.lays;
    const isMask = step.tape?.goes === 'on';
    if (!first && !isMask) continue;
    const own: LaidWait[] = [];
    for (const zone of progress.get(step.key)!.toDo) {
      const under = top.get(zone);
      // What is laid first on a zone is over what lies there; whatever comes next waits for that one.
      if (first) top.set(zone, undefined);
      if (!under) continue;
      const { minutes, why } = first
        ? waitBetween(first, under, under.air ?? climate)
        : { minutes: tapeWait(under, climate), why: `${under.paint || 'the coat'} bears tape` };
      const until = minutesAfter(under.endedAt, minutes);
      own.push({ zone, entry: under.entry, minutes, until, why });
    }
    if (own.length > 0)
      waits.set(
        step.key,
        own.sort((a, b) => (a.until < b.until ? 1 : a.until > b.until ? -1 : 0)),
      );
  }
  return waits;
}

const tapeWait = (under: LaidLayer, climate: Climate): Minutes => dryingTime(under, 'mask', under.air ?? climate);

/**
 * The route with what is left of each step, no sooner than what lies under it is dry. What is done of a step that is not finished is a piece of
 * work by itself, and so is what has to follow it soon.
 */
function leftOf(
  route: Route,
  progress: ReadonlyMap<string, StepProgress>,
  waits: ReadonlyMap<string, readonly LaidWait[]>,
  areaOf: (zone: string) => number,
): { left: Route; parts: DoneStep[] } {
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [...route.links];
  const parts: DoneStep[] = [];
  const [into, out] = [groupBy(route.links, ({ to }) => to), groupBy(route.links, ({ from }) => from)];
  for (const step of route.steps) {
    const own = progress.get(step.key)!;
    if (own.isFinished) {
      steps.push(step);
      continue;
    }
    const { startedAt, endedAt } = own;
    if (own.done.length > 0 && startedAt !== null && endedAt !== null) {
      const stepKey = donePart(step.key);
      steps.push({ ...partOf(step, own.done, areaOf), key: stepKey, of: step.key });
      parts.push({ stepKey, startedAt, endedAt });
    }
    const whole = withLeft(step, own, waits.get(step.key));
    const now = urgent(own, into.get(step.key) ?? [], progress);
    const later = own.toDo.filter((zone) => !now.includes(zone));
    if (now.length === 0 || later.length === 0) {
      steps.push(whole);
      continue;
    }
    const first = { ...partOf(whole, now, areaOf), key: nowPart(step.key), of: step.key };
    steps.push(first);
    steps.push(partOf(whole, later, areaOf));
    for (const { from, to: _, ...link } of into.get(step.key) ?? []) {
      const before = progress.get(from)!;
      if (before.isFinished) links.push({ ...link, from, to: first.key });
      else if (link.maxLag !== null && before.done.length > 0)
        links.push({ ...link, from: donePart(from), to: first.key });
    }
    for (const link of out.get(step.key) ?? []) links.push({ ...link, from: first.key });
  }
  return { left: { ...route, steps, links }, parts };
}

/** What is done of a step, and what of it is urgent, as pieces of work: their names among the others. */
const donePart = (key: string): string => `${key}~done`;
const nowPart = (key: string): string => `${key}~now`;

function withLeft(
  step: RouteStep,
  { toDo, minutesLeft, share }: StepProgress,
  waits: readonly LaidWait[] = [],
): RouteStep {
  const dryAt = waits[0]?.until ?? null;
  if (share === 0) return dryAt ? { ...step, dryAt } : step;
  return {
    ...step,
    dryAt,
    zones: toDo,
    minutes: minutesLeft,
    minutesFrom: `${minutesLeft} of ${step.minutes} min: what is left of it`,
    general: toDo.length < step.zones.length ? null : step.general,
  };
}

const partOf = (step: RouteStep, zones: string[], areaOf: (zone: string) => number): RouteStep => ({
  ...step,
  zones,
  general: null,
  minutes: Math.max(1, minutesOn(step, zones, areaOf)),
});

/** Zones on which a step must follow soon on what is done there, while the same elsewhere is not. `into` are the links that lead to it. */
function urgent(
  { toDo }: StepProgress,
  into: readonly RouteLink[],
  progress: ReadonlyMap<string, StepProgress>,
): string[] {
  const before = into.flatMap(({ from, maxLag }) => (maxLag !== null ? [progress.get(from)] : []));
  return toDo.filter((zone) => before.some((one) => one && !one.isFinished && one.done.includes(zone)));
}
