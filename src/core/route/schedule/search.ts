import { latestStarts } from './backward';
import type { Network } from './network';
import type { Instant } from './problem';
import { Sequencer, type HeldBack, type Put, type Spot } from './sequence';
import { planFrom, type SerialPlan } from './serial';
import { endOf, startOf } from './timeline';

/** Puts the aims in order of importance: smaller is better, compared one after the other. */
export type Aims = (finish: Instant, loads: number, sessions: number) => readonly number[];

/** An order with what was held back, and how it lies in the sessions. */
interface Candidate extends HeldBack {
  order: readonly number[];
  put: Put;
}

/** What a late working minute, a load and a session weigh where the finish is settled and the others are to be fewer. */
const WEIGHTS = { late: 5, load: 100, session: 12 };
/** First and last temperature of the cooling, in working minutes late. */
const HOT = 60;
const COLD = 0.6;
/** Of the effort: so much for an earlier finish, as long as one is possible; the rest for fewer loads and sessions. */
const FINISH_SHARE = 0.35;
/** A step is put in an order so many times as quickly as the serial scheme places it. */
const QUICKER = 8;
/** Coolings towards an earlier finish: each ends as soon as there is one. */
const COOLINGS = 4;

/**
 * Simulated annealing (Kirkpatrick, Gelatt, Vecchi 1983) over the order of the steps. First towards a finish before the best one: the cost is
 * how many working minutes steps start beyond their latest start for it. Then, with the finish kept, towards fewer loads of the airbrush and
 * fewer sessions. Deterministic: `effort` counts steps placed as the serial scheme places them, chance comes from the seed.
 */
