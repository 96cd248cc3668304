import { sideOf, type View } from '@/core/outline/zones';
import type { Aspect } from './aspects';
import { clarityOn, type Film } from './film';
import type { Clarity } from './weights';

/** What a source can show by what it was taken of and on. */
export interface Shown {
  film: Film;
  /** The sides of the machine that are in it; none = not said. */
  sides: readonly View[];
}

/** The one side that a source shows, where a zone lies on the other: what it says there is inferred. Null where it may show the zone. */
export function otherSideOnly({ sides }: Pick<Shown, 'sides'>, zone: string): 'port' | 'starboard' | null {
  const own = sideOf(zone);
  const [side, ...more] = sides;
  return own && more.length === 0 && (side === 'port' || side === 'starboard') && side !== own ? side : null;
}

/** How clearly a source can show an aspect of a zone at best, unless the builder says otherwise. */
export const clarityOf = (source: Shown, zone: string, aspect: Aspect): Clarity =>
  otherSideOnly(source, zone) ? 'inferred' : clarityOn(source.film, aspect);

/**
 * A sighting of a side that its source does not show: taken as inferred, with the reason as its note; null where it says clearly what it
 * cannot show.
 */
export function asInferred<T extends { clarity: Clarity; note: string }>(
  said: T,
  source: Shown,
  zone: string,
): T | null {
  const only = otherSideOnly(source, zone);
  if (!only) return said;
  if (said.clarity !== 'inferred') return null;
  return { ...said, note: said.note || `inferred: the source shows the ${only} side only` };
}
