import {
  CLEAN,
  cleanOutMinutes,
  firstEndingAfter,
  overlaps,
  type Instant,
  type PlanProblem,
  type PlanStep,
  type Span,
} from './problem';

/** One placed step. */
export interface Placed {
  step: PlanStep;
  segments: [Instant, Instant][];
  /** Minutes of clean-out directly before it. */
  clean: number;
  /** Index of the window of each segment. */
  windows: number[];
}

const startOf = (placed: Placed) => placed.segments[0]![0];
const endOf = (placed: Placed) => placed.segments.at(-1)![1];

/**
 * The person's calendar: what lies in which session, and in which order the airbrush changes colour.
 * Steps can be put into any gap and taken out again; nothing placed ever moves.
 */
export class Timeline {
  private readonly usable: Span[];
  private readonly booths: Span[][];
  private readonly busy: { from: Instant; to: Instant; placed: Placed }[][];
  /** Planned sprays in order of start. */
  private readonly sprays: Placed[] = [];
  /** Sprays already done: start and colour, in order. */
  private readonly doneSprays: { start: Instant; colour: string }[];

  /** Minutes of each session that nothing fills. */
  private readonly free: number[];

  constructor(private readonly problem: PlanProblem) {
    const now = problem.now ?? -Infinity;
    this.usable = problem.windows.map(({ start, end }) => ({ start: Math.max(start, now), end }));
    this.free = this.usable.map(({ start, end }) => Math.max(0, end - start));
    this.booths = problem.windows.map((window) => overlaps([window], problem.boothWindows));
    this.busy = problem.windows.map(() => []);
    const steps = new Map(problem.steps.map((step) => [step.id, step]));
    this.doneSprays = problem.actuals
      .flatMap(({ id, start }) => (steps.get(id)?.colour ? [{ start, colour: steps.get(id)!.colour! }] : []))
      .sort((a, b) => a.start - b.start);
  }

  /** The earliest placement at or after `notBefore`; null when the sessions hold none. Nothing is placed yet. */
  earliest(step: PlanStep, notBefore: Instant): Placed | null {
    for (let w = firstEndingAfter(this.usable, notBefore); w < this.usable.length; w += 1) {
      const found = this.inWindow(step, w, notBefore);
      if (found) return found;
    }
    return null;
  }

  place(placed: Placed): void {
    placed.segments.forEach(([from, to], i) => {
      const list = this.busy[placed.windows[i]!]!;
      const entry = { from: from - (i === 0 ? placed.clean : 0), to, placed };
      let at = list.length;
      while (at > 0 && list[at - 1]!.from > entry.from) at -= 1;
      list.splice(at, 0, entry);
      this.free[placed.windows[i]!]! -= entry.to - entry.from;
    });
    if (placed.step.colour !== null) {
      const at = this.sprayIndex(startOf(placed));
      this.sprays.splice(at, 0, placed);
      this.refreshClean(at + 1);
    }
  }

  remove(placed: Placed): void {
    for (const w of new Set(placed.windows))
      this.busy[w] = this.busy[w]!.filter((entry) => {
        if (entry.placed !== placed) return true;
        this.free[w]! += entry.to - entry.from;
        return false;
      });
    if (placed.step.colour !== null) {
      const at = this.sprays.indexOf(placed);
      this.sprays.splice(at, 1);
      this.refreshClean(at);
    }
  }

  /** How often a planned spray finds the airbrush in another colour. */
  loads(): number {
    return this.sprays.filter(
      (spray, i) => this.stateBefore(i, startOf(spray), spray.windows[0]!) !== spray.step.colour,
    ).length;
  }

  sessionsUsed(): number {
    return this.busy.filter((list) => list.length > 0).length;
  }

  private inWindow(step: PlanStep, w: number, notBefore: Instant): Placed | null {
    const window = this.usable[w]!;
    const least = step.splittable ? 1 : step.minutes;
    if (this.free[w]! < least) return null;
    const rooms = step.needsBooth ? this.booths[w]! : [window];
    let free = window.start;
    for (const entry of [...this.busy[w]!, null]) {
      const gap = { start: free, end: entry?.from ?? window.end };
      for (const room of rooms) {
        const found = this.inGap(step, w, gap, room, notBefore);
        if (found) return found;
      }
      if (entry) free = Math.max(free, entry.to);
    }
    return null;
  }

