/**
 * The nodes 0 to count - 1 with every one behind those that have an arc to it (Kahn 1962), in time of nodes and arcs. What stands in a circle,
 * or behind one, is left out.
 */
export function topologicalOrder(count: number, arcs: readonly (readonly [from: number, to: number])[]): number[] {
  const waits = new Array<number>(count).fill(0);
  const next: number[][] = Array.from({ length: count }, () => []);
  for (const [from, to] of arcs) {
    waits[to]! += 1;
    next[from]!.push(to);
  }
  const order = waits.flatMap((n, i) => (n === 0 ? [i] : []));
  for (let k = 0; k < order.length; k += 1) {
    for (const to of next[order[k]!]!) {
      waits[to]! -= 1;
      if (waits[to] === 0) order.push(to);
    }
  }
  return order;
}
