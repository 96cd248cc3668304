import { latestStarts } from './backward';
import { cheapestLoads, loadsAhead } from './loads';
import type { Network } from './network';
import type { Instant } from './problem';
import { Sequencer, type Spot, type Tail } from './sequence';

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
  return new Orders(network, limits, mostNodes).found();
}

/** The search through the orders of one network for one set of limits. Steps are named by their place among the open ones. */
class Orders {
  private readonly sequencer: Sequencer;
  private readonly steps: Sequencer['steps'];
  private readonly rooms: Sequencer['rooms'];
  private readonly before: Sequencer['before'];
  private readonly followers: Sequencer['followers'];
  private readonly releases: Sequencer['releases'];
  private readonly paint: Sequencer['paint'];
  /** Steps that a greatest wait allows only so long after this one. */
  private readonly partners: readonly (readonly number[])[];
  /** Of each step of the network: its latest start by its waits; of each open step: its own latest start, and when it has to be done. */
  private readonly latest: readonly Instant[];
  private readonly starts: readonly Instant[];
  private readonly dues: readonly Instant[];
  private readonly byDue: readonly number[];
  private readonly workDues: readonly number[];
  private readonly countsSessions: boolean;
  private readonly choosesSessions: boolean;
  private readonly cheapest: readonly number[];
  private readonly colours: number;
  /** Loads of each colour that the longest line of waits from each step on asks for, with another colour in the airbrush, or this one. */
  private readonly empty: ReturnType<typeof loadsAhead>[0];
  private readonly loaded: ReturnType<typeof loadsAhead>[1];
  private readonly ahead: readonly number[];
  private readonly memory = new Map<string, { node: Begun; heads: Float64Array }[]>();
  private readonly root: Begun;
  private nodes = 0;
  private isComplete = true;

  constructor(
    private readonly network: Network,
    private readonly limits: Limits,
    private readonly mostNodes: number,
  ) {
    const sequencer = new Sequencer(network);
    const { open, steps, before } = sequencer;
    this.sequencer = sequencer;
    ({ rooms: this.rooms, followers: this.followers, releases: this.releases, paint: this.paint } = sequencer);
    [this.steps, this.before] = [steps, before];
    const place = new Map(open.map((i, k) => [i, k]));
    this.partners = open.map((i) =>
      network.after[i]!.flatMap(({ step, maxLag }) => (maxLag !== null && place.has(step) ? [place.get(step)!] : [])),
    );
    this.latest = latestStarts(network, limits.finish);
    this.starts = open.map((i, k) => Math.min(this.latest[i]!, sequencer.within[k]!));
    this.dues = open.map((i, k) =>
      steps[k]!.splittable ? this.dueOf(i) : Math.min(this.dueOf(i), this.starts[k]! + steps[k]!.minutes),
    );
    this.byDue = open.map((_, k) => k).sort((a, b) => this.dues[a]! - this.dues[b]!);
    this.workDues = this.dues.map((due) => sequencer.workedUntil(due));
    this.countsSessions = limits.sessions < Infinity;
    this.choosesSessions = this.countsSessions || sequencer.resets;
    this.cheapest = cheapestLoads(sequencer);
    this.colours = this.cheapest.length;
    [this.empty, this.loaded] = loadsAhead(sequencer);
    this.ahead = this.sessionsAhead();
    this.root = {
      mask: 0n,
      missing: Uint16Array.from(before, (arcs) => arcs.length),
      order: [],
      spots: steps.map(() => undefined),
      floors: steps.map(() => -Infinity),
      tail: sequencer.first,
    };
  }

  found(): Found {
    const goal = this.search(this.root);
    return {
      starts: goal && new Map(goal.order.map((k) => [this.sequencer.open[k]!, goal.spots[k]!.start])),
      isComplete: this.isComplete || goal !== null,
      nodes: this.nodes,
    };
  }

  private dueOf(i: number): Instant {
    let by = this.limits.finish;
    for (const { step, minLag } of this.network.after[i]!)
      if (!this.network.done[step]) by = Math.min(by, this.latest[step]! - minLag);
    return by;
  }

  /** The earliest place behind everything begun; null when the sessions hold none that is in time. */
  private earliest(node: Begun, k: number): Spot | null {
    const spot = this.sequencer.spot(k, this.sequencer.from(k, node.floors[k]!, node.spots), node.tail, NONE);
    return spot && spot.end <= this.dues[k]! && spot.start <= this.starts[k]! ? spot : null;
  }

  private begun(node: Begun, k: number, spot: Spot): Begun {
    const missing = node.missing.slice();
    for (const follower of this.followers[k]!) missing[follower]! -= 1;
    return {
      mask: node.mask | (1n << BigInt(k)),
      missing,
      order: [...node.order, k],
      spots: node.spots.with(k, spot),
      floors: node.floors,
      tail: this.sequencer.after(k, spot, node.tail),
    };
  }

