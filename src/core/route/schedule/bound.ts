import { Calendar, earliestEnds } from './backward';
import type { Network } from './network';
import type { Instant } from './problem';

/**
 * A proven lower bound on the finish: the longest chain through the calendar, and for each moment the work that cannot
 * start before it (one person does it all) followed by the shortest tail of waits behind any of it.
 */
export function lowerBound(network: Network, calendar: Calendar): Instant {
  const { steps } = network.problem;
  const ends = earliestEnds(network, calendar);
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
    bound = Math.max(bound, calendar.advance(start, minutes) + shortest);
  }
  return bound;
}

function earliestStart(network: Network, ends: readonly number[], i: number): Instant {
  let from = network.problem.now ?? -Infinity;
  for (const arc of network.before[i]!) from = Math.max(from, ends[arc.step]! + arc.minLag);
  return from;
}
