import { CLEAN, cleanOutMinutes, type PlannedStep, type PlanProblem, type Span } from './problem';

/**
 * Everything a finished schedule breaks, in words; empty when it is valid. Written apart from the scheduler, from the
 * contract's rules alone, so that one can check the other. Steps are called by their ids, or as `nameOf` says.
 */
export function violations(
  problem: PlanProblem,
  plan: readonly PlannedStep[],
  nameOf: (id: string) => string = (id) => id,
): string[] {
  const known = knownOf(problem, plan, nameOf);
  const [steps, cleans] = [stepFaults(known), cleanOutFaults(known)];
  const work = [...steps.work, ...cleans.work].sort((a, b) => a.from - b.from || a.to - b.to);
  const overlaps = work.flatMap((piece, i) => {
    const next = work[i + 1];
    return next && next.from < piece.to ? [`${piece.name} and ${next.name} overlap`] : [];
  });
  return [...steps.faults, ...linkFaults(known), ...cleans.faults, ...overlaps];
}

/** When the airbrush is cleaned for the sprays of a plan. */
export const cleanOuts = (problem: PlanProblem, plan: readonly PlannedStep[]): Span[] =>
  cleanOutFaults(knownOf(problem, plan, (id) => id)).work.map(({ from, to }) => ({ start: from, end: to }));

function knownOf(problem: PlanProblem, plan: readonly PlannedStep[], nameOf: (id: string) => string): Known {
  const actuals = new Map(problem.actuals.map((actual) => [actual.id, actual]));
  const planned = new Map(plan.map((step) => [step.id, step.segments]));
  return {
    problem,
    nameOf,
    isDone: (id) => actuals.has(id),
    segmentsOf: (id) => {
      const actual = actuals.get(id);
      return actual ? [[actual.start, actual.end]] : planned.get(id);
    },
  };
}

/** A schedule with what was done in it. */
interface Known {
  problem: PlanProblem;
  nameOf: (id: string) => string;
  isDone: (id: string) => boolean;
  segmentsOf: (id: string) => readonly [number, number][] | undefined;
}

/** Time that is worked. */
interface Work {
  name: string;
  from: number;
  to: number;
}

/** What each step by itself breaks: its minutes, its sessions, what it needs. */
function stepFaults({ problem, nameOf, isDone, segmentsOf }: Known): { faults: string[]; work: Work[] } {
  const faults: string[] = [];
  const work: Work[] = [];
  const inside = (spans: readonly Span[], from: number, to: number) =>
    spans.findIndex((span) => span.start <= from && to <= span.end);
  for (const step of problem.steps) {
    const name = nameOf(step.id);
    const segments = segmentsOf(step.id);
    if (!segments || segments.length === 0) {
      faults.push(`${name}: not planned`);
      continue;
    }
    if (isDone(step.id)) continue;
    const total = segments.reduce((minutes, [from, to]) => minutes + to - from, 0);
    if (total !== step.minutes) faults.push(`${name}: ${total} of ${step.minutes} minutes`);
    if (problem.now !== null && segments[0]![0] < problem.now) faults.push(`${name}: starts in the past`);
    if (segments.length > 1 && !step.splittable) faults.push(`${name}: split`);
    if (step.notBefore && segments[0]![0] < step.notBefore) faults.push(`${name}: before what it needs arrives`);
    segments.forEach(([from, to], i) => {
      const window = inside(problem.windows, from, to);
      if (window < 0) faults.push(`${name}: outside the sessions`);
      if (step.needsBooth && inside(problem.boothWindows, from, to) < 0) faults.push(`${name}: outside the booth`);
      const next = segments[i + 1];
      if (next && (to !== problem.windows[window]?.end || next[0] !== problem.windows[window + 1]?.start))
        faults.push(`${name}: pauses where no session ends`);
      work.push({ name, from, to });
    });
  }
  return { faults, work };
}

/** Waits that are too short or too long; what was too long already when it was planned is not the plan's doing. */
function linkFaults({ problem, nameOf, isDone, segmentsOf }: Known): string[] {
  return problem.links.flatMap(({ from, to, minLag, maxLag }) => {
    const [before, after] = [segmentsOf(from), segmentsOf(to)];
    if (!before || !after || isDone(to)) return [];
    const ended = before.at(-1)![1];
    const lag = after[0]![0] - ended;
    const name = `${nameOf(from)} to ${nameOf(to)}: ${lag} minutes`;
    const alreadyBroken = isDone(from) && maxLag !== null && problem.now !== null && problem.now - ended > maxLag;
    return [
      ...(lag < minLag ? [`${name}, at least ${minLag}`] : []),
      ...(maxLag !== null && lag > maxLag && !alreadyBroken ? [`${name}, at most ${maxLag}`] : []),
    ];
  });
}

/** Clean-outs between the sprays in their order: each in the session of the spray that it is for. */
function cleanOutFaults({ problem, nameOf, isDone, segmentsOf }: Known): { faults: string[]; work: Work[] } {
  const faults: string[] = [];
  const work: Work[] = [];
  const sprays = problem.steps
    .flatMap(({ id, colour }) => {
      const segments = segmentsOf(id);
      return colour !== null && segments ? [{ id, colour, start: segments[0]![0] }] : [];
    })
    .sort((a, b) => a.start - b.start);
  let state = problem.airbrush?.initial ?? CLEAN;
  let last = -Infinity;
  for (const { id, colour, start } of sprays) {
    const window = problem.windows.find((span) => span.start <= start && start < span.end);
    if (problem.airbrush?.resetEachWindow && window && last < window.start) state = CLEAN;
    const clean = cleanOutMinutes(problem.airbrush, state, colour);
    if (clean > 0 && !isDone(id)) {
      if (!window || start - clean < window.start) faults.push(`${nameOf(id)}: its clean-out lies outside the session`);
      if (problem.now !== null && start - clean < problem.now)
        faults.push(`${nameOf(id)}: its clean-out lies in the past`);
      work.push({ name: `clean-out before ${nameOf(id)}`, from: start - clean, to: start });
    }
    state = colour;
    last = start;
  }
  return { faults, work };
}