  /** The node with step `k` next; earlier partners are held back until every greatest wait holds. */
  private next(from: Begun, k: number, spot: Spot): Begun | null {
    // A session that was closed early keeps the next step out of it, also when earlier ones are held back.
    const last = from.order.at(-1);
    const end = last === undefined ? this.root.tail.free : from.spots[last]!.end;
    const closed = from.tail.free > end ? from.tail.free : -Infinity;
    let node = this.begun({ ...from, floors: from.floors.with(k, Math.max(from.floors[k]!, closed)) }, k, spot);
    for (let push = 0; push < MOST_PUSHES; push += 1) {
      const lost = this.firstLost(node);
      if (!lost) return node;
      let again: Begun = { ...this.root, floors: node.floors.with(lost.step, lost.until) };
      for (const step of node.order) {
        const found = this.earliest(again, step);
        if (!found) return null;
        again = this.begun(again, step, found);
      }
      node = again;
    }
    this.isComplete = false;
    return null;
  }

  private firstLost(node: Begun) {
    for (const k of node.order) {
      const lost = this.sequencer.lost(k, node.spots[k]!, node.spots);
      if (lost) return lost;
    }
    return undefined;
  }

  private search(node: Begun, isResting = false): Begun | null {
    if (node.order.length === this.steps.length) return node;
    this.nodes += 1;
    if (this.nodes > this.mostNodes) {
      this.isComplete = false;
      return null;
    }
    const isClosed = !node.order.some((k) => this.partners[k]!.some((other) => !node.spots[other]));
    // At rest it is the same node as before, only later.
    if (this.isHopeless(node) || (isClosed && !isResting && this.isKnown(node))) return null;
    const spots: [number, Spot][] = [];
    for (const k of this.byDue) {
      if (node.spots[k] || node.missing[k]! > 0) continue;
      const spot = this.earliest(node, k);
      if (spot) spots.push([k, spot]);
    }
    const here = this.sessionOf(node);
    if (this.limits.loads < Infinity) {
      const own = this.sequencer.stateIn(node.tail, here);
      spots.sort(([a], [b]) => Number(this.paint[b] === own) - Number(this.paint[a] === own));
    }
    for (const [k, spot] of spots) {
      if (this.choosesSessions && spot.first > here) continue;
      // Something fits wholly before it, is in nobody's way there, and asks for no session of its own.
      const gap = spot.start - spot.clean;
      if (
        spots.some(
          ([other, { end, first, last }]) =>
            other !== k &&
            end <= gap &&
            this.steps[other]!.colour === null &&
            this.partners[other]!.length === 0 &&
            (!this.countsSessions || [first, last].every((w) => w === this.usedOf(node) || w === spot.first)),
        )
      )
        continue;
      const child = this.next(node, k, spot);
      if (!child) continue;
      const { loads, sessions, free } = child.tail;
      if (loads > this.limits.loads || sessions > this.limits.sessions || free > this.limits.finish) continue;
      const goal = this.search(child);
      if (goal) return goal;
      if (this.nodes > this.mostNodes) return null;
    }
    if (!this.choosesSessions) return null;
    // Nothing more in this session, although there would be room.
    const later = here + 1;
    return later < this.rooms.length && this.rooms[later]!.start < this.limits.finish
      ? this.search({ ...node, tail: { ...node.tail, free: Math.max(node.tail.free, this.rooms[later]!.start) } }, true)
      : null;
  }

  /** The session at which work stands; the last one in which some was done, -1 before any. */
  private sessionOf({ tail }: Begun): number {
    return this.sequencer.sessionAfter(tail.free, tail.session);
  }

  private usedOf({ tail }: Begun): number {
    return tail.sessions > 0 ? tail.session : -1;
  }

  private isHopeless(node: Begun): boolean {
    const { tail } = node;
    const ends = new Float64Array(this.steps.length);
    const heads = new Float64Array(this.steps.length);
    const sprays = new Uint16Array(this.colours);
    const loads = new Uint16Array(this.colours);
    const own = this.sequencer.stateIn(tail, this.sessionOf(node));
    let sessionsLeft = 0;
    let minutes = 0;
    for (let k = 0; k < this.steps.length; k += 1) {
      if (node.spots[k]) continue;
      let from = Math.max(this.releases[k]!, node.floors[k]!, tail.free);
      for (const { step, minLag } of this.before[k]!)
        from = Math.max(from, (node.spots[step]?.end ?? ends[step]!) + minLag);
      const end = this.network.calendar.earliestEnd(this.steps[k]!, from);
      if (end > this.dues[k]!) return true;
      ends[k] = end;
      heads[k] = this.steps[k]!.splittable ? from : end - this.steps[k]!.minutes;
      minutes += this.steps[k]!.minutes;
      if (this.paint[k]! >= 0) sprays[this.paint[k]!]! += 1;
      for (let c = 0; c < this.colours; c += 1)
        loads[c] = Math.max(loads[c]!, (c === own ? this.loaded : this.empty)[c]![k]!);
      if (this.countsSessions) {
        const isAnother = this.sequencer.sessionAfter(heads[k]!, tail.session) > this.usedOf(node);
        sessionsLeft = Math.max(sessionsLeft, this.ahead[k]! + (isAnother ? 1 : 0));
      }
    }
    let loadsLeft = 0;
    let cleaning = 0;
    for (let c = 0; c < this.colours; c += 1) {
      loadsLeft += loads[c]!;
      cleaning += loads[c]! * this.cheapest[c]!;
    }
    if (tail.loads + loadsLeft > this.limits.loads) return true;
    if (
      this.countsSessions &&
      tail.sessions + Math.max(sessionsLeft, this.leastSessions(node, minutes)) > this.limits.sessions
    )
      return true;
    const single = (k: number) =>
      this.paint[k]! >= 0 && sprays[this.paint[k]!] === 1 ? loads[this.paint[k]!]! * this.cheapest[this.paint[k]!]! : 0;
    const working = (at: Instant) => this.sequencer.workedUntil(at);
    if (working(tail.free) + minutes + cleaning > working(this.limits.finish) + 1e-9) return true;
    return this.isOverdue(node, heads, single);
  }

