import type { DoneStep } from '@/core/laid/standing';
import { planRoute, type PlanSettings, type RoutePlan } from './plan';
import type { Route } from '@/core/work/step';

/** All that a plan is made from, as plain data that goes to a worker. */
export interface PlanInput {
  route: Pick<Route, 'steps' | 'links'>;
  done: readonly DoneStep[];
  settings: PlanSettings;
}

/** Placements of each round of the search, rising: the first answers at once, the last takes some seconds. */
const ROUNDS = [400, 4000, 20_000, 80_000, 250_000] as const;

/** How good a plan is, the first aim first: day of its end, fillings of the airbrush, the end itself. */
const aimsOf = ({ finish, loads }: RoutePlan): [string, number, string] => [
  finish?.slice(0, 10) ?? '9999',
  loads,
  finish ?? '9999',
];

export const isBetter = (a: RoutePlan, b: RoutePlan): boolean => {
  const [x, y] = [aimsOf(a), aimsOf(b)];
  const at = x.findIndex((aim, i) => aim !== y[i]);
  return at >= 0 && x[at]! < y[at]!;
};

/** The best plan so far, and how many rounds of the search there still are. */
export interface ImprovedSoFar {
  plan: RoutePlan;
  left: number;
}

/** Better and better plans, one after each round. */
export function* improvingPlans({ route, done, settings }: PlanInput): Generator<ImprovedSoFar> {
  let best = planRoute(route, done, settings, ROUNDS[0]);
  for (const [round, effort] of ROUNDS.entries()) {
    const plan = round === 0 ? best : planRoute(route, done, settings, effort);
    const lowerBound = later(plan.lowerBound, best.lowerBound);
    best = { ...(isBetter(plan, best) ? plan : best), lowerBound };
    yield { plan: best, left: ROUNDS.length - 1 - round };
  }
}

/** A bound that was proven stays proven. */
const later = (a: string | null, b: string | null): string | null => (b && (!a || b > a) ? b : a);
