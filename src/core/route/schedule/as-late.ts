import type { Minutes } from '@/core/units/minutes';
import { cleanOutMinutes, type Instant, type PlannedStep, type PlanProblem, type Span } from './problem';
import { violations } from './validate';

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
  return inTurn.reduce((now, { id }) => moved(problem, now, id), plan);
}

function moved(problem: PlanProblem, plan: readonly PlannedStep[], id: string): readonly PlannedStep[] {
  const starts = new Map(plan.map(({ id: own, segments }) => [own, segments[0]![0]]));
  const { minutes } = problem.steps.find((step) => step.id === id)!;
  const until = Math.min(
    ...problem.links.flatMap(({ from, to, minLag }) =>
      from === id && starts.has(to) ? [starts.get(to)! - minLag] : [],
    ),
  );
  if (!Number.isFinite(until)) return plan;
  const before = violations(problem, plan).length;
  for (const end of endsUpTo(problem, plan, id, minutes, until)) {
    if (end - minutes <= starts.get(id)!) return plan;
    const next = plan.map((step): PlannedStep => (step.id === id ? { id, segments: [[end - minutes, end]] } : step));
    if (violations(problem, next).length <= before) return next;
  }
  return plan;
}

/** Moments at which a piece of work may end in free time, the latest first: right before what follows, and before the airbrush is cleaned for it. */
function* endsUpTo(
  { windows, airbrush }: PlanProblem,
  plan: readonly PlannedStep[],
  id: string,
  minutes: Minutes,
  until: Instant,
): Generator<Instant> {
  const busy = plan
    .filter((step) => step.id !== id)
    .flatMap(({ segments }) => segments)
    .sort(([a], [b]) => a - b);
  const colours = Object.keys(airbrush?.cleanOut ?? {});
  const cleaning = [
    ...new Set([
      0,
      ...colours.flatMap((state) =>
        Object.keys(airbrush!.cleanOut[state]!).map((colour) => cleanOutMinutes(airbrush, state, colour)),
      ),
    ]),
  ].sort((a, b) => a - b);
  for (const window of [...windows].reverse()) {
    if (window.start >= until) continue;
    for (const { start, end } of gapsIn(window, busy).reverse())
      for (const spare of cleaning) {
        const at = Math.min(end - spare, until);
        if (at - minutes >= start) yield at;
      }
  }
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
