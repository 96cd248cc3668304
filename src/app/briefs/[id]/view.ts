import { notFound } from 'next/navigation';
import { cache } from 'react';
import { minuteNow } from '@/clock/now';
import { deriveBrief, PAGE_EFFORT, type BriefView } from '@/core/derive/derive';
import type { ColourShelf } from '@/core/kept/state';
import { knownBrief, type KnownBrief } from '@/data/known';
import { isId } from '@/data/read-brief';
import { keepOpen, reckonedFrom } from '@/data/brief-list';
import { pool } from '@/data/database';
import { revisionInWords, revisionsOf, type Revisions } from '@/data/revisions';
import { snapshotOf } from '@/data/snapshot';

export interface Derived {
  view: BriefView;
  shelf: ColourShelf;
  nowUtc: string;
  revisions: Revisions;
  /** The revisions and the minute: the same name, the same pages. */
  of: string;
}

/** What was derived of each brief, the newest first: browsers that show an older one are told what changed since. */
const remembered = new WeakMap<KnownBrief, readonly Derived[]>();
const MOST_REMEMBERED = 3;

/** The revisions of the brief at an address; there is no such page where there is no such brief. */
export const revisionsAt = async (id: string): Promise<Revisions> =>
  (isId(id) ? await revisionsOf(pool(), id) : null) ?? notFound();

const nameOf = (revisions: Revisions, minute: string) => `${revisionInWords(revisions)} ${minute}`;

/** The brief with all that follows from it, derived once a request for layout and page together, and again only when something changed. */
export const briefView = cache(async (id: string): Promise<Derived> => {
  const minute = minuteNow();
  const known = isId(id) ? knownBrief(id) : notFound();
  const before = remembered.get(known)?.[0];
  if (before && before.of === nameOf(await revisionsAt(id), minute)) return before;
  const { brief, shelf, revisions } = (await snapshotOf(id)) ?? notFound();
  const of = nameOf(revisions, minute);
  // Somebody else may have derived just this while it was read.
  const held = remembered.get(known) ?? [];
  if (held[0]?.of === of) return held[0];
  const view = deriveBrief(brief.state, shelf.shelf, { nowUtc: minute, effort: PAGE_EFFORT }, known.stages);
  const derived = { view, shelf: shelf.shelf, nowUtc: minute, revisions, of };
  keepFigure(id, view, revisions);
  if (!held[0] || held[0].revisions.brief.number <= revisions.brief.number)
    remembered.set(known, [derived, ...held].slice(0, MOST_REMEMBERED));
  return derived;
});

/** What was derived under a name; null where it is known no more. */
export const derivedOf = (id: string, of: string): Derived | null =>
  remembered.get(knownBrief(id))?.find((derived) => derived.of === of) ?? null;

const figures = new Map<string, string>();
/** What is open goes to the list of briefs, beside the page that shows it. */
function keepFigure(id: string, view: BriefView, revisions: Revisions) {
  const from = reckonedFrom(revisions);
  if (figures.get(id) === from) return;
  figures.set(id, from);
  keepOpen(id, from, view.open.length).catch(() => figures.delete(id));
}
