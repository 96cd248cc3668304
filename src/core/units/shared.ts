/**
 * Plain data that came anew, with the very objects of before wherever it says the same: what is drawn of these need not be drawn again. Rows of a
 * list are known by their `id` where they have one, else by their place.
 */
export function shared<T>(before: unknown, fresh: T): T {
  if (before === fresh || !isHolder(before) || !isHolder(fresh)) return fresh;
  if (Array.isArray(before) !== Array.isArray(fresh)) return fresh;
  if (Array.isArray(before) && Array.isArray(fresh)) return sharedList(before, fresh) as T;
  const [was, is] = [before as Record<string, unknown>, fresh as Record<string, unknown>];
  const entries = Object.entries(is).map(
    ([key, value]) => [key, Object.hasOwn(was, key) ? shared(was[key], value) : value] as const,
  );
  const isSame =
    entries.length === Object.keys(was).length &&
    entries.every(([key, value]) => Object.hasOwn(was, key) && value === was[key]);
  // Entries make a key of any name an own one.
  return (isSame ? before : Object.fromEntries(entries)) as T;
}

function sharedList(before: readonly unknown[], fresh: readonly unknown[]): readonly unknown[] {
  const known = new Map(before.flatMap((one) => (idOf(one) === undefined ? [] : [[idOf(one), one]])));
  const made = fresh.map((one, i) => shared(known.get(idOf(one)) ?? before[i], one));
  return made.length === before.length && made.every((one, i) => one === before[i]) ? before : made;
}

/** What a row is known by; undefined where it has none. */
export const idOf = (one: unknown): unknown => (isHolder(one) ? (one as { id?: unknown }).id : undefined);

/** An object or a list of plain data; what has a class of its own, as a Map, is taken as it comes. */
export const isHolder = (value: unknown): value is object => {
  if (typeof value !== 'object' || value === null) return false;
  const kind: unknown = Object.getPrototypeOf(value);
  return Array.isArray(value) || kind === Object.prototype || kind === null;
};
