import { latestStarts } from './backward';
import type { Network } from './network';
import type { Instant } from './problem';
import { Dispatcher, type Choice, type Put, type Rule } from './dispatch';
import { Variations, type Tried } from './variations';
import { Sequencer } from './sequence';
import { planFrom, type SerialPlan } from './serial';
import { endOf } from './timeline';

/** Puts the aims in order of importance: smaller is better, compared one after the other. */
export type Aims = (finish: Instant, loads: number, sessions: number) => readonly number[];

/** Places tried by dispatching rules for one unit of effort. */
const PLACES = 34;
/** At the most so many, for each pair of steps. */
const MOST_PLACES = 400;
/** Of the tries: until here rules drawn at large, until there towards an earlier finish, the others towards fewer loads and sessions. */
const SHARES = { atLarge: 0.12, finish: [0.3, 0.5, 0.65] };
/** First and last temperature of the cooling, in working minutes. */
const HOT = 6;
const COLD = 0.3;
/** What a working minute, a load and a session weigh while the finish is to be sooner, and once it is settled. */
const SOONER: Weights = { late: 1, load: 0.5, session: 0 };
const FEWER: Weights = { late: 0.5, load: 10, session: 1.2 };
/** A rule that does well on most networks. */
const USUAL: Rule = { slack: 0.1, waste: 4, cleaning: 1, unready: 15, pausing: 15 };

interface Weights {
  late: number;
  load: number;
  session: number;
}

/**
 * The best plan of dispatching rules, found by simulated annealing (Kirkpatrick, Gelatt, Vecchi 1983) over the rule and what is added to
 * the cost of each step (random keys, Bean 1994): first rules drawn at large, then from the best one towards a sooner finish, then, with the finish
 * kept, towards fewer loads of the airbrush and fewer sessions. Deterministic: `effort` counts places tried, chance comes from the seed.
 */
export function improved(network: Network, first: SerialPlan, aims: Aims, bound: Instant, effort: number): SerialPlan {
  const sequencer = new Sequencer(network);
  const { open, steps } = sequencer;
  if (open.length < 2) return first;
  const random = generator(open.length);
  const dispatcher = new Dispatcher(sequencer);
  const variations = new Variations(sequencer, random);
  const alike = alikeTo(aims, network.problem.now ?? network.problem.windows[0]?.start ?? 0);
  // A network of a few steps has no more to find than that.
  const budget = Math.min(effort * PLACES, MOST_PLACES * open.length ** 2);
  const latestBy = (finish: Instant): number[] => {
    const latest = latestStarts(network, finish);
    return open.map((i) => (latest[i] === -Infinity ? -1e5 : sequencer.workedUntil(latest[i]!)));
  };
  let finish = finishOf(network, first);
  let latest = latestBy(finish);
  const scoreOf = (put: Put) => aims(put.finish, put.loads, put.sessions);
  const costBy =
    ({ late, load, session }: Weights, from = 0) =>
    ({ put }: Tried) =>
      late * Math.max(0, sequencer.workedUntil(put.finish) - from) + load * put.loads + session * put.sessions;
  /** The last finish that is as good as the bound. */
  const soonEnough = alike.last(bound);
  /** The best of all that was tried. */
  const found: { best: Tried | null; score: readonly number[] } = { best: null, score: [] };
  const tried = (choice: Choice): Tried | null => {
    const put = dispatcher.put(latest, choice);
    if (!put) return null;
    const candidate = { ...choice, put };
    const score = scoreOf(put);
    if (!found.best || isLess(score, found.score)) {
      found.best = candidate;
      found.score = score;
    }
    return candidate;
  };

  const atLarge = (): Tried | null => {
    const cost = costBy(SOONER);
    let near = tried({ rule: USUAL, bias: new Float64Array(steps.length), closed: new Set() });
    while (dispatcher.spent < budget * SHARES.atLarge) {
      const candidate = tried(variations.atLarge());
      if (candidate && (!near || cost(candidate) < cost(near))) near = candidate;
      if (candidate && candidate.put.finish < finish) {
        finish = candidate.put.finish;
        latest = latestBy(finish);
      }
    }
    return near;
  };
  const cool = (begin: Tried, until: number, isThinning: boolean, costOf: (candidate: Tried) => number): void => {
    const from = dispatcher.spent;
    let current = begin;
    let cost = costOf(current);
    while (dispatcher.spent < until && (isThinning || current.put.finish > soonEnough)) {
      const heat = HOT * (COLD / HOT) ** ((dispatcher.spent - from) / (until - from));
      const candidate = tried(variations.of(current, isThinning));
      if (!candidate) continue;
      const its = costOf(candidate);
      if (its <= cost || random() < Math.exp((cost - its) / heat)) [current, cost] = [candidate, its];
    }
  };
  let near = atLarge();
  for (const share of SHARES.finish) {
    if (near) cool(near, budget * share, false, costBy(SOONER));
    // Urgency is counted back from the finish that is known by now.
    if (!found.best) break;
    latest = latestBy(Math.min(finish, found.best.put.finish));
    near = tried(found.best);
  }
  if (!found.best) return first;
  const last = sequencer.workedUntil(alike.last(found.best.put.finish));
  cool(found.best, budget, true, costBy(FEWER, last));
  const { spots } = found.best.put;
  const score = (plan: SerialPlan) =>
    aims(finishOf(network, plan), plan.timeline.loads(), plan.timeline.sessionsUsed());
  const plan = planFrom(network, new Map(open.map((i, k) => [i, spots[k]!.start])));
  return plan && isLess(score(plan), score(first)) ? plan : first;
}

/** The last end of all work; -Infinity where there is none. */
export function finishOf(network: Network, plan: SerialPlan): Instant {
  return Math.max(
    ...network.problem.steps.map(
      (_, i) => network.done[i]?.[1] ?? (plan.placed[i] ? endOf(plan.placed[i]!) : -Infinity),
    ),
  );
}

export function isLess(a: readonly number[], b: readonly number[]): boolean {
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return a[i]! < b[i]!;
  return false;
}

/** Finishes that the first aim does not tell apart: the last of them, and the last one before all of them. */
export function alikeTo(aims: Aims, from: Instant) {
  const value = (finish: Instant) => aims(finish, 0, 0)[0]!;
  const search = (low: Instant, high: Instant, isLow: (at: Instant) => boolean) => {
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if (isLow(middle)) low = middle;
      else high = middle;
    }
    return low;
  };
  const DAYS = 3 * 24 * 60;
  return {
    last: (finish: Instant) => search(finish, finish + DAYS, (at) => value(at) === value(finish)),
    before: (finish: Instant) => search(Math.min(from, finish) - DAYS, finish, (at) => value(at) < value(finish)),
  };
}

/** A small seeded generator (Lehmer 1951, multiplier 48271): the same numbers everywhere. */
export function generator(seed: number): () => number {
  let state = (seed * 7919 + 1) % 2147483647;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}
