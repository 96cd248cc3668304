/** Fields whose texts name steps of the route. */
const NAMES_STEPS: ReadonlySet<string> = new Set([
  'stepKey',
  'key',
  'step',
  'steps',
  'after',
  'before',
  'first',
  'then',
]);

/**
 * A record with the keys of steps in it renamed, wherever it names any: steps are known by what they were made of, and that has another
 * identity in a file and in every house.
 */
export function withStepKeys<T>(value: T, rename: (key: string) => string, isKey = false): T {
  if (typeof value === 'string') return (isKey ? rename(value) : value) as T;
  if (Array.isArray(value)) return value.map((item) => withStepKeys(item, rename, isKey)) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([field, own]) => [field, withStepKeys(own, rename, NAMES_STEPS.has(field))]),
  ) as T;
}

/** Renames one part of a key: `marking:OLD` and `marking-mask:OLD:x` alike. */
export const renameIn =
  (nameOf: (part: string) => string | undefined) =>
  (key: string): string =>
    key
      .split(/([:/])/)
      .map((part) => nameOf(part) ?? part)
      .join('');
