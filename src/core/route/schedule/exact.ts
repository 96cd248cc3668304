import type { Network } from './network';
import type { Instant } from './problem';
import { orderWithin, type Limits } from './orders';
import { alikeTo, finishOf, type Aims } from './search';
import { planFrom, type SerialPlan } from './serial';

/** Networks of more open steps are not tried through. */
const MOST_STEPS = 64;
/** Of one unit of effort and one open step squared: nodes, shared by the three aims. */
const NODES = 500;
/** Orders begun to find any plan at all. */
const ANY_NODES = 400;
/** What of them each question gets: a sooner finish, a later bound, fewer loads, fewer sessions. */
const SHARES = { sooner: 0.4, bound: 0.2, loads: 0.2, sessions: 0.2 };

/** Whether a network is small enough for its orders to be tried. */
export const isSmall = (network: Network): boolean => network.blocks.flat().length <= MOST_STEPS;

/** Some plan of a small network that ends by then, where greedy rules found none; null where there is none, or none was found. */
export function anyPlan(network: Network, finish: Instant): SerialPlan | null {
  if (!isSmall(network)) return null;
  const { starts } = orderWithin(network, { finish, loads: Infinity, sessions: Infinity }, ANY_NODES);
  return starts && planFrom(network, starts);
}

/** What a plan is known to be the best in: its first aim, and all three. */
export interface Settled {
  plan: SerialPlan;
  /** No plan ends before this. */
  bound: Instant;
  isBest: boolean;
}

/**
 * The best plan in all aims, by asking again and again for a better one: first an earlier finish, then fewer loads, then fewer sessions.
 * What `effort` does not suffice for stays unproven. For small networks only.
 */
export function settled(
  network: Network,
  aims: Aims,
  given: { plan: SerialPlan; bound: Instant },
  effort: number,
): Settled {
  let { plan, bound } = given;
  const count = network.blocks.flat().length;
  if (count === 0) return { plan, bound, isBest: true };
  const nodes = (effort * NODES) / count ** 2;
  const alike = alikeTo(aims, network.problem.now ?? network.problem.windows[0]?.start ?? 0);
  /** Takes better plans as long as there are any; true when there is none any more. */
  const exhausted = (share: number, better: () => Limits): boolean => {
    let left = nodes * share;
    for (;;) {
      const limits = better();
      if (limits.finish < bound) return true;
      const found = orderWithin(network, limits, left);
      left -= found.nodes;
      const next = found.starts && planFrom(network, found.starts);
      if (!next) return found.isComplete && !found.starts;
      plan = next;
    }
  };
  const finish = () => finishOf(network, plan);
  const byThen = (at: Instant): Limits => ({ finish: at, loads: Infinity, sessions: Infinity });
  let isFirst = exhausted(SHARES.sooner, () => byThen(alike.before(finish())));
  // From the bound upwards: what is far too early is soon excluded, and the first that is not is the best.
  for (let left = nodes * SHARES.bound; !isFirst && left > 0;) {
    const target = alike.last(bound);
    const found = orderWithin(network, byThen(target), left);
    left -= found.nodes;
    const next = found.starts && planFrom(network, found.starts);
    if (next) plan = next;
    else if (!found.isComplete || found.starts) break;
    // What ends later ends in a session that ends later.
    else bound = Math.max(target, network.problem.windows.find(({ end }) => end > target)?.start ?? target) + 1;
    isFirst = alike.before(finish()) < bound;
  }
  if (isFirst) bound = Math.max(bound, alike.before(finish()) + 1);
  const isSecond = exhausted(SHARES.loads, () => ({
    finish: alike.last(finish()),
    loads: plan.timeline.loads() - 1,
    sessions: Infinity,
  }));
  const isThird = exhausted(SHARES.sessions, () => ({
    finish: alike.last(finish()),
    loads: plan.timeline.loads(),
    sessions: plan.timeline.sessionsUsed() - 1,
  }));
  return { plan, bound, isBest: isFirst && isSecond && isThird };
}