  /** Earliest due date first, pauses allowed, with the clean-out (`cleaning`, minutes) of a colour that is sprayed only once more. */
  private isOverdue(node: Begun, heads: Float64Array, cleaning: (k: number) => number): boolean {
    let at = this.sequencer.workedUntil(node.tail.free);
    const left = this.steps.map((step, k) => (node.spots[k] ? 0 : step.minutes + cleaning(k)));
    const ready = this.steps.map((_, k) => (node.spots[k] ? 0 : this.sequencer.workedUntil(heads[k]!) - cleaning(k)));
    for (;;) {
      let chosen = -1;
      let soonest = Infinity;
      for (const k of this.byDue) {
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
      if (left[chosen] === 0 && at > this.workDues[chosen]! + 1e-9) return true;
    }
  }

  /** The fewest further sessions that so many minutes take, the longest first. */
  private leastSessions(node: Begun, minutes: number): number {
    let left = minutes;
    const used = this.usedOf(node);
    if (used >= 0) left -= Math.max(0, this.rooms[used]!.end - Math.max(node.tail.free, this.rooms[used]!.start));
    const lengths: number[] = [];
    for (
      let w = Math.max(used + 1, this.sessionOf(node));
      w < this.rooms.length && this.rooms[w]!.start < this.limits.finish;
      w += 1
    )
      lengths.push(this.rooms[w]!.end - this.rooms[w]!.start);
    lengths.sort((a, b) => b - a);
    let count = 0;
    while (left > 0 && count < lengths.length) left -= lengths[count++]!;
    return count;
  }

  /** Of each step: how many more sessions its longest line of waits asks for behind its own. */
  private sessionsAhead(): number[] {
    const longest = Math.max(0, ...this.rooms.map(({ start, end }) => end - start));
    const counts = this.steps.map(() => 0);
    for (let k = this.steps.length - 1; k >= 0; k -= 1)
      for (const { step, minLag } of this.before[k]!) {
        const isApart =
          minLag + this.steps[k]!.minutes + (this.steps[step]!.splittable ? 0 : this.steps[step]!.minutes) > longest &&
          !this.steps[k]!.splittable;
        counts[step] = Math.max(counts[step]!, counts[k]! + (isApart ? 1 : 0));
      }
    return counts;
  }

  /** Whether the same steps were done before with everything at least as early and as cheap; remembers the node otherwise. */
  private isKnown(node: Begun): boolean {
    const { tail } = node;
    const key = `${node.mask} ${tail.state}${this.sequencer.resets ? ` ${tail.sprayedIn}` : ''}`;
    const heads = new Float64Array(this.steps.length);
    for (let k = 0; k < this.steps.length; k += 1) {
      if (node.spots[k]) continue;
      let from = tail.free;
      for (const { step, minLag } of this.before[k]!) {
        const earlier = node.spots[step];
        if (earlier) from = Math.max(from, earlier.end + minLag);
      }
      heads[k] = from;
    }
    const list = this.memory.get(key) ?? [];
    const isNoLater = (a: Float64Array, b: Float64Array) => a.every((from, k) => from <= b[k]!);
    const isNoDearer = (a: Begun, b: Begun) =>
      a.tail.free <= b.tail.free &&
      (this.limits.loads === Infinity || a.tail.loads <= b.tail.loads) &&
      (!this.countsSessions || a.tail.sessions + (this.usedOf(a) < this.usedOf(b) ? 1 : 0) <= b.tail.sessions);
    if (list.some((one) => isNoDearer(one.node, node) && isNoLater(one.heads, heads))) return true;
    const kept = list.filter((one) => !(isNoDearer(node, one.node) && isNoLater(heads, one.heads)));
    if (kept.length < REMEMBERED) kept.push({ node, heads });
    this.memory.set(key, kept);
    return false;
  }
}
