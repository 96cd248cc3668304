import type { Network } from './network';
import { overlaps, type Instant, type PlanProblem, type PlanStep, type Span } from './problem';

/** Forward or backward through the sessions as if they held nothing else. */
export class Calendar {
  private readonly booth: Span[];
  private readonly work: Span[];

  constructor(problem: PlanProblem) {
    const now = problem.now ?? -Infinity;
    this.work = problem.windows
      .map(({ start, end }) => ({ start: Math.max(start, now), end }))
      .filter(({ start, end }) => end > start);
    this.booth = overlaps(this.work, problem.boothWindows);
  }

  /** The earliest end of a step that may start from `from` on; Infinity when the sessions end first. */
  earliestEnd(step: PlanStep, from: Instant): Instant {
    if (step.splittable && !step.needsBooth) return this.advance(from, step.minutes);
    for (const room of this.rooms(step)) {
      const end = Math.max(room.start, from) + step.minutes;
      if (end <= room.end) return end;
    }
    return Infinity;
  }

  /** When `minutes` of work that begin at `from` are done, whatever they are cut into. */
  advance(from: Instant, minutes: number): Instant {
    let left = minutes;
    for (const { start, end } of this.work) {
      const begin = Math.max(start, from);
      if (begin >= end) continue;
      if (left <= end - begin) return begin + left;
      left -= end - begin;
    }
    return Infinity;
  }

  /** The latest start of a step that ends by `by`; -Infinity when none does. */
  latestStart(step: PlanStep, by: Instant): Instant {
    if (step.splittable && !step.needsBooth) {
      let left = step.minutes;
      for (let i = this.work.length - 1; i >= 0; i -= 1) {
        const { start, end } = this.work[i]!;
        const last = Math.min(end, by);
        if (last <= start) continue;
        if (left <= last - start) return last - left;
        left -= last - start;
      }
      return -Infinity;
    }
    const rooms = this.rooms(step);
    for (let i = rooms.length - 1; i >= 0; i -= 1) {
      const start = Math.min(rooms[i]!.end, by) - step.minutes;
      if (start >= rooms[i]!.start) return start;
    }
    return -Infinity;
  }

  private rooms(step: PlanStep): readonly Span[] {
    return step.needsBooth ? this.booth : this.work;
  }
}

/** Latest start of each open step for a finish at `finish`, backward through the calendar: the priority of the serial scheme. */
export function latestStarts(network: Network, calendar: Calendar, finish: Instant): number[] {
  const latest = network.problem.steps.map(() => Infinity);
  for (const i of [...network.order].reverse()) {
    if (network.done[i]) continue;
    let by = finish;
    for (const arc of network.after[i]!) {
      if (!network.done[arc.step]) by = Math.min(by, latest[arc.step]! - arc.minLag);
    }
    latest[i] = calendar.latestStart(network.problem.steps[i]!, by);
    for (const arc of network.before[i]!) {
      const done = network.done[arc.step];
      if (done && arc.maxLag !== null) latest[i] = Math.min(latest[i]!, done[1] + arc.maxLag);
    }
  }
  return latest;
}

/** Earliest end of each step with no competition for the person: heads for the bound. */
export function earliestEnds(network: Network, calendar: Calendar): number[] {
  const ends = network.problem.steps.map(() => -Infinity);
  for (const i of network.order) {
    const done = network.done[i];
    if (done) {
      ends[i] = done[1];
      continue;
    }
    let from = network.problem.now ?? -Infinity;
    for (const arc of network.before[i]!) from = Math.max(from, ends[arc.step]! + arc.minLag);
    ends[i] = calendar.earliestEnd(network.problem.steps[i]!, from);
  }
  return ends;
}
