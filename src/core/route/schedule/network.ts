import { topologicalOrder } from '@/core/units/topological';
import { Calendar } from './calendar';
import type { PlanLink, PlanProblem } from './problem';

export interface Arc {
  /** Index of the step at the other end. */
  step: number;
  minLag: number;
  maxLag: number | null;
}

/** The problem by index: arcs in and out, which steps are done, and the blocks that greatest waits tie together. */
export interface Network {
  problem: PlanProblem;
  calendar: Calendar;
  index: Map<string, number>;
  before: Arc[][];
  after: Arc[][];
  done: (readonly [start: number, end: number] | null)[];
  /** All steps, every one after those it waits for. */
  order: number[];
  /** Open steps that must be placed together, each block in `order`. */
  blocks: number[][];
  blockOf: number[];
  /** Of each block: those that wait for it, and for how many it waits itself. */
  followers: number[][];
  waitsFor: number[];
  /** Greatest waits that an actual has already broken: left out, and reported. */
  broken: PlanLink[];
}

/** Who waits for whom, and nothing else. */
interface Waiting {
  steps: readonly { id: string }[];
  links: readonly { from: string; to: string }[];
}

/** A circle of waits, by step id; null when there is none. */
export function waitingCircle(problem: Waiting): string[] | null {
  const order = topologicalOrder(problem.steps.length, arcsByIndex(problem));
  if (order.length === problem.steps.length) return null;
  const placed = new Set(order);
  return problem.steps.filter((_, i) => !placed.has(i)).map((step) => step.id);
}

function arcsByIndex(problem: Waiting): [number, number][] {
  const index = new Map(problem.steps.map((step, i) => [step.id, i]));
  return problem.links.map((link) => [index.get(link.from)!, index.get(link.to)!]);
}

/** Expects links between known steps and no circle (see waitingCircle). */
export function networkOf(problem: PlanProblem): Network {
  const { steps, links } = problem;
  const index = new Map(steps.map((step, i) => [step.id, i]));
  const done: Network['done'] = steps.map(() => null);
  for (const actual of problem.actuals) done[index.get(actual.id)!] = [actual.start, actual.end];
  const before: Arc[][] = steps.map(() => []);
  const after: Arc[][] = steps.map(() => []);
  const broken: PlanLink[] = [];
  for (const link of links) {
    const [from, to] = [index.get(link.from)!, index.get(link.to)!];
    let maxLag = link.maxLag;
    const source = done[from];
    if (source && maxLag !== null) {
      const reached = done[to]?.[0] ?? problem.now ?? -Infinity;
      if (reached - source[1] > maxLag) {
        broken.push(link);
        maxLag = null;
      }
    }
    before[to]!.push({ step: from, minLag: link.minLag, maxLag });
    after[from]!.push({ step: to, minLag: link.minLag, maxLag });
  }
  const order = topologicalOrder(steps.length, arcsByIndex(problem));
  const open = order.filter((i) => !done[i]);
  const blocks = components(open, (i) => [
    ...after[i]!.filter((arc) => !done[arc.step]).map((arc) => arc.step),
    ...before[i]!.filter((arc) => !done[arc.step] && arc.maxLag !== null).map((arc) => arc.step),
  ]);
  const rank = new Map(order.map((i, k) => [i, k]));
  const blockOf = steps.map(() => -1);
  blocks.forEach((block, b) => {
    block.sort((x, y) => rank.get(x)! - rank.get(y)!);
    for (const i of block) blockOf[i] = b;
  });
  const followers = blocks.map((block, b) => [
    ...new Set(
      block.flatMap((i) =>
        after[i]!.flatMap(({ step }) => (!done[step] && blockOf[step] !== b ? [blockOf[step]!] : [])),
      ),
    ),
  ]);
  const waitsFor = blocks.map(() => 0);
  for (const next of followers.flat()) waitsFor[next]! += 1;
  return {
    problem,
    calendar: new Calendar(problem),
    index,
    before,
    after,
    done,
    order,
    blocks,
    blockOf,
    followers,
    waitsFor,
    broken,
  };
}

/** Strongly connected components (Tarjan 1972), without recursion: routes can be long. */
function components(nodes: readonly number[], next: (node: number) => number[]): number[][] {
  const number = new Map<number, number>();
  const low = new Map<number, number>();
  const stack: number[] = [];
  const onStack = new Set<number>();
  const found: number[][] = [];
  for (const root of nodes) {
    if (number.has(root)) continue;
    const work: { node: number; targets: number[]; at: number }[] = [];
    const enter = (node: number) => {
      number.set(node, number.size);
      low.set(node, number.get(node)!);
      stack.push(node);
      onStack.add(node);
      work.push({ node, targets: next(node), at: 0 });
    };
    enter(root);
    while (work.length > 0) {
      const frame = work.at(-1)!;
      if (frame.at < frame.targets.length) {
        const target = frame.targets[frame.at]!;
        frame.at += 1;
        if (!number.has(target)) enter(target);
        else if (onStack.has(target)) low.set(frame.node, Math.min(low.get(frame.node)!, number.get(target)!));
        continue;
      }
      work.pop();
      const parent = work.at(-1);
      if (parent) low.set(parent.node, Math.min(low.get(parent.node)!, low.get(frame.node)!));
      if (low.get(frame.node) === number.get(frame.node)) {
        const component: number[] = [];
        let node: number;
        do {
          node = stack.pop()!;
          onStack.delete(node);
          component.push(node);
        } while (node !== frame.node);
        found.push(component);
      }
    }
  }
  return found;
}
