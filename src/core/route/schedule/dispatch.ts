import type { Instant } from './problem';
import type { Sequencer, Spot, Tail } from './sequence';

/**
 * What a rule weighs of a step, all in working minutes: the slack to its latest start, time wasted before it, cleaning the airbrush, and, as one
 * sum each, that sprays of its colour are not ready yet, and that it may pause and so would fill the end of some session better.
 */
export interface Rule {
  slack: number;
  waste: number;
  cleaning: number;
  unready: number;
  pausing: number;
}

/** What a search varies: the rule, what is added to the cost of each step, and sessions in which nothing is done. */
export interface Choice {
  rule: Rule;
  bias: Float64Array;
  closed: ReadonlySet<number>;
}

/** Steps put into the sessions. */
export interface Put {
  spots: readonly Spot[];
  finish: Instant;
  loads: number;
  sessions: number;
}

/** What a plan costs beside the places tried for it, in such places. */
const OWN_COST = 60;

/** How often a partner is held back before its step is no candidate. */
const MOST_PUSHES = 30;

/**
 * Plans made from front to back: of all steps that are ready, the one that the rule finds cheapest goes next (parallel schedule generation,
 * Kolisch 1996; slack and setups in one rule as by Lee, Bhaskaran, Pinedo 1997). A step with a greatest wait behind it is begun only where all
 * that is tied to it then comes in time, and nothing goes between that would make it late.
 */
export class Dispatcher {
  /** Places tried since the beginning: what a search spends. */
  spent = 0;
  private spots: (Spot | undefined)[] = [];
  private closed: ReadonlySet<number> = new Set();
  /** Of each step: whether it comes at most so long after another. */
  private readonly isWaitedFor: readonly boolean[];

  constructor(private readonly sequencer: Sequencer) {
    this.isWaitedFor = sequencer.before.map((arcs) => arcs.some(({ maxLag }) => maxLag !== null));
  }

  /** The plan that a rule makes, steps nearer by latest start (in working minutes) first; null where it comes to a step without a place. */
  put(latest: readonly number[], { rule, bias, closed }: Choice): Put | null {
    this.closed = closed;
    this.spent += OWN_COST;
    const { steps, before, followers, paint, tied, cleanOut } = this.sequencer;
    const { isWaitedFor } = this;
    const count = steps.length;
    const missing = Int32Array.from(before, (arcs) => arcs.length);
    /** Sprays of each colour that are still to come, and those of them that are ready. */
    const remaining = new Int32Array(cleanOut.length);
    const readyOf = new Int32Array(cleanOut.length);
    const ready: number[] = [];
    this.spots = new Array<Spot | undefined>(count);
    // What does not change while a plan is made; the ready steps are kept by it, so that most need not be tried.
    const standing = steps.map((_, k) => rule.slack * latest[k]! + bias[k]!);
    /** Ready steps whose greatest wait runs. */
    const waited: number[] = [];
    const enter = (k: number) => {
      let at = ready.length;
      while (at > 0 && standing[ready[at - 1]!]! > standing[k]!) at -= 1;
      ready.splice(at, 0, k);
      if (isWaitedFor[k]) waited.push(k);
      if (paint[k]! >= 0) readyOf[paint[k]!]! += 1;
    };
    for (let k = 0; k < count; k += 1) {
      if (paint[k]! >= 0) remaining[paint[k]!]! += 1;
      if (missing[k] === 0) enter(k);
    }
    let tail = this.sequencer.first;
    for (let left = count; left > 0; left -= 1) {
      const now = this.sequencer.workedUntil(tail.free);
      let chosen: { k: number; spot: Spot; cost: number } | null = null;
      for (const k of ready) {
        if (chosen && standing[k]! >= chosen.cost) break;
        if (tied[k]!.length > 1 && !waited.includes(k) && (waited.length > 0 || !this.isWhole(k))) continue;
        const spot = this.place(k, tail);
        if (!spot || !this.leavesTime(k, spot, tail, waited)) continue;
        const waste = Math.max(0, this.sequencer.worked(spot.first, spot.start) - now - spot.clean);
        let cost = standing[k]! + rule.waste * waste + rule.cleaning * spot.clean;
        const colour = paint[k]!;
        if (spot.isLoad) cost += rule.unready * (1 - readyOf[colour]! / remaining[colour]!);
        if (steps[k]!.splittable && spot.first === spot.last) cost += rule.pausing;
        if (!chosen || cost < chosen.cost) chosen = { k, spot, cost };
      }
      if (!chosen) return null;
      const { k, spot } = chosen;
      this.spots[k] = spot;
      tail = this.sequencer.after(k, spot, tail);
      ready.splice(ready.indexOf(k), 1);
      if (isWaitedFor[k]) waited.splice(waited.indexOf(k), 1);
      if (paint[k]! >= 0) {
        remaining[paint[k]!]! -= 1;
        readyOf[paint[k]!]! -= 1;
      }
      for (const next of followers[k]!) {
        missing[next]! -= 1;
        if (missing[next] === 0) enter(next);
      }
    }
    const { free: finish, loads, sessions } = tail;
    return { spots: this.spots as Spot[], finish, loads, sessions };
  }

