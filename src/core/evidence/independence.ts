export interface Derivable {
  id: string;
  derivedFrom: readonly string[];
}

/**
 * Which group of sources each one belongs to: connected components of the derived-from links, whatever their direction.
 * Sources of one group count once.
 */
export function independentGroups(sources: readonly Derivable[]): Map<string, number> {
  const neighbours = new Map<string, string[]>(sources.map((source) => [source.id, []]));
  for (const { id, derivedFrom } of sources) {
    for (const other of derivedFrom) {
      neighbours.get(id)?.push(other);
      neighbours.get(other)?.push(id);
    }
  }
  const group = new Map<string, number>();
  let next = 0;
  for (const { id } of sources) {
    if (group.has(id)) continue;
    const open = [id];
    while (open.length > 0) {
      const current = open.pop()!;
      if (group.has(current)) continue;
      group.set(current, next);
      open.push(...(neighbours.get(current) ?? []));
    }
    next += 1;
  }
  return group;
}

/** A circle of derived-from links (its ids in order), or null when there is none. */
export function derivationCircle(sources: readonly Derivable[]): string[] | null {
  const from = new Map(sources.map((source) => [source.id, source.derivedFrom]));
  const done = new Set<string>();
  for (const { id } of sources) {
    // Depth first without recursion: a chain of captions may be as long as the input.
    const path: string[] = [];
    const onPath = new Set<string>();
    const open: { id: string; leave: boolean }[] = [{ id, leave: false }];
    while (open.length > 0) {
      const current = open.pop()!;
      if (current.leave) {
        onPath.delete(path.pop()!);
        done.add(current.id);
        continue;
      }
      if (onPath.has(current.id)) return [...path.slice(path.indexOf(current.id)), current.id];
      if (done.has(current.id)) continue;
      path.push(current.id);
      onPath.add(current.id);
      open.push({ id: current.id, leave: true });
      for (const origin of from.get(current.id) ?? []) open.push({ id: origin, leave: false });
    }
  }
  return null;
}
