import { heldBack } from './calendar';
import type { Network } from './network';
import type { Instant } from './problem';
import { endOf, startOf, Timeline, type Placed } from './timeline';

export interface SerialPlan {
  placed: (Placed | null)[];
  timeline: Timeline;
  /** Blocks for which the sessions held no place. */
  unplaced: number[][];
}

/** How often a block is pushed later before it is given up: each push is at least a minute, most are a session. */
const MOST_PUSHES = 400;

/** The rank of each block: that of its most urgent step. */
export const ranksBy = (network: Network, priority: (step: number) => number): number[] =>
  network.blocks.map((block) => Math.min(...block.map(priority)));

/** The rank of each block by the latest starts of its steps; what is as urgent goes in the order of the network. */
export function byLatest(network: Network, latest: readonly number[]): number[] {
  const position = new Map(network.order.map((i, k) => [i, k]));
  return ranksBy(network, (i) => latest[i]! + position.get(i)! * 1e-6);
}

/**
 * Serial generation: again and again the ready block of least rank goes to its earliest place.
 * No step begins before its delay. Valid by construction: waits, sessions, booth and clean-outs hold for every step that was placed.
 */
export function serialPlan(
  network: Network,
  rank: readonly number[],
  delays?: ReadonlyMap<number, Instant>,
): SerialPlan {
  const timeline = new Timeline(network.problem);
  const placed: (Placed | null)[] = network.problem.steps.map(() => null);
  const unplaced: number[][] = [];
  const missing = network.waitsFor.slice();
  const ready = network.blocks.flatMap((_, b) => (missing[b] === 0 ? [b] : []));
  const finished = new Set<number>();
  while (ready.length > 0) {
    let best = 0;
    for (let k = 1; k < ready.length; k += 1) if (rank[ready[k]!]! < rank[ready[best]!]!) best = k;
    const b = ready.splice(best, 1)[0]!;
    finished.add(b);
    if (!placeBlock(network, timeline, placed, network.blocks[b]!, delays)) {
      unplaced.push(network.blocks[b]!);
      continue;
    }
    for (const next of network.followers[b]!) {
      missing[next]! -= 1;
      if (missing[next] === 0) ready.push(next);
    }
  }
  // Whatever waited for a block without a place has none either.
  network.blocks.forEach((block, b) => {
    if (!finished.has(b)) unplaced.push(block);
  });
  return { placed, timeline, unplaced };
}

/** A plan with every step at its start; null where the sessions, put so, do not hold them. */
export function planFrom(network: Network, starts: ReadonlyMap<number, Instant>): SerialPlan | null {
  const timeline = new Timeline(network.problem);
  const placed: SerialPlan['placed'] = network.problem.steps.map(() => null);
  for (const [i] of [...starts].sort((a, b) => a[1] - b[1]))
    if (!placeBlock(network, timeline, placed, [i], starts)) return null;
  return { placed, timeline, unplaced: [] };
}

/** Places all steps of a block so that its waits hold, pushing the earlier partner of a broken greatest wait later; false when it cannot. */
export function placeBlock(
  network: Network,
  timeline: Timeline,
  placed: (Placed | null)[],
  block: readonly number[],
  delays?: ReadonlyMap<number, Instant>,
): boolean {
  const notBefore = new Map<number, Instant>(block.map((i) => [i, delays?.get(i) ?? -Infinity]));
  const fixedEnd = (i: number): Instant | null => network.done[i]?.[1] ?? (placed[i] ? endOf(placed[i]!) : null);
  for (let push = 0; push < MOST_PUSHES; push += 1) {
    const trouble = tryOnce();
    if (trouble === 'placed') return true;
    for (const i of block) {
      if (placed[i]) timeline.remove(placed[i]!);
      placed[i] = null;
    }
    if (trouble === 'no room') return false;
    notBefore.set(trouble.step, trouble.until);
  }
  return false;

  function tryOnce(): 'placed' | 'no room' | { step: number; until: Instant } {
    for (const i of block) {
      const step = network.problem.steps[i]!;
      let from = Math.max(notBefore.get(i)!, network.problem.now ?? -Infinity);
      for (const arc of network.before[i]!) {
        const end = fixedEnd(arc.step);
        if (end !== null) from = Math.max(from, end + arc.minLag);
      }
      const found = timeline.earliest(step, from);
      if (!found) return 'no room';
      placed[i] = found;
      timeline.place(found);
      for (const arc of network.before[i]!) {
        const end = fixedEnd(arc.step);
        if (arc.maxLag === null || end === null) continue;
        const late = startOf(found) - (end + arc.maxLag);
        if (late <= 0) continue;
        // An actual cannot be pushed: there is no place in time.
        if (network.done[arc.step]) return 'no room';
        const partner = placed[arc.step]!;
        const span = { start: startOf(partner), end: endOf(partner) };
        return { step: arc.step, until: heldBack(network.calendar, partner.step, span, late) };
      }
    }
    return 'placed';
  }
}
