import { latestStarts } from './backward';
import type { Network } from './network';
import type { Instant } from './problem';
import { alikeTo, finishOf, type Aims } from './search';
import { cheapestLoads, loadsAhead } from './loads';
import { Sequencer, type Spot, type Tail } from './sequence';
import { planFrom, type SerialPlan } from './serial';

/** What a plan has to keep to be better than the one there is. */
export interface Limits {
  finish: Instant;
  loads: number;
  sessions: number;
}

export interface Found {
  /** Start of each step, by its index; null where no plan keeps the limits. */
  starts: ReadonlyMap<number, Instant> | null;
  /** False where the nodes ran out before all orders were tried or excluded. */
  isComplete: boolean;
  nodes: number;
}

/** Networks of more open steps are not tried through. */
const MOST_STEPS = 64;
/** Of one unit of effort and one open step squared: nodes, shared by the three aims. */
const NODES = 500;
/** Orders begun to find any plan at all. */
const ANY_NODES = 400;
/** What of them each question gets: a sooner finish, a later bound, fewer loads, fewer sessions. */
const SHARES = { sooner: 0.4, bound: 0.2, loads: 0.2, sessions: 0.2 };
/** How often partners are held back before an order is given up, and the search is not complete. */
const MOST_PUSHES = 400;
/** So many states are remembered for each set of done steps and colour in the airbrush. */
const REMEMBERED = 12;

/** An order begun: each step at its earliest place behind the one before it. */
interface Begun {
  /** Steps begun, as bits. */
  mask: bigint;
  /** Of each step: how many that it waits for are not begun. */
  missing: Uint16Array;
  order: readonly number[];
  spots: readonly (Spot | undefined)[];
  /** Steps held back so that a partner comes within its greatest wait. */
  floors: readonly Instant[];
  tail: Tail;
}

const NONE: ReadonlySet<number> = new Set();

/**
 * All orders in which one person could begin the open steps, depth first, each step at its earliest place (delayed only where a greatest
 * wait asks for it), until one keeps the limits or all are excluded. An order is given up when the steps left, carried along their waits, end
 * too late one by one, or together when worked earliest due date first with pauses allowed (Jackson 1955); when colours or sessions left are
 * too many; when something would have fitted into a gap left open; or when the same steps were done before with everything at least as early.
 */