  private inGap(step: PlanStep, w: number, gap: Span, room: Span, notBefore: Instant): Placed | null {
    if (gap.end <= gap.start) return null;
    if (step.colour !== null) return this.sprayInGap(step, w, gap, room, notBefore);
    const start = Math.max(gap.start, room.start, notBefore);
    if (start + step.minutes <= Math.min(gap.end, room.end)) {
      return { step, clean: 0, segments: [[start, start + step.minutes]], windows: [w] };
    }
    const window = this.usable[w]!;
    return step.splittable && gap.end === window.end && start < window.end ? this.splitFrom(step, w, start) : null;
  }

  private splitFrom(step: PlanStep, w: number, start: Instant): Placed | null {
    const segments: [Instant, Instant][] = [[start, this.usable[w]!.end]];
    const windows = [w];
    let left = step.minutes - (this.usable[w]!.end - start);
    for (let next = w + 1; left > 0; next += 1) {
      const window = this.usable[next];
      if (!window) return null;
      const first = this.busy[next]![0];
      const room = (first?.from ?? window.end) - window.start;
      const whole = window.end - window.start;
      // It must take up the next session from its very start: all of it, or as much as is left.
      if (whole <= 0 || room < Math.min(left, whole)) return null;
      const minutes = Math.min(left, whole);
      segments.push([window.start, window.start + minutes]);
      windows.push(next);
      left -= minutes;
    }
    return { step, clean: 0, segments, windows };
  }

  private sprayInGap(step: PlanStep, w: number, gap: Span, room: Span, notBefore: Instant): Placed | null {
    const colour = step.colour!;
    // No spray lies inside a gap, so the state is that of the last spray before it.
    const at = this.sprayIndex(gap.start);
    const clean = cleanOutMinutes(this.problem.airbrush, this.stateBefore(at, gap.start, w), colour);
    const start = Math.max(gap.start + clean, room.start, notBefore);
    const end = start + step.minutes;
    if (end > Math.min(gap.end, room.end)) return null;
    const next = this.sprays[at];
    if (next && !(this.problem.airbrush?.resetEachWindow && next.windows[0] !== w)) {
      // The next spray will find this colour: its clean-out must still fit directly before it.
      const needed = cleanOutMinutes(this.problem.airbrush, colour, next.step.colour!);
      const from = startOf(next) - needed;
      if (needed > next.clean && from < this.freeBefore(next, w, end)) return null;
    }
    return { step, clean, segments: [[start, end]], windows: [w] };
  }

  /** From when on the time before a spray is free, in its session, with another step ending at `end` in window `w`. */
  private freeBefore(spray: Placed, w: number, end: Instant): Instant {
    const own = spray.windows[0]!;
    const list = this.busy[own]!;
    const at = list.findIndex((entry) => entry.placed === spray);
    const free = at > 0 ? Math.max(this.usable[own]!.start, list[at - 1]!.to) : this.usable[own]!.start;
    return own === w ? Math.max(free, end) : free;
  }

  private sprayIndex(start: Instant): number {
    let at = this.sprays.length;
    while (at > 0 && startOf(this.sprays[at - 1]!) >= start) at -= 1;
    return at;
  }

  /** The airbrush's state before the spray at `index` of the planned ones, starting at `start` in window `w`. */
  private stateBefore(index: number, start: Instant, w: number): string {
    const planned = this.sprays[index - 1];
    const done = this.lastDone(start);
    const last =
      planned && (!done || startOf(planned) >= done.start)
        ? { start: startOf(planned), colour: planned.step.colour! }
        : done;
    if (!last) return this.problem.airbrush?.initial ?? CLEAN;
    return this.problem.airbrush?.resetEachWindow && last.start < this.problem.windows[w]!.start ? CLEAN : last.colour;
  }

  private lastDone(before: Instant) {
    for (let i = this.doneSprays.length - 1; i >= 0; i -= 1)
      if (this.doneSprays[i]!.start < before) return this.doneSprays[i];
    return undefined;
  }

  private refreshClean(index: number): void {
    const spray = this.sprays[index];
    if (!spray) return;
    const w = spray.windows[0]!;
    spray.clean = cleanOutMinutes(
      this.problem.airbrush,
      this.stateBefore(index, startOf(spray), w),
      spray.step.colour!,
    );
    const entry = this.busy[w]!.find((item) => item.placed === spray)!;
    const from = startOf(spray) - spray.clean;
    this.free[w]! -= entry.from - from;
    entry.from = from;
  }
}

export { endOf, startOf };
