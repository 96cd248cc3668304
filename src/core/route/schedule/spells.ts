import type { Network } from './network';
import type { Instant } from './problem';

/** How often greatest waits are carried back and forth. */
const PASSES = 2;

/** When each step begins at the earliest, and ends at the latest. */
export interface Spells {
  heads: Instant[];
  dues: Instant[];
}

/** Earliest starts and latest ends of the open steps of a network, carried along their waits. */
export class Carrier {
  constructor(
    private readonly network: Network,
    private readonly open: readonly number[],
  ) {}

  /** Heads no earlier than those given, carried along the waits; null where a step has no place any more. */
  headsFrom(given: readonly Instant[]): Instant[] | null {
    const { done, problem } = this.network;
    const heads = [...given];
    for (let pass = 0; pass < PASSES; pass += 1) {
      for (const i of this.network.order) {
        if (done[i]) continue;
        let from = heads[i]!;
        for (const arc of this.network.before[i]!)
          from = Math.max(from, (done[arc.step]?.[1] ?? this.endFrom(arc.step, heads[arc.step]!)) + arc.minLag);
        const end = this.endFrom(i, from);
        if (end === Infinity) return null;
        heads[i] = problem.steps[i]!.splittable ? from : Math.max(from, end - problem.steps[i]!.minutes);
      }
      for (const i of this.open)
        for (const arc of this.network.before[i]!)
          if (arc.maxLag !== null && !done[arc.step] && !problem.steps[arc.step]!.splittable)
            heads[arc.step] = Math.max(heads[arc.step]!, heads[i]! - arc.maxLag - problem.steps[arc.step]!.minutes);
    }
    return heads;
  }

  /** Latest ends no later than those given; null where a step has no place any more. */
  duesBy(given: readonly Instant[], heads: readonly Instant[]): Instant[] | null {
    const { done, problem } = this.network;
    const dues = [...given];
    const latest = new Array<Instant>(problem.steps.length).fill(Infinity);
    for (let pass = 0; pass < PASSES; pass += 1) {
      for (let k = this.network.order.length - 1; k >= 0; k -= 1) {
        const i = this.network.order[k]!;
        if (done[i]) continue;
        let by = dues[i]!;
        for (const arc of this.network.after[i]!)
          if (!done[arc.step]) by = Math.min(by, latest[arc.step]! - arc.minLag);
        latest[i] = this.network.calendar.latestStart(problem.steps[i]!, by);
        if (latest[i]! < heads[i]!) return null;
        dues[i] = problem.steps[i]!.splittable ? by : Math.min(by, latest[i]! + problem.steps[i]!.minutes);
      }
      for (const i of this.open)
        for (const arc of this.network.before[i]!)
          if (arc.maxLag !== null && !problem.steps[i]!.splittable) {
            const from = done[arc.step]?.[1] ?? dues[arc.step]!;
            dues[i] = Math.min(dues[i]!, from + arc.maxLag + problem.steps[i]!.minutes);
          }
    }
    return dues;
  }

  private endFrom(i: number, from: Instant): Instant {
    return this.network.calendar.earliestEnd(this.network.problem.steps[i]!, from);
  }
}
