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
}

/** What was derived of each brief last, and of which revision and minute. */
const remembered = new WeakMap<KnownBrief, { of: string; derived: Derived }>();

/** The revisions of the brief at an address; there is no such page where there is no such brief. */
export const revisionsAt = async (id: string): Promise<Revisions> =>
  (isId(id) ? await revisionsOf(pool(), id) : null) ?? notFound();

const nameOf = (revisions: Revisions, minute: string) => `${revisionInWords(revisions)} ${minute}`;

/** The brief with all that follows from it, derived once a request for layout and page together, and again only when something changed. */
export const briefView = cache(async (id: string): Promise<Derived> => {
  const minute = minuteNow();
  const known = isId(id) ? knownBrief(id) : notFound();
  const before = remembered.get(known);
  if (before && before.of === nameOf(await revisionsAt(id), minute)) return before.derived;
  const { brief, shelf, revisions } = (await snapshotOf(id)) ?? notFound();
  const of = nameOf(revisions, minute);
  // Somebody else may have derived just this while it was read.
  const now = remembered.get(known);
  if (now?.of === of) return now.derived;
  const view = deriveBrief(brief.state, shelf.shelf, { nowUtc: minute, effort: PAGE_EFFORT }, known.stages);
  const derived = { view, shelf: shelf.shelf, nowUtc: minute, revisions };
  keepFigure(id, view, revisions);
  if (!now || now.derived.revisions.brief.number <= revisions.brief.number) remembered.set(known, { of, derived });
  return derived;
});

const figures = new Map<string, string>();
/** What is open goes to the list of briefs, beside the page that shows it. */
function keepFigure(id: string, view: BriefView, revisions: Revisions) {
  const from = reckonedFrom(revisions);
  if (figures.get(id) === from) return;
  figures.set(id, from);
  keepOpen(id, from, view.open.length).catch(() => figures.delete(id));
}
