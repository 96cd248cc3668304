import { latestStarts } from './backward';
import type { Network } from './network';
import type { Instant } from './problem';
import { byLatest, placeBlock, ranksBy, serialPlan, type SerialPlan } from './serial';
import { endOf, startOf, Timeline } from './timeline';

/** Three ways to mend a plan that has been overtaken. `former`: start of each open step, by its index; steps that are new have none. */

/** Every step in its turn, none sooner than formerly: what is late pushes on what comes behind it. */
export function inTurn(network: Network, former: ReadonlyMap<number, Instant>): SerialPlan | null {
  const horizon = network.problem.windows.at(-1)?.end ?? 0;
  const latest = latestStarts(network, horizon);
  const first = Math.min(...former.values(), horizon);
  // What is new takes its turn by its urgency, from the beginning on, as if the calendar were the former plan's.
  const rank = ranksBy(network, (i) => former.get(i) ?? Math.max(first, Math.min(latest[i]!, horizon)));
  const plan = serialPlan(network, rank, former);
  return plan.unplaced.length > 0 ? null : plan;
}

/** The latest start of each step for the finish of the former plan. */
export function urgencyOf(network: Network, former: ReadonlyMap<number, Instant>): number[] {
  const { steps } = network.problem;
  return latestStarts(network, Math.max(...[...former].map(([i, start]) => start + steps[i]!.minutes), 0));
}

/** The most urgent first, none sooner than formerly: what can wait makes room for what holds the date. */
export function byUrgency(
  network: Network,
  former: ReadonlyMap<number, Instant>,
  urgency: readonly number[],
): SerialPlan | null {
  const plan = serialPlan(network, byLatest(network, urgency), former);
  return plan.unplaced.length > 0 ? null : plan;
}

/** How often a step may be put elsewhere before this is given up. */
const MOST_MOVES = 20;

/**
 * What can lie in its former place does; everything else goes into the first gap that its waits allow, and only what waits for it moves on.
 * A pinned step has its place before all others.
 */
export function inGaps(
  network: Network,
  former: ReadonlyMap<number, Instant>,
  pinned: number | null = null,
): SerialPlan | null {
  const timeline = new Timeline(network.problem);
  const placed: SerialPlan['placed'] = network.problem.steps.map(() => null);
  const rank = new Map(network.order.map((i, k) => [i, k]));
  const endsAt = (i: number): Instant | null => network.done[i]?.[1] ?? (placed[i] ? endOf(placed[i]!) : null);
  /** Whether it lies behind all that it waits for, as far as that has a place. */
  const isInTime = (i: number) =>
    network.before[i]!.every(({ step, minLag, maxLag }) => {
      const end = endsAt(step);
      if (end === null) return true;
      const wait = startOf(placed[i]!) - end;
      return wait >= minLag && (maxLag === null || wait <= maxLag);
    });
  const homeless = new Set<number>();
  const takeUp = (block: number) => {
    for (const i of network.blocks[block]!) {
      if (placed[i]) timeline.remove(placed[i]!);
      placed[i] = null;
    }
    homeless.add(block);
  };
  const byStart = network.blocks
    .map((block, b) => ({
      b,
      from:
        pinned !== null && block.includes(pinned)
          ? -Infinity
          : Math.min(...block.map((i) => former.get(i) ?? Infinity)),
    }))
    .sort((x, y) => x.from - y.from);
  for (const { b } of byStart)
    for (const i of network.blocks[b]!) {
      const start = former.get(i);
      const found = start === undefined ? null : timeline.earliest(network.problem.steps[i]!, start);
      if (!found || startOf(found) !== start) {
        takeUp(b);
        break;
      }
      placed[i] = found;
      timeline.place(found);
    }
  network.blocks.forEach((block, b) => {
    if (!homeless.has(b) && !block.every(isInTime)) takeUp(b);
  });
  const moves = network.blocks.map(() => 0);
  while (homeless.size > 0) {
    const b = [...homeless].reduce((x, y) =>
      rank.get(network.blocks[x]![0]!)! < rank.get(network.blocks[y]![0]!)! ? x : y,
    );
    homeless.delete(b);
    moves[b]! += 1;
    const block = network.blocks[b]!;
    // What waits for it must not stand in its way; afterwards it goes back to where it was, if that is late enough.
    const behind = [...descendants(network, b)].filter((other) => !homeless.has(other));
    const were = behind.map((other) => network.blocks[other]!.map((i) => placed[i]!));
    for (const other of behind) takeUp(other);
    // None goes before its former place: what was put off stays put off.
    if (moves[b]! > MOST_MOVES || !placeBlock(network, timeline, placed, block, former)) return null;
    behind.forEach((other, k) => {
      const isBack = were[k]!.every((was, at) => {
        const i = network.blocks[other]![at]!;
        const found = timeline.earliest(network.problem.steps[i]!, startOf(was));
        if (!found || startOf(found) !== startOf(was)) return false;
        placed[i] = found;
        timeline.place(found);
        return true;
      });
      if (isBack && network.blocks[other]!.every(isInTime)) homeless.delete(other);
      else takeUp(other);
    });
  }
  return { placed, timeline, unplaced: [] };
}

/** All blocks that wait for one. */
function descendants(network: Network, block: number): Set<number> {
  const found = new Set<number>();
  const open = [block];
  while (open.length > 0)
    for (const next of network.followers[open.pop()!]!) {
      if (found.has(next)) continue;
      found.add(next);
      open.push(next);
    }
  return found;
}
