import { type Calendar, latestStarts } from './backward';
import type { Network } from './network';
import type { Instant } from './problem';
import { serialPlan, type Held, type SerialPlan } from './serial';
import { endOf, startOf } from './timeline';

/** Puts the aims in order of importance: smaller is better, compared one after the other. */
export type Aims = (finish: Instant, loads: number, sessions: number) => readonly number[];

/** A plan with the order and what was held back to make it. */
interface Candidate {
  order: readonly number[];
  held: Required<Held>;
  plan: SerialPlan;
}

/** What a late working minute, a load and a session weigh where the finish is settled and the others are to be fewer. */
const WEIGHTS = { late: 5, load: 100, session: 12 };
/** First and last temperature of the cooling, in working minutes late. */
const HOT = 60;
const COLD = 0.6;
/** Of the effort: so much for an earlier finish, as long as one is possible; the rest for fewer loads and sessions. */
const FINISH_SHARE = 0.6;

/**
 * Simulated annealing (Kirkpatrick, Gelatt, Vecchi 1983) over the order in which blocks are placed. First towards a finish before the best one:
 * the cost is how many working minutes steps start beyond their latest start for it. Then, with the finish kept, towards fewer loads of the
 * airbrush and fewer sessions. Deterministic: `effort` counts placements, chance comes from the seed.
 */
