import { isStep, saidAsArrival, withArrivals } from './arrivals';
import { latestStarts } from './backward';
import { lowerBound, sharperBound } from './bound';
import { holdingChain, whyInfeasible, type Holding, type Infeasible } from './explain';
import { networkOf, type Network } from './network';
import { firstEndingAfter, type Instant, type PlanLink, type PlannedStep, type PlanProblem } from './problem';
import { anyPlan, isSmall, settled } from './exact';
import { finishOf, generator, improved, isLess, type Aims } from './search';
import { byUrgency, inGaps, inTurn, urgencyOf } from './repair';
import { byLatest, ranksBy, serialPlan, type SerialPlan } from './serial';
import { startOf } from './timeline';

export type { Aims };

export interface Plan {
  feasible: true;
  steps: PlannedStep[];
  finish: Instant;
  loads: number;
  sessions: number;
  lowerBound: Instant;
  /** Proven to be the best in all three aims. */
  isBest: boolean;
  holding: Holding[];
  /** Greatest waits that were already broken by what is done. */
  broken: PlanLink[];
}

export interface NoPlan {
  feasible: false;
  because: Infeasible[];
  partial: PlannedStep[];
}

/** How many steps may be placed over all attempts: keeps the result the same on every machine, unlike a clock. */
const EFFORT = 12_000;
const DAY = 24 * 60;
/** Of the effort: so much goes into annealing before orders are tried through, and so much behind it where that proved nothing. */
const FIRST_SHARE = 0.25;
const LAST_SHARE = 0.25;
/** With less effort than this there is only the plain bound, and nothing is tried through. */
const SHARP_FROM = 2000;

/**
 * Lays the route over the sessions: a serial plan by latest start, improved by annealing as far as `effort` reaches; of a small network
 * all orders are tried or excluded. Valid always; proven to be the best in its first aim where the bound says so.
 */
export function schedule(given: PlanProblem, aims: Aims, effort = EFFORT): Plan | NoPlan {
  const problem = withArrivals(given);
  const titles = new Map(given.steps.map(({ id, title }) => [id, title ?? id]));
  const network = networkOf(problem);
  const horizon = problem.windows.at(-1)?.end ?? 0;

  const latest = latestStarts(network, horizon);
  let first = serialPlan(network, byLatest(network, latest));
  if (first.unplaced.length > 0) {
    const urgent = new Set(first.unplaced.flat().flatMap((i) => [i, ...ancestors(network, i)]));
    const again = serialPlan(
      network,
      ranksBy(network, (i) => (urgent.has(i) ? -1e9 : 0) + latest[i]!),
    );
    const found = again.unplaced.length > 0 ? anyPlan(network, horizon) : again;
    if (!found)
      return { feasible: false, because: whyInfeasible(network, first.unplaced), partial: stepsOf(network, first) };
    first = found;
  }
  const again = serialPlan(network, byLatest(network, latestStarts(network, finishOf(network, first))));
  if (again.unplaced.length === 0 && finishOf(network, again) < finishOf(network, first)) first = again;
  if (effort < SHARP_FROM) {
    const bound = Math.min(lowerBound(network), finishOf(network, first));
    return planOf(network, improved(network, first, aims, bound, effort), bound, titles);
  }
  const bound = sharperBound(network, finishOf(network, first));
  if (!isSmall(network)) return planOf(network, improved(network, first, aims, bound, effort), bound, titles);
  const sooner = improved(network, first, aims, bound, effort * FIRST_SHARE);
  const best = settled(network, aims, { plan: sooner, bound }, effort);
  const plan = best.isBest ? best.plan : improved(network, best.plan, aims, best.bound, effort * LAST_SHARE);
  return { ...planOf(network, plan, best.bound, titles), isBest: best.isBest };
}

