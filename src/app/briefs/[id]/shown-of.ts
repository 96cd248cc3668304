import { shownData, typedTexts } from '@/core/kept/shown-data';
import { unitsOf } from '@/core/kept/state';
import type { Derived } from './view';

const typed = new WeakMap<Derived, ReadonlySet<string>>();

/** What a page or a paper says of a brief, with its measures in the units of the house; what was typed stays as it was typed. */
export function shownOf<T>(derived: Derived, data: T): T {
  const units = unitsOf(derived.shelf);
  if (units === 'metric') return data;
  const known = typed.get(derived) ?? typedTexts(derived.view.state, derived.shelf);
  typed.set(derived, known);
  return shownData(data, units, known);
}