export function improved(
  network: Network,
  calendar: Calendar,
  first: SerialPlan,
  aims: Aims,
  bound: Instant,
  effort: number,
): SerialPlan {
  const open = Math.max(1, network.blocks.flat().length);
  if (network.blocks.length < 2) return first;
  const { problem } = network;
  const random = generator(open);
  const pick = (count: number) => Math.min(count - 1, Math.floor(random() * count));
  const working = workingMinutes(network);
  const alike = alikeTo(aims, problem.now ?? problem.windows[0]?.start ?? 0);
  const sprayed = network.blocks.flatMap((block, b) =>
    block.some((i) => problem.steps[i]!.colour !== null) ? [b] : [],
  );
  const colourOf = new Map(
    sprayed.map((b) => [b, problem.steps[network.blocks[b]!.find((i) => problem.steps[i]!.colour !== null)!]!.colour!]),
  );
  const tied = network.blocks.flatMap((block) => (block.length > 1 ? block.slice(0, -1) : []));

  const scoreOf = (plan: SerialPlan) =>
    aims(finishOf(network, plan), plan.timeline.loads(), plan.timeline.sessionsUsed());
  const decode = (order: readonly number[], held: Required<Held>): Candidate => {
    const rank = new Array<number>(order.length);
    order.forEach((b, k) => (rank[b] = k));
    return { order, held, plan: serialPlan(network, rank, held) };
  };
  const startsOf = (plan: SerialPlan) => (b: number) =>
    Math.min(...network.blocks[b]!.map((i) => (plan.placed[i] ? startOf(plan.placed[i]!) : Infinity)));

  /** Working minutes beyond the latest starts: the worst step's, and a little of everybody's. */
  const lateness = (plan: SerialPlan, latest: readonly number[]): number => {
    if (plan.unplaced.length > 0) return 1e6 * plan.unplaced.length;
    let [worst, sum] = [0, 0];
    plan.placed.forEach((placed, i) => {
      if (!placed) return;
      const start = startOf(placed);
      if (start <= latest[i]!) return;
      const late = latest[i] === -Infinity ? 1e5 : working(start) - working(latest[i]!) + 1;
      worst = Math.max(worst, late);
      sum += late;
    });
    return worst + sum / 20;
  };

  const moved = ({ order, held, plan }: Candidate, isThinning: boolean): [readonly number[], Required<Held>] => {
    const chance = random();
    if (chance < 0.16 && sprayed.length > 1) {
      // All sprays of one colour, one after the other.
      const anchor = sprayed[pick(sprayed.length)]!;
      const colour = colourOf.get(anchor)!;
      const gathered = order.filter((b) => colourOf.get(b) === colour);
      const at = order.indexOf(random() < 0.5 ? gathered[0]! : gathered.at(-1)!);
      const before = order.slice(0, at).filter((b) => colourOf.get(b) !== colour);
      const after = order.slice(at).filter((b) => colourOf.get(b) !== colour);
      return [[...before, ...gathered, ...after], held];
    }
    if (chance < 0.26 && sprayed.length > 1) {
      const [a, b] = [order.indexOf(sprayed[pick(sprayed.length)]!), order.indexOf(sprayed[pick(sprayed.length)]!)];
      const swapped = [...order];
      [swapped[a], swapped[b]] = [swapped[b]!, swapped[a]!];
      return [swapped, held];
    }
    if (chance < 0.36) {
      // A step is held back although it could begin: its partner then comes within its greatest wait, or something fits before it.
      const from = tied.length > 0 && random() < 0.6 ? tied[pick(tied.length)]! : pick(problem.steps.length);
      const delays = new Map(held.delays);
      const placed = plan.placed[from];
      if (delays.has(from) && random() < 0.6) delays.delete(from);
      else if (placed) delays.set(from, laterThan(startOf(placed)));
      return [order, { ...held, delays }];
    }
    if (isThinning && chance < 0.5) {
      const closed = new Set(held.closed);
      if (closed.size > 0 && random() < 0.4) closed.delete([...closed][pick(closed.size)]!);
      else {
        const used = [...new Set(plan.placed.flatMap((placed) => placed?.windows ?? []))];
        if (used.length > 0) closed.add(used[pick(used.length)]!);
      }
      return [order, { ...held, closed }];
    }
    const from = pick(order.length);
    const reach = 1 + pick(random() < 0.3 ? order.length : Math.min(order.length, 12));
    const to = Math.min(order.length - 1, Math.max(0, from + (random() < 0.5 ? -reach : reach)));
    const shifted = [...order];
    const [block] = shifted.splice(from, 1);
    shifted.splice(to, 0, block!);
    return [shifted, held];
  };
  const starts = [...new Set(problem.windows.map(({ start }) => start))];
  const laterThan = (start: Instant): Instant => {
    if (random() < 0.5) return start + 1 + pick(60);
    const at = starts.findIndex((from) => from > start);
    return at < 0 ? start + 1 : starts[Math.min(starts.length - 1, at + (random() < 0.3 ? 1 : 0))]!;
  };

  const beginAt = startsOf(first);
  let best = decode(
    network.blocks.map((_, b) => b).sort((a, b) => beginAt(a) - beginAt(b)),
    { delays: new Map(), closed: new Set() },
  );
  let bestScore = scoreOf(best.plan);
  const firstScore = scoreOf(first);
  // An order by starts need not make the same plan again.
  let kept = first;
  if (best.plan.unplaced.length > 0 || isLess(firstScore, bestScore)) bestScore = firstScore;
  else kept = best.plan;
  const take = (candidate: Candidate): boolean => {
    if (candidate.plan.unplaced.length > 0) return false;
    const score = scoreOf(candidate.plan);
    if (!isLess(score, bestScore)) return false;
    [best, bestScore, kept] = [candidate, score, candidate.plan];
    return true;
  };

  /** Cools from the best plan on; stops when `done` says so, at the latest when its share of the effort is spent. */
  const cool = (rounds: number, isThinning: boolean, costOf: (plan: SerialPlan) => number, done: () => boolean) => {
    let current = best;
    let cost = costOf(current.plan);
    for (let round = 0; round < rounds; round += 1) {
      const heat = HOT * (COLD / HOT) ** (round / rounds);
      const candidate = decode(...moved(current, isThinning));
      const next = costOf(candidate.plan);
      if (next <= cost || random() < Math.exp((cost - next) / heat)) [current, cost] = [candidate, next];
      if (take(candidate) && done()) return round + 1;
    }
    return rounds;
  };

  const rounds = Math.floor(effort / open);
  let left = Math.floor(rounds * FINISH_SHARE);
  while (left > 0) {
    const target = alike.before(finishOf(network, kept));
    if (target < bound) break;
    const latest = latestStarts(network, calendar, target);
    // A few coolings rather than one long one: each ends as soon as the finish is better.
    const turns = Math.min(left, Math.max(40, Math.ceil((rounds * FINISH_SHARE) / 3)));
    left -= cool(
      turns,
      false,
      (plan) => lateness(plan, latest) + plan.timeline.loads() * 0.2,
      () => alike.before(finishOf(network, kept)) < target,
    );
  }
  const latest = latestStarts(network, calendar, alike.last(finishOf(network, kept)));
  const rest = Math.max(0, rounds - Math.floor(rounds * FINISH_SHARE) + left);
  for (let turn = 0; turn < 2; turn += 1)
    cool(
      Math.floor(rest / 2),
      true,
      (plan) =>
        lateness(plan, latest) * WEIGHTS.late +
        plan.timeline.loads() * WEIGHTS.load +
        plan.timeline.sessionsUsed() * WEIGHTS.session,
      () => false,
    );
  return kept;
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

/** Working minutes up to a moment, all sessions put end to end. */
function workingMinutes({ problem: { windows } }: Network): (at: Instant) => number {
  const until = [0];
  for (const { start, end } of windows) until.push(until.at(-1)! + end - start);
  return (at) => {
    let [low, high] = [0, windows.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (windows[middle]!.end <= at) low = middle + 1;
      else high = middle;
    }
    const window = windows[low];
    return until[low]! + (window ? Math.max(0, at - window.start) : 0);
  };
}

/** Finishes that the first aim does not tell apart: the last of them, and the last one before all of them. */
function alikeTo(aims: Aims, from: Instant) {
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
