/** Some values of some fields: what a table of data asks of a thing. A field that it does not name may be anything. */
export type Among<T> = { [N in keyof T]?: readonly T[N][] };

export const among = <T extends object>(wanted: Among<T>, found: T): boolean =>
  (Object.entries(wanted) as [keyof T, readonly unknown[]][]).every(([name, values]) => values.includes(found[name]));
