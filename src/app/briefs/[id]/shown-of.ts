import { shownData, typedTexts } from '@/core/kept/shown-data';
import { unitsOf } from '@/core/kept/state';
import { rememberedFor } from '@/core/units/remembered';
import type { Derived } from './view';

const typed = rememberedFor(({ view, shelf }: Derived) => typedTexts(view.state, shelf));

/** What a page or a paper says of a brief, with its measures in the units of the house; what was typed stays as it was typed. */
export function shownOf<T>(derived: Derived, data: T): T {
  const units = unitsOf(derived.shelf);
  if (units === 'metric') return data;
  return shownData(data, units, typed(derived));
}
