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
  const done = new Set(problem.actuals.map(({ id }) => id));
  const wanted = plan.filter(({ id }) => late.has(id) && !done.has(id));
  // The last first: what it leaves free may be taken by those before it.
  const inTurn = [...wanted].sort((a, b) => b.segments[0]![0] - a.segments[0]![0]);
  const steps = new Map(problem.steps.map((step) => [step.id, step]));
  let now = plan;
  let cleaning = cleanOuts(problem, now);
  for (const { id } of inTurn) {
    const step = steps.get(id)!;
    now = moved(problem, now, step, cleaning);
    if (step.colour !== null) cleaning = cleanOuts(problem, now);
  }
  return now;
}

function moved(
  problem: PlanProblem,
  plan: readonly PlannedStep[],
  step: PlanStep,
  cleaning: readonly Span[],
): readonly PlannedStep[] {
  const { id, minutes } = step;
  const near = nearOf(problem, step);
  const ids = new Set([...near.steps.map((one) => one.id), ...near.links.flatMap(({ from, to }) => [from, to])]);
  const around = plan.filter((one) => ids.has(one.id));
  const starts = new Map(around.map((one) => [one.id, one.segments[0]![0]]));
  const until = Math.min(
    ...near.links.flatMap(({ from, to, minLag }) => (from === id && starts.has(to) ? [starts.get(to)! - minLag] : [])),
  );
  if (!Number.isFinite(until)) return plan;
  const others = plan.filter((one) => one.id !== id);
  const endingAt = (of: readonly PlannedStep[], end: Instant) =>
    of.map((one): PlannedStep => (one.id === id ? { id, segments: [[end - minutes, end]] } : one));
  const before = violations(near, around).length;
  for (const end of endsUpTo(problem, others, step, cleaning, { start: starts.get(id)!, end: until })) {
    if (end - minutes <= starts.get(id)!) return plan;
    if (violations(near, endingAt(around, end)).length <= before) return endingAt(plan, end);
  }
  return plan;
}

/** Of a problem what a step can break by its place in free time: itself and its waits; a spray also the clean-outs of all sprays. */
const nearOf = (problem: PlanProblem, { id, colour }: PlanStep): PlanProblem => ({
  ...problem,
  steps: problem.steps.filter((step) => step.id === id || (colour !== null && step.colour !== null)),
  links: problem.links.filter(({ from, to }) => from === id || to === id),
});

/**
 * Moments within a span at which a piece of work may end in free time, the latest first: right before what follows, and before the airbrush
 * is cleaned for it. A spray that moves has other clean-outs around it: room is left for any.
 */
function* endsUpTo(
  { windows, airbrush }: PlanProblem,
  others: readonly PlannedStep[],
  { minutes, colour }: PlanStep,
  cleaning: readonly Span[],
  within: Span,
): Generator<Instant> {
  const worked = others.flatMap(({ segments }) => segments);
  const cleaned = colour === null ? cleaning.map(({ start, end }) => [start, end] as const) : [];
  const busy = [...worked, ...cleaned]
    .filter(([from, to]) => from < within.end && to > within.start)
    .sort(([a], [b]) => a - b);
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
function gapsIn(window: Span, busy: readonly (readonly [number, number])[]): Span[] {
  const gaps: Span[] = [];
  let free = window.start;
  for (const [from, to] of busy) {
    if (to <= window.start || from >= window.end) continue;
    if (from > free) gaps.push({ start: free, end: from });
    free = Math.max(free, to);
  }
  if (free < window.end) gaps.push({ start: free, end: window.end });
  return gaps;
}
