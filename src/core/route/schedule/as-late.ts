import { groupBy } from '@/core/units/grouped';
import type { Minutes } from '@/core/units/minutes';
import { cleanOutMinutes, type Instant, type PlannedStep, type PlanProblem, type PlanStep, type Span } from './problem';
import { cleanOuts, violations } from './validate';

/**
 * A plan with some of its steps as late as what waits for them allows, in the free time of its sessions; all else stays where it is, and so
 * does a step for which there is no better place. What comes out breaks nothing that the plan did not break.
 */
export function asLate(
  problem: PlanProblem,
  plan: readonly PlannedStep[],
  late: ReadonlySet<string>,
): readonly PlannedStep[] {
  const done = new Map(problem.actuals.map((actual) => [actual.id, actual]));
  const wanted = plan.filter(({ id }) => late.has(id) && !done.has(id));
  // The last first: what it leaves free may be taken by those before it.
  const inTurn = [...wanted].sort((a, b) => b.segments[0]![0] - a.segments[0]![0]);
  const steps = new Map(problem.steps.map((step) => [step.id, step]));
  const sprays = problem.steps.filter(({ colour }) => colour !== null);
  const waits = [groupBy(problem.links, ({ from }) => from), groupBy(problem.links, ({ to }) => to)];
  const placed = new Map(plan.map((one) => [one.id, one]));
  let cleaning = cleanOuts(problem, plan);
  for (const { id } of inTurn) {
    const step = steps.get(id)!;
    // What it can break by its place in free time: itself and its waits; a spray also the clean-outs of all sprays.
    const own = step.colour === null ? [step] : sprays;
    const links = waits.flatMap((of) => of.get(id) ?? []);
    const beside = new Set([...own.map((one) => one.id), ...links.flatMap(({ from, to }) => [from, to])]);
    const actuals = [...beside].flatMap((one) => done.get(one) ?? []);
    const better = later({ ...problem, steps: own, links, actuals }, beside, placed, step, cleaning);
    if (!better) continue;
    placed.set(id, better);
    if (step.colour !== null) cleaning = cleanOuts(problem, [...placed.values()]);
  }
  return [...placed.values()];
}

/** The latest place of a step that breaks nothing more than its own, of what lies `near` it; null where there is none behind that. */
function later(
  near: PlanProblem,
  beside: ReadonlySet<string>,
  placed: ReadonlyMap<string, PlannedStep>,
  step: PlanStep,
  cleaning: readonly Span[],
): PlannedStep | null {
  const { id, minutes } = step;
  const now = placed.get(id)!;
  const start = now.segments[0]![0];
  const until = Math.min(
    ...near.links.flatMap(({ from, to, minLag }) =>
      from === id && placed.has(to) ? [placed.get(to)!.segments[0]![0] - minLag] : [],
    ),
  );
  if (!Number.isFinite(until)) return null;
  const around = [...beside].flatMap((one) => (one === id ? [] : (placed.get(one) ?? [])));
  const before = violations(near, [...around, now]).length;
  for (const end of endsUpTo(near, placed, step, cleaning, { start, end: until })) {
    if (end - minutes <= start) return null;
    const there: PlannedStep = { id, segments: [[end - minutes, end]] };
    if (violations(near, [...around, there]).length <= before) return there;
  }
  return null;
}

/**
 * Moments within a span at which a piece of work may end in free time, the latest first: right before what follows, and before the airbrush
 * is cleaned for it. A spray that moves has other clean-outs around it: room is left for any.
 */
function* endsUpTo(
  { windows, airbrush }: PlanProblem,
  placed: ReadonlyMap<string, PlannedStep>,
  { id, minutes, colour }: PlanStep,
  cleaning: readonly Span[],
  within: Span,
): Generator<Instant> {
  const busy: Span[] = [];
  const take = (start: Instant, end: Instant) => {
    if (start < within.end && end > within.start) busy.push({ start, end });
  };
  for (const other of placed.values()) if (other.id !== id) for (const segment of other.segments) take(...segment);
  if (colour === null) for (const { start, end } of cleaning) take(start, end);
  busy.sort((a, b) => a.start - b.start);
  const spares = colour === null ? [0] : [0, ...cleanOutTimes(airbrush)];
  for (const window of windows.filter(({ start, end }) => start < within.end && end > within.start).reverse()) {
    for (const { start, end } of gapsIn(window, busy).reverse())
      for (const spare of spares) {
        const at = Math.min(end - spare, within.end);
        if (at - minutes >= start) yield at;
      }
  }
}

/** How long the airbrush may be cleaned, the shortest first. */
function cleanOutTimes(airbrush: PlanProblem['airbrush']): Minutes[] {
  const states = Object.entries(airbrush?.cleanOut ?? {});
  const times = states.flatMap(([state, to]) =>
    Object.keys(to).map((colour) => cleanOutMinutes(airbrush, state, colour)),
  );
  return [...new Set(times)].sort((a, b) => a - b);
}

/** The free time of a session, in its order. */
function gapsIn(window: Span, busy: readonly Span[]): Span[] {
  const gaps: Span[] = [];
  let free = window.start;
  for (const { start, end } of busy) {
    if (end <= window.start || start >= window.end) continue;
    if (start > free) gaps.push({ start: free, end: start });
    free = Math.max(free, end);
  }
  if (free < window.end) gaps.push({ start: free, end: window.end });
  return gaps;
}
