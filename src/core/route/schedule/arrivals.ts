import type { Holding } from './explain';
import type { PlanProblem } from './problem';

/** Steps that wait for something to arrive: as waits since the beginning, which the scheduler knows already. */

const BEGINNING = ' beginning';

export function withArrivals(problem: PlanProblem): PlanProblem {
  const waiting = problem.steps.flatMap(({ id, notBefore }) => (notBefore && notBefore > 0 ? [{ id, notBefore }] : []));
  if (waiting.length === 0) return problem;
  return {
    ...problem,
    steps: [
      { id: BEGINNING, title: 'the beginning', minutes: 1, splittable: false, colour: null, needsBooth: false },
      ...problem.steps,
    ],
    links: [
      ...problem.links,
      ...waiting.map(({ id, notBefore }) => ({ from: BEGINNING, to: id, minLag: notBefore, maxLag: null })),
    ],
    actuals: [{ id: BEGINNING, start: -1, end: 0 }, ...problem.actuals],
  };
}

export const isStep = ({ id }: { id: string }): boolean => id !== BEGINNING;

/** What holds the date, where it is an arrival, said as one. */
export const saidAsArrival = (holding: Holding, titleOf: (id: string) => string): Holding =>
  holding.from === BEGINNING
    ? { kind: 'lag', step: holding.step, says: `${titleOf(holding.step)} waits until what is ordered arrives` }
    : holding;