  /** Whether what is tied to a step waits for nothing outside. */
  private isWhole(k: number): boolean {
    const tied = this.sequencer.tied[k]!;
    return tied.every(
      (m) => this.spots[m] || this.sequencer.before[m]!.every(({ step }) => this.spots[step] || tied.includes(step)),
    );
  }

  /** Whether all that is waited for still comes in time behind a step. */
  private leavesTime(k: number, spot: Spot, tail: Tail, waited: readonly number[]): boolean {
    if (waited.length === 0 || (waited.length === 1 && waited[0] === k)) return true;
    const then = this.sequencer.after(k, spot, tail);
    this.spots[k] = spot;
    const isInTime = waited.every((other) => other === k || this.place(other, then) !== null);
    this.spots[k] = undefined;
    return isInTime;
  }

  /** Where a step lies at the earliest such that all that greatest waits tie to it comes in time; null where there is no such place. */
  private place(k: number, tail: Tail): Spot | null {
    const { sequencer, spots } = this;
    const tied = sequencer.tied[k]!;
    if (tied.length === 1) {
      this.spent += 1;
      const spot = sequencer.spot(k, sequencer.from(k, -Infinity, spots), tail, this.closed);
      return spot && spot.start <= sequencer.within[k]! ? spot : null;
    }
    const members = [k, ...tied.filter((m) => m !== k && !spots[m])];
    const floors = new Map<number, Instant>();
    for (let push = 0; push < MOST_PUSHES; push += 1) {
      const tried = this.placeAll(members, floors, tail);
      const first = spots[k]!;
      for (const m of members) spots[m] = undefined;
      if (tried === 'placed') return first;
      // What is placed already is not held back any more.
      if (tried === 'no room' || spots[tried.step]) return null;
      floors.set(tried.step, tried.until);
    }
    return null;
  }

  /** Puts steps behind one another, those that still wait for others left out. */
  private placeAll(members: readonly number[], floors: ReadonlyMap<number, Instant>, tail: Tail) {
    const { sequencer, spots } = this;
    let last = tail;
    for (const m of members) {
      if (m !== members[0] && sequencer.before[m]!.some(({ step }) => !spots[step])) continue;
      this.spent += 1;
      const spot = sequencer.spot(m, sequencer.from(m, floors.get(m) ?? -Infinity, spots), last, this.closed);
      if (!spot || spot.start > sequencer.within[m]!) return 'no room';
      const lost = sequencer.lost(m, spot, spots);
      if (lost) return lost;
      spots[m] = spot;
      last = sequencer.after(m, spot, last);
    }
    return 'placed';
  }
}