export function improved(network: Network, first: SerialPlan, aims: Aims, bound: Instant, effort: number): SerialPlan {
  const sequencer = new Sequencer(network);
  const { open, steps, before, followers, tied } = sequencer;
  if (open.length < 2) return first;
  const { problem } = network;
  const random = generator(open.length);
  const pick = (count: number) => Math.min(count - 1, Math.floor(random() * count));
  const alike = alikeTo(aims, problem.now ?? problem.windows[0]?.start ?? 0);
  const sprayed = steps.flatMap(({ colour }, k) => (colour === null ? [] : [k]));
  const pairs = steps.flatMap((_, k) => (tied[k]!.length > 1 ? [k] : []));
  const scoreOf = ({ finish, loads, sessions }: Omit<Put, 'spots'>) => aims(finish, loads, sessions);

  /** Working minutes beyond the latest starts: the worst step's, and a little of everybody's. */
  const lateness = ({ spots }: Put, latest: readonly number[]): number => {
    let [worst, sum] = [0, 0];
    spots.forEach((spot, k) => {
      const late = sequencer.worked(spot.first, spot.start) - latest[k]!;
      if (late <= 0) return;
      worst = Math.max(worst, late + 1);
      sum += late + 1;
    });
    return worst + sum / 20;
  };
  const latestFor = (finish: Instant): number[] => {
    const latest = latestStarts(network, finish);
    return open.map((i) => (latest[i] === -Infinity ? -1e5 : sequencer.workedUntil(latest[i]!)));
  };

  /** Takes steps out and puts them in before the place `to`, as near to it as what they wait for and what waits for them allow. */
  const shifted = (order: readonly number[], moving: readonly number[], to: number): number[] => {
    const isMoving = new Set(moving);
    const rest = order.filter((k) => !isMoving.has(k));
    let at = Math.min(rest.length, Math.max(0, to));
    const place = new Map(rest.map((k, i) => [k, i]));
    let [low, high] = [0, rest.length];
    for (const k of moving) {
      for (const { step } of before[k]!) if (!isMoving.has(step)) low = Math.max(low, place.get(step)! + 1);
      for (const step of followers[k]!) if (!isMoving.has(step)) high = Math.min(high, place.get(step)!);
    }
    if (low > high) return [...order];
    at = Math.min(high, Math.max(low, at));
    rest.splice(at, 0, ...moving);
    return rest;
  };

  const moved = (candidate: Candidate, isThinning: boolean): Omit<Candidate, 'put'> => {
    const { order, floors, closed, put } = candidate;
    const chance = random();
    if (chance < 0.12 && sprayed.length > 1) {
      // All sprays of one colour, one after the other, as far as their waits allow.
      const anchor = sprayed[pick(sprayed.length)]!;
      let next: number[] = [...order];
      for (const k of order)
        if (k !== anchor && steps[k]!.colour === steps[anchor]!.colour) {
          const [own, its] = [next.indexOf(k), next.indexOf(anchor)];
          next = shifted(next, [k], own < its ? its - 1 : its + 1);
        }
      return { order: next, floors, closed };
    }
    if (chance < 0.24 && sprayed.length > 1) {
      const [a, b] = [sprayed[pick(sprayed.length)]!, sprayed[pick(sprayed.length)]!];
      const [at, to] = [order.indexOf(a), order.indexOf(b)];
      // Next to a spray of its own colour, or in exchange for another one.
      if (steps[a]!.colour === steps[b]!.colour)
        return { order: shifted(order, [a], at < to ? to - 1 : to + 1), floors, closed };
      return { order: shifted(shifted(order, [a], to), [b], at), floors, closed };
    }
    if (chance < 0.3) {
      // A step is held back although it could begin: its partner then comes within its greatest wait, or something fits before it.
      const k = pairs.length > 0 && random() < 0.6 ? pairs[pick(pairs.length)]! : pick(steps.length);
      const isHeld = floors[k] !== -Infinity && random() < 0.7;
      const next = [...floors];
      next[k] = isHeld ? -Infinity : laterThan(put.spots[k]!);
      return { order, floors: next, closed };
    }
    if (isThinning && chance < 0.42) {
      const next = new Set(closed);
      if (next.size > 0 && random() < 0.4) next.delete([...next][pick(next.size)]!);
      else next.add(put.spots[pick(steps.length)]!.first);
      return { order, floors, closed: next };
    }
    const at = pick(order.length);
    const k = order[at]!;
    const reach = 1 + pick(random() < 0.3 ? order.length : Math.min(order.length, 12));
    const moving = tied[k]!.length > 1 && random() < 0.5 ? tied[k]! : [k];
    return { order: shifted(order, moving, at + (random() < 0.5 ? -reach : reach)), floors, closed };
  };
  const laterThan = ({ start, first: session }: Spot): Instant => {
    if (random() < 0.5) return start + 1 + pick(60);
    return sequencer.rooms[session + (random() < 0.3 ? 2 : 1)]?.start ?? start + 1;
  };

  const startOfStep = (k: number) => startOf(first.placed[open[k]!]!);
  const order = steps.map((_, k) => k).sort((a, b) => startOfStep(a) - startOfStep(b));
  const free: HeldBack = { floors: steps.map(() => -Infinity), closed: new Set() };
  // As the first plan has it: steps that wait for their partners stay where they are.
  const asPlanned: HeldBack = {
    ...free,
    floors: steps.map((_, k) => (tied[k]!.length > 1 ? startOfStep(k) : -Infinity)),
  };
  const begun = [free, asPlanned].flatMap((held) => {
    const put = sequencer.put(order, held);
    return put ? [{ order, ...held, put }] : [];
  });
  if (begun.length === 0) return first;
  let best: Candidate = begun.reduce((a, b) => (isLess(scoreOf(b.put), scoreOf(a.put)) ? b : a));
  const take = (candidate: Candidate): boolean => {
    if (!isLess(scoreOf(candidate.put), scoreOf(best.put))) return false;
    best = candidate;
    return true;
  };

  /** Cools from the best order on; stops when `done` says so, at the latest when its rounds are spent. */
  const cool = (rounds: number, isThinning: boolean, costOf: (put: Put) => number, done: () => boolean): number => {
    let current = best;
    let cost = costOf(current.put);
    for (let round = 0; round < rounds; round += 1) {
      const heat = HOT * (COLD / HOT) ** (round / rounds);
      const next = moved(current, isThinning);
      const put = sequencer.put(next.order, next);
      if (!put) continue;
      const candidate = { ...next, put };
      const its = costOf(put);
      if (its <= cost || random() < Math.exp((cost - its) / heat)) [current, cost] = [candidate, its];
      if (take(candidate) && done()) return round + 1;
    }
    return rounds;
  };

  const rounds = Math.floor((effort * QUICKER) / open.length);
  let left = Math.floor(rounds * FINISH_SHARE);
  while (left > 0) {
    const target = alike.before(best.put.finish);
    if (target < bound) break;
    const latest = latestFor(target);
    left -= cool(
      Math.min(left, Math.max(40, Math.ceil((rounds * FINISH_SHARE) / COOLINGS))),
      false,
      (put) => lateness(put, latest) + put.loads * 0.2,
      () => best.put.finish <= target,
    );
  }
  const latest = latestFor(alike.last(best.put.finish));
  const rest = Math.max(0, rounds - Math.floor(rounds * FINISH_SHARE) + left);
  for (let turn = 0; turn < 2; turn += 1)
    cool(
      Math.floor(rest / 2),
      true,
      (put) => lateness(put, latest) * WEIGHTS.late + put.loads * WEIGHTS.load + put.sessions * WEIGHTS.session,
      () => false,
    );
  const score = (plan: SerialPlan) =>
    aims(finishOf(network, plan), plan.timeline.loads(), plan.timeline.sessionsUsed());
  const plan = planFrom(network, new Map(open.map((i, k) => [i, best.put.spots[k]!.start])));
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
