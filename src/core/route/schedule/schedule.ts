import { isStep, saidAsArrival, withArrivals } from './arrivals';
import { Calendar, latestStarts } from './backward';
import { lowerBound } from './bound';
import { holdingChain, whyInfeasible, type Holding, type Infeasible } from './explain';
import { networkOf, type Network } from './network';
import type { Instant, PlanLink, PlannedStep, PlanProblem } from './problem';
import { serialPlan, type SerialPlan } from './serial';
import { endOf } from './timeline';

export interface Plan {
  feasible: true;
  steps: PlannedStep[];
  finish: Instant;
  loads: number;
  sessions: number;
  lowerBound: Instant;
  holding: Holding[];
  /** Greatest waits that were already broken by what is done. */
  broken: PlanLink[];
}

export interface NoPlan {
  feasible: false;
  because: Infeasible[];
  partial: PlannedStep[];
}

/** Puts the aims in order of importance: smaller is better, compared one after the other. */
export type Aims = (finish: Instant, loads: number, sessions: number) => readonly number[];

/** How many steps may be placed over all attempts: keeps the result the same on every machine, unlike a clock. */
const EFFORT = 12_000;
const MOST_ATTEMPTS = 300;

/**
 * Lays the route over the sessions: several serial plans, by latest start and by seeded variations of it, of which the
 * best by `aims` is kept. Valid always; not proven to be the best.
 */
export function schedule(given: PlanProblem, aims: Aims, effort = EFFORT): Plan | NoPlan {
  const problem = withArrivals(given);
  const titles = new Map(given.steps.map(({ id, title }) => [id, title ?? id]));
  const network = networkOf(problem);
  const calendar = new Calendar(problem);
  const position = new Map(network.order.map((i, k) => [i, k]));
  const horizon = problem.windows.at(-1)?.end ?? 0;

  let latest = latestStarts(network, calendar, horizon);
  let best = serialPlan(network, byLatest(latest));
  if (best.unplaced.length > 0) {
    const urgent = new Set(best.unplaced.flat().flatMap((i) => [i, ...ancestors(network, i)]));
    const again = serialPlan(network, (i) => (urgent.has(i) ? -1e9 : 0) + latest[i]!);
    if (again.unplaced.length > 0) {
      return { feasible: false, because: whyInfeasible(network, best.unplaced), partial: stepsOf(network, best) };
    }
    best = again;
  }

  const score = (plan: SerialPlan) =>
    aims(finishOf(network, plan), plan.timeline.loads(), plan.timeline.sessionsUsed());
  let bestScore = score(best);
  latest = latestStarts(network, calendar, finishOf(network, best));
  const open = Math.max(1, network.blocks.flat().length);
  const random = lcg(open);
  for (let attempt = 0; attempt < Math.min(MOST_ATTEMPTS, Math.floor(effort / open)); attempt += 1) {
    const spread = attempt === 0 ? 0 : 60 * 24 * (attempt % 5);
    const colourTurn = new Map(problem.steps.map((step) => [step.colour, random() * spread]));
    const noise = problem.steps.map(() => random() * spread * 0.5);
    const plan = serialPlan(
      network,
      (i) => latest[i]! + noise[i]! + (problem.steps[i]!.colour ? colourTurn.get(problem.steps[i]!.colour)! : 0),
    );
    if (plan.unplaced.length > 0) continue;
    const candidate = score(plan);
    if (isLess(candidate, bestScore)) [best, bestScore] = [plan, candidate];
  }
  return {
    feasible: true,
    steps: stepsOf(network, best),
    finish: finishOf(network, best),
    loads: best.timeline.loads(),
    sessions: best.timeline.sessionsUsed(),
    lowerBound: Math.min(lowerBound(network, calendar), finishOf(network, best)),
    holding: holdingChain(network, best.placed).map((one) => saidAsArrival(one, (id) => titles.get(id) ?? id)),
    broken: network.broken,
  };

  function byLatest(values: readonly number[]) {
    return (i: number) => values[i]! + position.get(i)! * 1e-6;
  }
}

function ancestors(network: Network, step: number): number[] {
  const found = new Set<number>();
  const open = [step];
  while (open.length > 0) {
    for (const arc of network.before[open.pop()!]!) {
      if (found.has(arc.step) || network.done[arc.step]) continue;
      found.add(arc.step);
      open.push(arc.step);
    }
  }
  return [...found];
}

function finishOf(network: Network, plan: SerialPlan): Instant {
  return Math.max(
    ...network.problem.steps.map(
      (_, i) => network.done[i]?.[1] ?? (plan.placed[i] ? endOf(plan.placed[i]!) : -Infinity),
    ),
  );
}

function stepsOf(network: Network, plan: SerialPlan): PlannedStep[] {
  return network.problem.steps.flatMap((step, i) => {
    if (!isStep(step)) return [];
    const done = network.done[i];
    if (done) return [{ id: step.id, segments: [[done[0], done[1]] as [number, number]] }];
    return plan.placed[i] ? [{ id: step.id, segments: plan.placed[i]!.segments }] : [];
  });
}

function isLess(a: readonly number[], b: readonly number[]): boolean {
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return a[i]! < b[i]!;
  return false;
}

/** A small seeded generator (Lehmer 1951, multiplier 48271): the same numbers everywhere. */
function lcg(seed: number): () => number {
  let state = (seed * 7919 + 1) % 2147483647;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}
