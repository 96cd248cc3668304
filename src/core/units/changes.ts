import { idOf, isHolder, shared } from './shared';

/** Where something stands in plain data: keys and places from the top down. */
type Path = readonly (string | number)[];

/**
 * One change of plain data. `rows`: a list made anew of rows of the one before, by their places, and of new ones; `gone`: a key that is there no
 * more.
 */
export type Change =
  { at: Path; to: unknown } | { at: Path; gone: true } | { at: Path; rows: readonly (number | { row: unknown })[] };

/** What turns `before` into `after`; nothing where both say the same. Rows are known by their `id` where they have one, else by their place. */
export function changesBetween(before: unknown, after: unknown): Change[] {
  const changes: Change[] = [];
  collect(before, shared(before, after), [], changes);
  return changes;
}

function collect(was: unknown, is: unknown, at: Path, changes: Change[]): void {
  if (Object.is(was, is)) return;
  if (Array.isArray(was) && Array.isArray(is)) return collectList(was, is, at, changes);
  if (!isRecord(was) || !isRecord(is)) return void changes.push({ at, to: is });
  for (const key of Object.keys(was)) if (!Object.hasOwn(is, key)) changes.push({ at: [...at, key], gone: true });
  for (const [key, value] of Object.entries(is))
    if (Object.hasOwn(was, key)) collect(was[key], value, [...at, key], changes);
    else changes.push({ at: [...at, key], to: value });
}

function collectList(was: readonly unknown[], is: readonly unknown[], at: Path, changes: Change[]): void {
  if (was.length === is.length && was.every((one, i) => idOf(one) === idOf(is[i])))
    return is.forEach((one, i) => collect(was[i], one, [...at, i], changes));
  const places = new Map(was.map((one, i) => [one, i]));
  changes.push({ at, rows: is.map((one) => (isHolder(one) && places.has(one) ? places.get(one)! : { row: one })) });
}

/** `before` with changes made: what none of them names stays the very object. */
export const changed = <T>(before: T, changes: readonly Change[]): T =>
  changes.reduce<unknown>((data, change) => changedAt(data, change, 0), before) as T;

function changedAt(data: unknown, change: Change, depth: number): unknown {
  const key = change.at[depth];
  if (key === undefined) return made(data, change);
  if (Array.isArray(data)) return data.map((one, i) => (i === key ? changedAt(one, change, depth + 1) : one));
  // Entries make a key of any name an own one.
  const entries = new Map(Object.entries(data as object));
  if ('gone' in change && depth === change.at.length - 1) entries.delete(String(key));
  else entries.set(String(key), changedAt(entries.get(String(key)), change, depth + 1));
  return Object.fromEntries(entries);
}

const made = (was: unknown, change: Change): unknown =>
  'rows' in change
    ? change.rows.map((row) => (typeof row === 'number' ? (was as unknown[])[row] : row.row))
    : 'to' in change
      ? change.to
      : undefined;

const isRecord = (value: unknown): value is Record<string, unknown> => isHolder(value) && !Array.isArray(value);
