import { inShownUnits, type ShownUnits } from '@/core/units/shown';
import type { BriefState, ColourShelf } from './state';

/** What a page or a paper says, in the units of the house: whatever was put together here, and nothing that a person typed. */

/** Kept too, but put together by the house, and never opened in a form. */
const OF_THE_HOUSE: ReadonlySet<string> = new Set(['plans', 'runs', 'mishaps'] satisfies (keyof BriefState)[]);

/** Every text that is kept as somebody typed it. */
export function typedTexts(state: BriefState, shelf: ColourShelf): ReadonlySet<string> {
  const typed = new Set<string>();
  const gather = (value: unknown): void => {
    if (typeof value === 'string') typed.add(value);
    else if (typeof value === 'object' && value !== null) Object.values(value).forEach(gather);
  };
  for (const [name, records] of Object.entries(state)) if (!OF_THE_HOUSE.has(name)) gather(records);
  gather(shelf);
  return typed;
}

/** The same data with its sentences in the units of the house; the data itself where they are metric. */
export function shownData<T>(data: T, units: ShownUnits, typed: ReadonlySet<string>): T {
  if (units === 'metric') return data;
  const shown = (value: unknown): unknown => {
    if (typeof value === 'string') return typed.has(value) ? value : inShownUnits(value, units);
    if (Array.isArray(value)) return value.map(shown);
    if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype) return value;
    return Object.fromEntries(Object.entries(value).map(([key, of]) => [key, shown(of)]));
  };
  return shown(data) as T;
}
