/** Items by what they have in common: groups in the order in which they first come, items in theirs. */
export function groupBy<T, K>(items: readonly T[], keyOf: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}

/** What follows on one another without a gap: null makes one. Runs of fewer than two are none. */
export function runsOf<T>(items: Iterable<T | null>): T[][] {
  const runs: T[][] = [[]];
  for (const item of items)
    if (item !== null) runs.at(-1)!.push(item);
    else if (runs.at(-1)!.length > 0) runs.push([]);
  return runs.filter((run) => run.length > 1);
}
