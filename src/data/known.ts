import { Stages } from '@/core/derive/stages';
import type { LoadedBrief } from './read-brief';
import type { LoadedShelf } from './shelf';

/**
 * What this process knows of briefs and of the shelf: as they were read last, and what was derived of them. Pages and acts use the one memory, so
 * that a page after an act reads and derives nothing twice.
 */

export interface KnownBrief {
  loaded: LoadedBrief | null;
  stages: Stages;
}

/** One for all bundles of this process. */
const held = globalThis as unknown as {
  buildBriefKnown?: { briefs: Map<string, KnownBrief>; shelf: LoadedShelf | null };
};
const known = (held.buildBriefKnown ??= { briefs: new Map(), shelf: null });
const MOST_BRIEFS = 8;

export function knownBrief(id: string): KnownBrief {
  const key = id.toLowerCase();
  const of = known.briefs.get(key) ?? { loaded: null, stages: new Stages() };
  known.briefs.delete(key);
  known.briefs.set(key, of);
  if (known.briefs.size > MOST_BRIEFS) known.briefs.delete(known.briefs.keys().next().value!);
  return of;
}

/** As a brief was read last, no newer than a revision: a read that began earlier may end later. */
export function knownAt(id: string, number: number): LoadedBrief | null {
  const { loaded } = knownBrief(id);
  return loaded && loaded.revision.number <= number ? loaded : null;
}

export const shelfKnownAt = (number: number): LoadedShelf | null =>
  known.shelf && known.shelf.revision.number <= number ? known.shelf : null;

/** Remembers what was read, unless something newer is known. Only what is committed is remembered. */
export function remember(id: string, loaded: LoadedBrief): void {
  const of = knownBrief(id);
  if (!of.loaded || of.loaded.revision.number <= loaded.revision.number) of.loaded = loaded;
}

export function rememberShelf(loaded: LoadedShelf): void {
  if (!known.shelf || known.shelf.revision.number <= loaded.revision.number) known.shelf = loaded;
}
