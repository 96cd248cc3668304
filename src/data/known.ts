import { LRUCache } from 'lru-cache';
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

/** Measured on a brief of twenty rows and on one of 4,500 after acts at it: what was derived of any, and what each row takes as read and as derived of the last few states. */
const BYTES_OF_ANY = 6e6;
const BYTES_OF_A_ROW = 6000;
/** Of all briefs that are remembered; a process of these and of the pages that it draws stays under 300 MB. */
export const MOST_BYTES = 32e6;

/** One for all bundles of this process. */
const held = globalThis as unknown as {
  buildBriefKnown?: { briefs: LRUCache<string, KnownBrief>; shelf: LoadedShelf | null };
};
const known = (held.buildBriefKnown ??= {
  briefs: new LRUCache({ maxSize: MOST_BYTES, sizeCalculation }),
  shelf: null,
});

/** What a brief takes in memory, bytes. One that is larger than all may be is remembered alone. */
function sizeCalculation({ loaded }: KnownBrief): number {
  const rows = Object.values(loaded?.state ?? {}).reduce((sum, of) => sum + (Array.isArray(of) ? of.length : 1), 0);
  return Math.min(BYTES_OF_ANY + rows * BYTES_OF_A_ROW, MOST_BYTES);
}

export function knownBrief(id: string): KnownBrief {
  const key = id.toLowerCase();
  const before = known.briefs.get(key);
  if (before) return before;
  const made: KnownBrief = { loaded: null, stages: new Stages() };
  known.briefs.set(key, made);
  return made;
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
  if (of.loaded && of.loaded.revision.number > loaded.revision.number) return;
  of.loaded = loaded;
  // Put in again it would keep its weight of before.
  const key = id.toLowerCase();
  known.briefs.delete(key);
  known.briefs.set(key, of);
}

export function rememberShelf(loaded: LoadedShelf): void {
  if (!known.shelf || known.shelf.revision.number <= loaded.revision.number) known.shelf = loaded;
}
