import { heldBack } from './calendar';
import type { Network } from './network';
import { CLEAN, cleanOutMinutes, firstEndingAfter, overlaps, type Instant, type PlanStep, type Span } from './problem';

/**
 * The plan of one person as what it is: an order of the open steps, each begun at its earliest place behind the one before it. Steps are
 * numbered in the order of the network.
 */
export class Sequencer {
  /** Index in the problem of each step. */
  readonly open: readonly number[];
  readonly before: readonly { step: number; minLag: number; maxLag: number | null }[][];
  /** Of each step: those that greatest waits tie to it, itself among them. */
  readonly tied: readonly (readonly number[])[];
  readonly followers: readonly (readonly number[])[];
  readonly steps: readonly PlanStep[];
  /** Not before this, for what is done; and to be begun by this, for what is done. */
  readonly releases: readonly Instant[];
  readonly within: readonly Instant[];
  readonly rooms: Span[];
  /** Working minutes before each session. */
  private readonly until: number[] = [0];
  private readonly spaces: readonly (readonly Span[])[][];
  /** Colours by number; 0 is clean. */
  readonly paint: Int32Array;
  readonly cleanOut: number[][];
  /** How things stand before anything open is begun. */
  readonly first: Tail;
  readonly resets: boolean;

  constructor(private readonly network: Network) {
    const { problem, done } = network;
    this.open = network.order.filter((i) => !done[i]);
    const steps = this.open.map((i) => problem.steps[i]!);
    const place = new Map(this.open.map((i, k) => [i, k]));
    const now = problem.now ?? -Infinity;
    this.rooms = problem.windows.map(({ start, end }) => ({ start: Math.max(start, now), end }));
    for (const { start, end } of this.rooms) this.until.push(this.until.at(-1)! + Math.max(0, end - start));
    const booths = problem.windows.map((window) => overlaps([window], problem.boothWindows));
    const whole = this.rooms.map((room) => [room]);
    this.spaces = steps.map(({ needsBooth }) => (needsBooth ? booths : whole));
    this.before = this.open.map((i) =>
      network.before[i]!.flatMap((arc) => (done[arc.step] ? [] : [{ ...arc, step: place.get(arc.step)! }])),
    );
    this.followers = this.open.map((i) =>
      network.after[i]!.flatMap(({ step }) => (done[step] ? [] : [place.get(step)!])),
    );
    this.tied = this.open.map((i) => network.blocks[network.blockOf[i]!]!.map((other) => place.get(other)!));
    this.releases = this.open.map((i) =>
      Math.max(now, ...network.before[i]!.map(({ step, minLag }) => (done[step] ? done[step][1] + minLag : -Infinity))),
    );
    this.within = this.open.map((i) =>
      Math.min(
        Infinity,
        ...network.before[i]!.map(({ step, maxLag }) =>
          done[step] && maxLag !== null ? done[step][1] + maxLag : Infinity,
        ),
      ),
    );
    this.steps = steps;
    const initial = problem.airbrush?.initial ?? CLEAN;
    const states = [
      ...new Set([CLEAN, initial, ...problem.steps.flatMap(({ colour }) => (colour === null ? [] : [colour]))]),
    ];
    this.paint = Int32Array.from(steps, ({ colour }) => (colour === null ? -1 : states.indexOf(colour)));
    this.cleanOut = states.map((from) => states.map((to) => cleanOutMinutes(problem.airbrush, from, to)));
    this.resets = problem.airbrush?.resetEachWindow ?? false;
    const colours = new Map(problem.steps.map(({ id, colour }) => [id, colour]));
    const last = problem.actuals
      .filter(({ id }) => colours.get(id))
      .sort((a, b) => a.start - b.start)
      .at(-1);
    this.first = {
      free: now,
      session: 0,
      loads: 0,
      sessions: 0,
      state: states.indexOf(last ? colours.get(last.id)! : initial),
      sprayedIn: last ? problem.windows.findLastIndex(({ start }) => start <= last.start) : null,
    };
  }

  /** Working minutes up to a moment that lies in, or at the end of, session `w`. */
  worked = (w: number, at: Instant): number => this.until[w]! + Math.max(0, at - this.rooms[w]!.start);

