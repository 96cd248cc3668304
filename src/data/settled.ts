import { isDeepStrictEqual } from 'node:util';

/**
 * What was read anew, with the very objects of before wherever it says the same: lists, and rows within lists. What is derived from them is
 * remembered by these objects.
 */
export function settled<T extends object>(before: Partial<T> | undefined, fresh: T): T {
  if (!before) return fresh;
  const same = Object.entries(fresh).map(([name, value]) => [name, settledValue(before[name as keyof T], value)]);
  return Object.fromEntries(same) as T;
}

function settledValue(before: unknown, fresh: unknown): unknown {
  if (!Array.isArray(before) || !Array.isArray(fresh)) return isDeepStrictEqual(before, fresh) ? before : fresh;
  const known = new Map((before as { id?: unknown }[]).map((row) => [row.id, row]));
  const rows = (fresh as { id?: unknown }[]).map((row) => {
    const own = known.get(row.id);
    return own && isDeepStrictEqual(own, row) ? own : row;
  });
  return rows.length === before.length && rows.every((row, i) => row === before[i]) ? before : rows;
}
