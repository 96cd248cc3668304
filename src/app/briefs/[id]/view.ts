import { notFound } from 'next/navigation';
import { cache } from 'react';
import { deriveBrief, type BriefView } from '@/core/brief/derive';
import type { ColourShelf } from '@/core/kept/state';
import { isId, loadBrief } from '@/data/briefs';
import { pool } from '@/data/database';
import { revisionsOf, type Revisions } from '@/data/revisions';
import { loadShelf } from '@/data/shelf';

/** Step placements that a page may spend on the plan: enough for a good plan, little enough to answer at once. */
const PAGE_EFFORT = 400;

interface Derived {
  view: BriefView;
  shelf: ColourShelf;
  nowUtc: string;
  revisions: Revisions;
}

/** What was computed last for each brief, and from which revisions: a plan holds for its minute. */
const remembered = new Map<string, { of: string; derived: Derived }>();
const MOST_REMEMBERED = 20;

/** The brief with all that follows from it, computed once a request for layout and page together, and again only when something changed. */
export const briefView = cache(async (id: string): Promise<Derived> => {
  const nowUtc = `${new Date().toISOString().slice(0, 16)}:00.000Z`;
  const revisions = isId(id) ? await revisionsOf(pool(), id) : null;
  if (!revisions) notFound();
  const of = `${revisions.brief} ${revisions.shelf} ${nowUtc}`;
  const known = remembered.get(id);
  if (known?.of === of) return known.derived;
  const [state, shelf] = await Promise.all([loadBrief(id), loadShelf()]);
  if (!state) notFound();
  const derived = { view: deriveBrief(state, shelf, { nowUtc, effort: PAGE_EFFORT }), shelf, nowUtc, revisions };
  remembered.delete(id);
  remembered.set(id, { of, derived });
  if (remembered.size > MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
  return derived;
});
