import { earliestEnds } from './backward';
import { cheapestLoads, leastCleaning } from './loads';
import type { Network } from './network';
import { firstEndingAfter, overlaps, type Instant, type Span } from './problem';
import { Sequencer } from './sequence';
import { Carrier, type Spells } from './spells';

/**
 * A proven lower bound on the finish: the longest chain through the calendar, and for each moment the work that cannot
 * start before it (one person does it all) followed by the shortest tail of waits behind any of it.
 */
export function lowerBound(network: Network): Instant {
  const { steps } = network.problem;
  const ends = earliestEnds(network);
  const open = network.order.filter((i) => !network.done[i]);
  let bound = Math.max(...network.order.map((i) => ends[i]!));
  const tail = steps.map(() => 0);
  for (const i of [...network.order].reverse()) {
    for (const arc of network.after[i]!)
      tail[i] = Math.max(tail[i]!, arc.minLag + steps[arc.step]!.minutes + tail[arc.step]!);
  }
  // Steps by their earliest start, latest first: the set grows by one as the moment moves back.
  const byStart = open.map((i) => ({ i, start: earliestStart(network, ends, i) })).sort((a, b) => b.start - a.start);
  let minutes = 0;
  let shortest = Infinity;
  for (const { i, start } of byStart) {
    minutes += steps[i]!.minutes;
    shortest = Math.min(shortest, tail[i]!);
    bound = Math.max(bound, network.calendar.advance(start, minutes) + shortest);
  }
  return bound;
}

function earliestStart(network: Network, ends: readonly number[], i: number): Instant {
  let from = network.problem.now ?? -Infinity;
  for (const arc of network.before[i]!) from = Math.max(from, ends[arc.step]! + arc.minLag);
  return from;
}

/** Networks with more open steps than this are only asked for their plain work. */
const MANY = 400;
/** Up to so many open steps, each is shaved from its first and last session. */
const FEW = 30;
/** Shares of the longest session at which work that may not be split is rounded. */
const SHARES = [0.25, 1 / 3, 0.42, 0.4999];
/** Rounds of shaving. */
const SHAVES = 4;

/**
 * A sharper proven bound, found destructively: a finish is impossible when, for some stretch of time, the work that cannot begin before it
 * nor end after it is more than the sessions in it hold. Counted are minutes; minutes with the least clean-outs that so many colours take;
 * work that may not be split, rounded by a dual feasible function (Fekete, Schepers 2001), since what is longer than half a session shares
 * it with nothing like it; and what needs the booth. Small networks are shaved besides: where a step in its first (or last) session makes
 * the finish impossible, it lies in a later (or earlier) one. `finish` is one that is known to be possible.
 */
export function sharperBound(network: Network, finish: Instant): Instant {
  const sequencer = new Sequencer(network);
  const allWork = sequencer.steps.reduce((sum, { minutes }) => sum + minutes, leastCleaning(sequencer));
  const plain = Math.min(
    finish,
    Math.max(lowerBound(network), network.calendar.advance(sequencer.first.free, allWork)),
  );
  const { problem, done } = network;
  const { steps } = problem;
  const open = network.order.filter((i) => !done[i]);
  if (open.length === 0) return plain;
  const now = problem.now ?? -Infinity;
  const sessions = problem.windows
    .map(({ start, end }) => ({ start: Math.max(start, now), end }))
    .filter(({ start, end }) => end > start);
  const isTooMuch = energyOf(network, sequencer, sessions);

  const carrier = new Carrier(network, open);
  const spellsOf = (heads: readonly Instant[], dues: readonly Instant[]): Spells | null => {
    const begun = carrier.headsFrom(heads);
    const ended = begun && carrier.duesBy(dues, begun);
    return begun && ended && !isTooMuch(begun, ended) ? { heads: begun, dues: ended } : null;
  };
  const first = carrier.headsFrom(steps.map(() => now));
  if (!first) return plain;
  const isImpossible = (by: Instant) =>
    spellsOf(
      first,
      steps.map(() => by),
    ) === null;

  let [low, high] = [plain - 1, finish];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (isImpossible(middle)) low = middle;
    else high = middle;
  }
  if (open.length > FEW) return high;
  for (const [k, { end }] of sessions.entries()) {
    if (end < high) continue;
    if (end >= finish || !isShavedAway(end)) break;
    // Something is still done in the next session.
    high = Math.min(finish, (sessions[k + 1]?.start ?? finish - 1) + 1);
  }
  return high;

  function isShavedAway(by: Instant): boolean {
    let spells = spellsOf(
      first!,
      steps.map(() => by),
    );
    for (let round = 0; spells && round < SHAVES; round += 1) {
      let isShaved = false;
      for (const i of open) {
        if (steps[i]!.splittable) continue;
        const { heads, dues }: Spells = spells!;
        const at = sessions.findIndex(({ end }) => end > heads[i]!);
        const last = sessions.findLastIndex(({ start }) => start < dues[i]!);
        if (at < 0 || at >= last) continue;
        if (!spellsOf(heads, dues.with(i, sessions[at]!.end))) {
          spells = spellsOf(heads.with(i, sessions[at + 1]!.start), dues);
          isShaved = true;
        } else if (!spellsOf(heads.with(i, sessions[last]!.start), dues)) {
          spells = spellsOf(heads, dues.with(i, sessions[last - 1]!.end));
          isShaved = true;
        }
        if (!spells) return true;
      }
      if (!isShaved) break;
    }
    return spells === null;
  }
}

