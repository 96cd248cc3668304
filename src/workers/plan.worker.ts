import { expose } from 'comlink';
import { counterfactuals, type AskedSoFar } from '@/core/route/counterfactuals';
import { improvingPlans, type ImprovedSoFar, type PlanInput } from '@/core/route/improving';

/** Tells everything that comes, and answers with the last of it. */
function heard<T>(coming: Generator<T>, hear: (soFar: T) => void): T | null {
  let last: T | null = null;
  for (const soFar of coming) {
    last = soFar;
    hear(soFar);
  }
  return last;
}

const worker = {
  improve: (input: PlanInput, hear: (soFar: ImprovedSoFar) => void) => heard(improvingPlans(input), hear),
  whatIf: (input: PlanInput, hear: (soFar: AskedSoFar) => void) => heard(counterfactuals(input), hear),
};
export type PlanWorker = typeof worker;
expose(worker);