export function orderWithin(network: Network, limits: Limits, mostNodes: number): Found {
  const sequencer = new Sequencer(network);
  const { open, steps, before, followers, rooms, releases, paint } = sequencer;
  const place = new Map(open.map((i, k) => [i, k]));
  /** Steps that a greatest wait allows only so long after this one. */
  const partners = open.map((i) =>
    network.after[i]!.flatMap(({ step, maxLag }) => (maxLag !== null && place.has(step) ? [place.get(step)!] : [])),
  );
  const latest = latestStarts(network, limits.finish);
  const starts = open.map((i, k) => Math.min(latest[i]!, sequencer.within[k]!));
  const dues = open.map((i, k) =>
    steps[k]!.splittable ? dueOf(i) : Math.min(dueOf(i), starts[k]! + steps[k]!.minutes),
  );
  const byDue = open.map((_, k) => k).sort((a, b) => dues[a]! - dues[b]!);
  const working = (at: Instant) => sequencer.workedUntil(at);
  const workDues = dues.map(working);
  const { resets } = sequencer;
  const countsSessions = limits.sessions < Infinity;
  const choosesSessions = countsSessions || resets;
  const cheapest = cheapestLoads(sequencer);
  const colours = cheapest.length;
  /** Loads of each colour that the longest line of waits from each step on asks for, with another colour in the airbrush, or this one. */
  const [empty, loaded] = loadsAhead(sequencer);
  const ahead = sessionsAhead();
  const memory = new Map<string, { node: Begun; heads: Float64Array }[]>();
  let nodes = 0;
  let isComplete = true;

  const root: Begun = {
    mask: 0n,
    missing: Uint16Array.from(before, (arcs) => arcs.length),
    order: [],
    spots: steps.map(() => undefined),
    floors: steps.map(() => -Infinity),
    tail: sequencer.first,
  };
  const goal = search(root);
  return {
    starts: goal && new Map(goal.order.map((k) => [open[k]!, goal.spots[k]!.start])),
    isComplete: isComplete || goal !== null,
    nodes,
  };

  function dueOf(i: number): Instant {
    let by = limits.finish;
    for (const { step, minLag } of network.after[i]!)
      if (!network.done[step]) by = Math.min(by, latest[step]! - minLag);
    return by;
  }

  /** The earliest place behind everything begun; null when the sessions hold none that is in time. */
  function earliest(node: Begun, k: number): Spot | null {
    const spot = sequencer.spot(k, sequencer.from(k, node.floors[k]!, node.spots), node.tail, NONE);
    return spot && spot.end <= dues[k]! && spot.start <= starts[k]! ? spot : null;
  }

  function begun(node: Begun, k: number, spot: Spot): Begun {
    const missing = node.missing.slice();
    for (const follower of followers[k]!) missing[follower]! -= 1;
    return {
      mask: node.mask | (1n << BigInt(k)),
      missing,
      order: [...node.order, k],
      spots: node.spots.with(k, spot),
      floors: node.floors,
      tail: sequencer.after(k, spot, node.tail),
    };
  }

  /** The node with step `k` next; earlier partners are held back until every greatest wait holds. */
  function next(from: Begun, k: number, spot: Spot): Begun | null {
    // A session that was closed early keeps the next step out of it, also when earlier ones are held back.
    const last = from.order.at(-1);
    const end = last === undefined ? root.tail.free : from.spots[last]!.end;
    const closed = from.tail.free > end ? from.tail.free : -Infinity;
    let node = begun({ ...from, floors: from.floors.with(k, Math.max(from.floors[k]!, closed)) }, k, spot);
    for (let push = 0; push < MOST_PUSHES; push += 1) {
      const lost = firstLost(node);
      if (!lost) return node;
      let again: Begun = { ...root, floors: node.floors.with(lost.step, lost.until) };
      for (const step of node.order) {
        const found = earliest(again, step);
        if (!found) return null;
        again = begun(again, step, found);
      }
      node = again;
    }
    isComplete = false;
    return null;
  }

  function firstLost(node: Begun) {
    for (const k of node.order) {
      const lost = sequencer.lost(k, node.spots[k]!, node.spots);
      if (lost) return lost;
    }
    return undefined;
  }

  function search(node: Begun, isResting = false): Begun | null {
    if (node.order.length === steps.length) return node;
    nodes += 1;
    if (nodes > mostNodes) {
      isComplete = false;
      return null;
    }
    const isClosed = !node.order.some((k) => partners[k]!.some((other) => !node.spots[other]));
    // At rest it is the same node as before, only later.
    if (isHopeless(node) || (isClosed && !isResting && isKnown(node))) return null;
    const spots: [number, Spot][] = [];
    for (const k of byDue) {
      if (node.spots[k] || node.missing[k]! > 0) continue;
      const spot = earliest(node, k);
      if (spot) spots.push([k, spot]);
    }
    const here = sessionOf(node);
    if (limits.loads < Infinity) {
      const own = sequencer.stateIn(node.tail, here);
      spots.sort(([a], [b]) => Number(paint[b] === own) - Number(paint[a] === own));
    }
    for (const [k, spot] of spots) {
      if (choosesSessions && spot.first > here) continue;
      // Something fits wholly before it, is in nobody's way there, and asks for no session of its own.
      const gap = spot.start - spot.clean;
      if (
        spots.some(
          ([other, { end, first, last }]) =>
            other !== k &&
            end <= gap &&
            steps[other]!.colour === null &&
            partners[other]!.length === 0 &&
            (!countsSessions || [first, last].every((w) => w === usedOf(node) || w === spot.first)),
        )
      )
        continue;
      const child = next(node, k, spot);
      if (!child) continue;
      const { loads, sessions, free } = child.tail;
      if (loads > limits.loads || sessions > limits.sessions || free > limits.finish) continue;
      const goal = search(child);
      if (goal) return goal;
      if (nodes > mostNodes) return null;
    }
    if (!choosesSessions) return null;
    // Nothing more in this session, although there would be room.
    const later = here + 1;
    return later < rooms.length && rooms[later]!.start < limits.finish
      ? search({ ...node, tail: { ...node.tail, free: Math.max(node.tail.free, rooms[later]!.start) } }, true)
      : null;
  }

  /** The session at which work stands; the last one in which some was done, -1 before any. */
  function sessionOf({ tail }: Begun): number {
    return sequencer.sessionAfter(tail.free, tail.session);
  }
  function usedOf({ tail }: Begun): number {
    return tail.sessions > 0 ? tail.session : -1;
  }

  function isHopeless(node: Begun): boolean {
    const { tail } = node;
    const ends = new Float64Array(steps.length);
    const heads = new Float64Array(steps.length);
    const sprays = new Uint16Array(colours);
    const loads = new Uint16Array(colours);
    const own = sequencer.stateIn(tail, sessionOf(node));
    let sessionsLeft = 0;
    let minutes = 0;
    for (let k = 0; k < steps.length; k += 1) {
      if (node.spots[k]) continue;
      let from = Math.max(releases[k]!, node.floors[k]!, tail.free);
      for (const { step, minLag } of before[k]!) from = Math.max(from, (node.spots[step]?.end ?? ends[step]!) + minLag);
      const end = network.calendar.earliestEnd(steps[k]!, from);
      if (end > dues[k]!) return true;
      ends[k] = end;
      heads[k] = steps[k]!.splittable ? from : end - steps[k]!.minutes;
      minutes += steps[k]!.minutes;
      if (paint[k]! >= 0) sprays[paint[k]!]! += 1;
      for (let c = 0; c < colours; c += 1) loads[c] = Math.max(loads[c]!, (c === own ? loaded : empty)[c]![k]!);
      if (countsSessions) {
        const isAnother = sequencer.sessionAfter(heads[k]!, tail.session) > usedOf(node);
        sessionsLeft = Math.max(sessionsLeft, ahead[k]! + (isAnother ? 1 : 0));
      }
    }
    let loadsLeft = 0;
    let cleaning = 0;
    for (let c = 0; c < colours; c += 1) {
      loadsLeft += loads[c]!;
      cleaning += loads[c]! * cheapest[c]!;
    }
    if (tail.loads + loadsLeft > limits.loads) return true;
    if (countsSessions && tail.sessions + Math.max(sessionsLeft, leastSessions(node, minutes)) > limits.sessions)
      return true;
    // Earliest due date first, pauses allowed, with the clean-out of a colour that is sprayed only once more.
    const single = (k: number) =>
      paint[k]! >= 0 && sprays[paint[k]!] === 1 ? loads[paint[k]!]! * cheapest[paint[k]!]! : 0;
    const begin = working(tail.free);
    if (begin + minutes + cleaning > working(limits.finish) + 1e-9) return true;
    let at = begin;
    const left = steps.map((step, k) => (node.spots[k] ? 0 : step.minutes + single(k)));
    const ready = steps.map((_, k) => (node.spots[k] ? 0 : working(heads[k]!) - single(k)));
    for (;;) {
      let chosen = -1;
      let soonest = Infinity;
      for (const k of byDue) {
        if (left[k] === 0) continue;
        if (ready[k]! > at) soonest = Math.min(soonest, ready[k]!);
        else if (chosen < 0) chosen = k;
      }
      if (chosen < 0) {
        if (soonest === Infinity) return false;
        at = soonest;
        continue;
      }
      const run = Math.min(left[chosen]!, soonest - at);
      at += run;
      left[chosen]! -= run;
      if (left[chosen] === 0 && at > workDues[chosen]! + 1e-9) return true;
    }
  }

  /** The fewest further sessions that so many minutes take, the longest first. */
  function leastSessions(node: Begun, minutes: number): number {
    let left = minutes;
    const used = usedOf(node);
    if (used >= 0) left -= Math.max(0, rooms[used]!.end - Math.max(node.tail.free, rooms[used]!.start));
    const lengths: number[] = [];
    for (let w = Math.max(used + 1, sessionOf(node)); w < rooms.length && rooms[w]!.start < limits.finish; w += 1)
      lengths.push(rooms[w]!.end - rooms[w]!.start);
    lengths.sort((a, b) => b - a);
    let count = 0;
    while (left > 0 && count < lengths.length) left -= lengths[count++]!;
    return count;
  }

  /** Of each step: how many more sessions its longest line of waits asks for behind its own. */
  function sessionsAhead(): number[] {
    const longest = Math.max(0, ...rooms.map(({ start, end }) => end - start));
    const counts = steps.map(() => 0);
    for (let k = steps.length - 1; k >= 0; k -= 1)
      for (const { step, minLag } of before[k]!) {
        const isApart =
          minLag + steps[k]!.minutes + (steps[step]!.splittable ? 0 : steps[step]!.minutes) > longest &&
          !steps[k]!.splittable;
        counts[step] = Math.max(counts[step]!, counts[k]! + (isApart ? 1 : 0));
      }
    return counts;
  }

  /** Whether the same steps were done before with everything at least as early and as cheap; remembers the node otherwise. */
  function isKnown(node: Begun): boolean {
    const { tail } = node;
    const key = `${node.mask} ${tail.state}${resets ? ` ${tail.sprayedIn}` : ''}`;
    const heads = new Float64Array(steps.length);
    for (let k = 0; k < steps.length; k += 1) {
      if (node.spots[k]) continue;
      let from = tail.free;
      for (const { step, minLag } of before[k]!) {
        const earlier = node.spots[step];
        if (earlier) from = Math.max(from, earlier.end + minLag);
      }
      heads[k] = from;
    }
    const list = memory.get(key) ?? [];
    const isNoLater = (a: Float64Array, b: Float64Array) => a.every((from, k) => from <= b[k]!);
    const isNoDearer = (a: Begun, b: Begun) =>
      a.tail.free <= b.tail.free &&
      (limits.loads === Infinity || a.tail.loads <= b.tail.loads) &&
      (!countsSessions || a.tail.sessions + (usedOf(a) < usedOf(b) ? 1 : 0) <= b.tail.sessions);
    if (list.some((one) => isNoDearer(one.node, node) && isNoLater(one.heads, heads))) return true;
    const kept = list.filter((one) => !(isNoDearer(node, one.node) && isNoLater(heads, one.heads)));
    if (kept.length < REMEMBERED) kept.push({ node, heads });
    memory.set(key, kept);
    return false;
  }
}

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