function planOf(network: Network, best: SerialPlan, bound: Instant, titles: ReadonlyMap<string, string>): Plan {
  return {
    feasible: true,
    steps: stepsOf(network, best),
    finish: finishOf(network, best),
    loads: best.timeline.loads(),
    sessions: best.timeline.sessionsUsed(),
    lowerBound: bound,
    isBest: false,
    holding: holdingChain(network, best.placed).map((one) => saidAsArrival(one, (id) => titles.get(id) ?? id)),
    broken: network.broken,
  };
}

/**
 * A plan that stays as near to a former one as it can: of several ways to mend it, the one that leaves most steps in their sessions. Null where
 * none finds a place for everything.
 */
export function repaired(given: PlanProblem, starts: ReadonlyMap<string, Instant>): Plan | null {
  const problem = withArrivals(given);
  const network = networkOf(problem);
  const former = formerStarts(problem, starts);
  const sessionAt = (at: Instant) => firstEndingAfter(problem.windows, at);
  const moved = (plan: SerialPlan) =>
    [...former].filter(([i, start]) => plan.placed[i] && sessionAt(startOf(plan.placed[i]!)) !== sessionAt(start))
      .length;
  let best: { plan: SerialPlan; aims: number[] } | null = null;
  const random = generator(network.order.length);
  const urgency = urgencyOf(network, former);
  const blurred = () => urgency.map((latest) => latest + (random() - 0.5) * 3 * DAY);
  const ways = [
    () => inTurn(network, former),
    () => byUrgency(network, former, urgency),
    () => inGaps(network, former),
  ];
  const tries = Array.from({ length: TRIES }, () => () => byUrgency(network, former, blurred()));
  for (const [i, mend] of [...ways, ...tries].entries()) {
    if (best && best.aims[0]! <= former.size * (i < ways.length ? 0 : FEW_MOVED)) break;
    const plan = mend();
    if (!plan) continue;
    const aims = [moved(plan), finishOf(network, plan)];
    if (!best || isLess(aims, best.aims)) best = { plan, aims };
  }
  if (!best) return null;
  const titles = new Map(given.steps.map(({ id, title }) => [id, title ?? id]));
  return planOf(network, best.plan, Math.min(lowerBound(network), finishOf(network, best.plan)), titles);
}

/** The steps of a former plan with one at a start of its own: what lay there makes room. Null where not everything finds a place so. */
export function makingRoom(given: PlanProblem, starts: ReadonlyMap<string, Instant>, id: string): PlannedStep[] | null {
  const problem = withArrivals(given);
  const network = networkOf(problem);
  const pinned = network.index.get(id)!;
  const former = formerStarts(problem, starts);
  const first = new Set([pinned, ...ancestors(network, pinned)]);
  const urgency = urgencyOf(network, former).map((latest, i) => latest + (first.has(i) ? FIRST : 0));
  const moved = (plan: SerialPlan) =>
    [...former].filter(([i, start]) => plan.placed[i] && startOf(plan.placed[i]!) !== start).length;
  const [best] = [inGaps(network, former, pinned), byUrgency(network, former, urgency)]
    .filter((plan) => plan !== null && startOf(plan.placed[pinned]!) === starts.get(id))
    .sort((x, y) => moved(x!) - moved(y!));
  return best ? stepsOf(network, best) : null;
}

/** Starts of a former plan by the index of each step. */
const formerStarts = ({ steps }: PlanProblem, starts: ReadonlyMap<string, Instant>): ReadonlyMap<number, Instant> =>
  new Map(steps.flatMap(({ id }, i) => (starts.has(id) ? [[i, starts.get(id)!] as const] : [])));

/** Before everything else, minutes. */
const FIRST = -1e9;

/** Seeded variations that a repair tries where more than this share of the steps would move. */
const TRIES = 24;
const FEW_MOVED = 0.08;

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

function stepsOf(network: Network, plan: SerialPlan): PlannedStep[] {
  return network.problem.steps.flatMap((step, i) => {
    if (!isStep(step)) return [];
    const done = network.done[i];
    if (done) return [{ id: step.id, segments: [[done[0], done[1]] as [number, number]] }];
    return plan.placed[i] ? [{ id: step.id, segments: plan.placed[i]!.segments }] : [];
  });
}