  workedUntil(at: Instant): number {
    const w = firstEndingAfter(this.rooms, at);
    return w < this.rooms.length ? this.worked(w, at) : this.until[w]!;
  }

  /** The first session from `w` on that ends after a moment. */
  sessionAfter(at: Instant, w: number): number {
    let session = w;
    while (session < this.rooms.length && this.rooms[session]!.end <= at) session += 1;
    return session;
  }

  /** Where a step lies at the earliest behind what was put so far, with nothing in the closed sessions; null where there is no room. */
  spot(k: number, from: Instant, tail: Tail, closed: ReadonlySet<number>): Spot | null {
    const brush = this.paint[k]!;
    let clean = 0;
    let isLoad = false;
    for (let w = this.sessionAfter(Math.max(from, tail.free), tail.session); w < this.rooms.length; w += 1) {
      if (closed.has(w)) continue;
      const room = this.rooms[w]!;
      if (brush >= 0) {
        const own = this.stateIn(tail, w);
        isLoad = own !== brush;
        clean = isLoad ? this.cleanOut[own]![brush]! : 0;
      }
      const begin = Math.max(Math.max(room.start, tail.free) + clean, from);
      if (this.steps[k]!.splittable) {
        if (begin < room.end) return this.split(k, w, begin, closed);
        continue;
      }
      for (const space of this.spaces[k]![w]!) {
        const start = Math.max(begin, space.start);
        const end = start + this.steps[k]!.minutes;
        if (end <= space.end) return { start, end, clean, isLoad, first: w, last: w };
      }
    }
    return null;
  }

  /** Pauses at the end of a session only, and goes on at the very start of the next. */
  private split(k: number, first: number, start: Instant, closed: ReadonlySet<number>): Spot | null {
    let last = first;
    let end = start + this.steps[k]!.minutes;
    for (let left = end - this.rooms[first]!.end; left > 0;) {
      last += 1;
      const room = this.rooms[last];
      if (!room || closed.has(last) || room.end <= room.start) return null;
      end = room.start + Math.min(left, room.end - room.start);
      left -= room.end - room.start;
    }
    return { start, end, clean: 0, isLoad: false, first, last };
  }

  /** What is in the airbrush in a session. */
  stateIn = (tail: Tail, w: number): number =>
    this.resets && tail.sprayedIn !== null && tail.sprayedIn !== w ? 0 : tail.state;

  /** What is so after a step was put. */
  after(k: number, spot: Spot, tail: Tail): Tail {
    const isSpray = this.paint[k]! >= 0;
    return {
      free: spot.end,
      session: spot.last,
      state: isSpray ? this.paint[k]! : tail.state,
      sprayedIn: isSpray ? spot.first : tail.sprayedIn,
      loads: tail.loads + (spot.isLoad ? 1 : 0),
      sessions: tail.sessions + spot.last - spot.first + (tail.sessions === 0 || spot.first > tail.session ? 1 : 0),
    };
  }

  /** No sooner than this by itself, what is done, and the steps before it. */
  from(k: number, floor: Instant, spots: readonly (Spot | undefined)[]): Instant {
    let from = Math.max(this.releases[k]!, floor);
    for (const { step, minLag } of this.before[k]!) from = Math.max(from, spots[step]!.end + minLag);
    return from;
  }

  /** The first partner that a step at this spot has lost by a greatest wait, and by how much; undefined where it has lost none. */
  lost(k: number, spot: Spot, spots: readonly (Spot | undefined)[]) {
    for (const { step, maxLag } of this.before[k]!) {
      if (maxLag === null) continue;
      const late = spot.start - spots[step]!.end - maxLag;
      if (late > 0) return { step, until: heldBack(this.network.calendar, this.steps[step]!, spots[step]!, late) };
    }
    return undefined;
  }
}

export interface Spot {
  start: Instant;
  end: Instant;
  /** Minutes of clean-out directly before it. */
  clean: number;
  isLoad: boolean;
  /** First and last session of it. */
  first: number;
  last: number;
}

/** How things stand behind the steps put so far. */
export interface Tail {
  free: Instant;
  /** Last session in which something was done. */
  session: number;
  /** Colour in the airbrush, by number. */
  state: number;
  /** Session of the last spray; null before any. */
  sprayedIn: number | null;
  loads: number;
  sessions: number;
}