/** Whether, between some head and some due, there is more work than time. */
function energyOf({ problem }: Network, sequencer: Sequencer, sessions: readonly Span[]) {
  const { open } = sequencer;
  const rooms = { all: sessions, booth: overlaps(sessions, problem.boothWindows) };
  const cheapest = cheapestLoads(sequencer);
  const cleanInto = new Map(open.map((i, k) => [problem.steps[i]!.colour, cheapest[sequencer.paint[k]!] ?? 0]));
  const plainly = { of: open, in: sessions, rounded: (minutes: number) => minutes, clean: true };
  const counts = [
    plainly,
    ...(open.length > MANY ? [] : (['all', 'booth'] as const)).flatMap((room) => {
      const longest = Math.max(0, ...rooms[room].map(({ start, end }) => end - start));
      const of = open.filter((i) => (room === 'booth' ? problem.steps[i]!.needsBooth : !problem.steps[i]!.splittable));
      return of.length < 2
        ? []
        : (room === 'booth' ? [0, ...SHARES] : SHARES)
            .map((share) => ({
              of,
              in: rooms[room],
              rounded: roundedTo(longest, share * longest),
              clean: false,
            }))
            // Without work that is rounded up or sessions that are rounded down, plain minutes say as much.
            .filter(
              ({ rounded }, k) =>
                (k === 0 && room === 'booth') ||
                of.some((i) => rounded(problem.steps[i]!.minutes) > problem.steps[i]!.minutes) ||
                rooms[room].some(({ start, end }) => rounded(end - start) < end - start),
            );
    }),
  ].map((count) => ({ ...count, capacity: new Capacity(count.in, count.rounded) }));
  return (heads: readonly Instant[], dues: readonly Instant[]): boolean =>
    counts.some(({ of, rounded, clean, capacity }) => {
      const byDue = [...of].sort((a, b) => dues[a]! - dues[b]!);
      const ends = byDue.map((i) => capacity.endAt(dues[i]!));
      const moments = [...new Set(of.map((i) => heads[i]!))];
      return moments.some((from) => {
        const begin = capacity.beginAt(from);
        let work = 0;
        let [cleaning, dearest] = [0, 0];
        const colours = new Set<string>();
        for (let at = 0; at < byDue.length; at += 1) {
          const i = byDue[at]!;
          if (heads[i]! < from) continue;
          const { minutes, colour } = problem.steps[i]!;
          work += rounded(minutes);
          if (clean && colour !== null && !colours.has(colour)) {
            colours.add(colour);
            cleaning += cleanInto.get(colour)!;
            dearest = Math.max(dearest, cleanInto.get(colour)!);
          }
          // The first colour may have been in the airbrush before.
          if (work + cleaning - dearest > capacity.between(begin, ends[at]!) + 1e-6) return true;
        }
        return false;
      });
    });
}

/** x as it is, but nothing up to `small`, and all of a session from its length less `small` on. */
const roundedTo =
  (longest: number, small: number) =>
  (minutes: number): number =>
    small <= 0 ? minutes : minutes > longest - small ? longest : minutes < small ? 0 : minutes;

/** A moment among spans: the one that it lies in or next to. */
interface Edge {
  at: Instant;
  span: number;
}

/** What spans hold between two moments, each cut span rounded by itself. */
class Capacity {
  private readonly until = [0];

  constructor(
    private readonly spans: readonly Span[],
    private readonly rounded: (minutes: number) => number,
  ) {
    for (const { start, end } of spans) this.until.push(this.until.at(-1)! + rounded(end - start));
  }

  beginAt = (at: Instant): Edge => ({ at, span: firstEndingAfter(this.spans, at) });

  endAt(at: Instant): Edge {
    const next = firstEndingAfter(this.spans, at);
    const isBehind = next === this.spans.length || this.spans[next]!.start >= at;
    return { at, span: isBehind ? next - 1 : next };
  }

  between(begin: Edge, end: Edge): number {
    if (end.at <= begin.at || end.span < begin.span) return 0;
    const part = (k: number) => {
      const span = this.spans[k]!;
      return this.rounded(Math.max(0, Math.min(end.at, span.end) - Math.max(begin.at, span.start)));
    };
    if (begin.span === end.span) return part(begin.span);
    return part(begin.span) + this.until[end.span]! - this.until[begin.span + 1]! + part(end.span);
  }
}
