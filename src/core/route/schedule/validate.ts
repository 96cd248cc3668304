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
  const found: string[] = [];
  const actuals = new Map(problem.actuals.map((actual) => [actual.id, actual]));
  const planned = new Map(plan.map((step) => [step.id, step.segments]));
  const segmentsOf = (id: string): [number, number][] | undefined => {
    const actual = actuals.get(id);
    return actual ? [[actual.start, actual.end]] : planned.get(id);
  };
  const inside = (spans: readonly Span[], from: number, to: number) =>
    spans.findIndex((span) => span.start <= from && to <= span.end);
  const work: { name: string; from: number; to: number }[] = [];

  for (const step of problem.steps) {
    const name = nameOf(step.id);
    const segments = segmentsOf(step.id);
    if (!segments || segments.length === 0) {
      found.push(`${name}: not planned`);
      continue;
    }
    if (actuals.has(step.id)) continue;
    const total = segments.reduce((minutes, [from, to]) => minutes + to - from, 0);
    if (total !== step.minutes) found.push(`${name}: ${total} of ${step.minutes} minutes`);
    if (problem.now !== null && segments[0]![0] < problem.now) found.push(`${name}: starts in the past`);
    if (segments.length > 1 && !step.splittable) found.push(`${name}: split`);
    if (step.notBefore && segments[0]![0] < step.notBefore) found.push(`${name}: before what it needs arrives`);
    segments.forEach(([from, to], i) => {
      const window = inside(problem.windows, from, to);
      if (window < 0) found.push(`${name}: outside the sessions`);
      if (step.needsBooth && inside(problem.boothWindows, from, to) < 0) found.push(`${name}: outside the booth`);
      const next = segments[i + 1];
      if (next && (to !== problem.windows[window]?.end || next[0] !== problem.windows[window + 1]?.start))
        found.push(`${name}: pauses where no session ends`);
      work.push({ name, from, to });
    });
  }

  for (const { from, to, minLag, maxLag } of problem.links) {
    const [before, after] = [segmentsOf(from), segmentsOf(to)];
    if (!before || !after || actuals.has(to)) continue;
    const lag = after[0]![0] - before.at(-1)![1];
    if (lag < minLag) found.push(`${nameOf(from)} to ${nameOf(to)}: ${lag} minutes, at least ${minLag}`);
    const alreadyBroken =
      actuals.has(from) && maxLag !== null && problem.now !== null && problem.now - before.at(-1)![1] > maxLag;
    if (maxLag !== null && lag > maxLag && !alreadyBroken)
      found.push(`${nameOf(from)} to ${nameOf(to)}: ${lag} minutes, at most ${maxLag}`);
  }

  const colourOf = new Map(problem.steps.map((step) => [step.id, step.colour]));
  const sprays = problem.steps
    .flatMap((step) => {
      const segments = segmentsOf(step.id);
      return step.colour !== null && segments ? [{ id: step.id, start: segments[0]![0] }] : [];
    })
    .sort((a, b) => a.start - b.start);
  let state = problem.airbrush?.initial ?? CLEAN;
  let last = -Infinity;
  for (const { id, start } of sprays) {
    const window = problem.windows.find((span) => span.start <= start && start < span.end);
    if (problem.airbrush?.resetEachWindow && window && last < window.start) state = CLEAN;
    const colour = colourOf.get(id)!;
    const clean = cleanOutMinutes(problem.airbrush, state, colour);
    if (clean > 0 && !actuals.has(id)) {
      if (!window || start - clean < window.start) found.push(`${nameOf(id)}: its clean-out lies outside the session`);
      if (problem.now !== null && start - clean < problem.now)
        found.push(`${nameOf(id)}: its clean-out lies in the past`);
      work.push({ name: `clean-out before ${nameOf(id)}`, from: start - clean, to: start });
    }
    state = colour;
    last = start;
  }

  work.sort((a, b) => a.from - b.from || a.to - b.to);
  work.forEach((piece, i) => {
    const next = work[i + 1];
    if (next && next.from < piece.to) found.push(`${piece.name} and ${next.name} overlap`);
  });
  return found;
}
