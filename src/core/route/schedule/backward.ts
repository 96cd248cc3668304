import type { Network } from './network';
import type { Instant } from './problem';

/** Latest start of each open step for a finish at `finish`, backward through the calendar: the priority of the serial scheme. */
export function latestStarts(network: Network, finish: Instant): number[] {
  const latest = network.problem.steps.map(() => Infinity);
  for (const i of [...network.order].reverse()) {
    if (network.done[i]) continue;
    let by = finish;
    for (const arc of network.after[i]!) {
      if (!network.done[arc.step]) by = Math.min(by, latest[arc.step]! - arc.minLag);
    }
    latest[i] = network.calendar.latestStart(network.problem.steps[i]!, by);
    for (const arc of network.before[i]!) {
      const done = network.done[arc.step];
      if (done && arc.maxLag !== null) latest[i] = Math.min(latest[i]!, done[1] + arc.maxLag);
    }
  }
  return latest;
}

/** Earliest end of each step with no competition for the person: heads for the bound. */
export function earliestEnds(network: Network): number[] {
  const ends = network.problem.steps.map(() => -Infinity);
  for (const i of network.order) {
    const done = network.done[i];
    if (done) {
      ends[i] = done[1];
      continue;
    }
    let from = network.problem.now ?? -Infinity;
    for (const arc of network.before[i]!) from = Math.max(from, ends[arc.step]! + arc.minLag);
    ends[i] = network.calendar.earliestEnd(network.problem.steps[i]!, from);
  }
  return ends;
}
