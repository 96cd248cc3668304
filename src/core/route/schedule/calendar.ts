import { firstEndingAfter, overlaps, type Instant, type PlanProblem, type PlanStep, type Span } from './problem';

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
    const rooms = this.rooms(step);
    for (let i = firstEndingAfter(rooms, from); i < rooms.length; i += 1) {
      const end = Math.max(rooms[i]!.start, from) + step.minutes;
      if (end <= rooms[i]!.end) return end;
    }
    return Infinity;
  }

  /** When `minutes` of work that begin at `from` are done, whatever they are cut into. */
  advance(from: Instant, minutes: number): Instant {
    let left = minutes;
    for (let i = firstEndingAfter(this.work, from); i < this.work.length; i += 1) {
      const { start, end } = this.work[i]!;
      const begin = Math.max(start, from);
      if (left <= end - begin) return begin + left;
      left -= end - begin;
    }
    return Infinity;
  }

  /** The latest start of a step that ends by `by`; -Infinity when none does. */
  latestStart(step: PlanStep, by: Instant): Instant {
    if (step.splittable && !step.needsBooth) {
      let left = step.minutes;
      for (let i = Math.min(firstEndingAfter(this.work, by), this.work.length - 1); i >= 0; i -= 1) {
        const { start, end } = this.work[i]!;
        const last = Math.min(end, by);
        if (last <= start) continue;
        if (left <= last - start) return last - left;
        left -= last - start;
      }
      return -Infinity;
    }
    const rooms = this.rooms(step);
    for (let i = Math.min(firstEndingAfter(rooms, by), rooms.length - 1); i >= 0; i -= 1) {
      const start = Math.min(rooms[i]!.end, by) - step.minutes;
      if (start >= rooms[i]!.start) return start;
    }
    return -Infinity;
  }

  private rooms(step: PlanStep): readonly Span[] {
    return step.needsBooth ? this.booth : this.work;
  }
}

/** The least start from which a step that lies so ends at least `late` minutes later. */
export function heldBack(calendar: Calendar, step: PlanStep, { start, end }: Span, late: number): Instant {
  // One that may pause ends by working time, not by the clock.
  return step.splittable ? Math.max(start + 1, calendar.latestStart(step, end + late - 1) + 1) : start + late;
}
