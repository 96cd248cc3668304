import { notFound } from 'next/navigation';
import { cache } from 'react';
import { deriveBrief, type BriefView } from '@/core/brief/derive';
import { Stages } from '@/core/brief/stages';
import type { ColourShelf } from '@/core/kept/state';
import { isId, loadSince, type LoadedBrief } from '@/data/briefs';
import { pool } from '@/data/database';
import { revisionInWords, revisionsOf, type Revisions } from '@/data/revisions';
import { loadShelfSince, type LoadedShelf } from '@/data/shelf';

/** Step placements that a page may spend on the plan: enough for a good plan, little enough to answer at once. */
const PAGE_EFFORT = 400;

export interface Derived {
  view: BriefView;
  shelf: ColourShelf;
  nowUtc: string;
  revisions: Revisions;
}

/** Of a brief what was read and derived last, so that the next revision reads and derives only what changed. */
interface Remembered {
  loaded: LoadedBrief | null;
  stages: Stages;
  of: string;
  derived: Derived | null;
}
const remembered = new Map<string, Remembered>();
const MOST_REMEMBERED = 12;
let shelfRead: Promise<LoadedShelf> | null = null;
let shelfNumber = -1;

/** The revisions of the brief at an address; there is no such page where there is no such brief. */
export const revisionsAt = async (id: string): Promise<Revisions> =>
  (isId(id) ? await revisionsOf(pool(), id) : null) ?? notFound();

/** The brief with all that follows from it, derived once a request for layout and page together, and again only when something changed. */
export const briefView = cache(async (id: string): Promise<Derived> => {
  const nowUtc = `${new Date().toISOString().slice(0, 16)}:00.000Z`;
  const revisions = await revisionsAt(id);
  const of = `${revisionInWords(revisions)} ${nowUtc}`;
  const known = memoryOf(id);
  if (known.derived && known.of === of) return known.derived;
  const [loaded, { shelf }] = await Promise.all([
    known.loaded?.revision.number === revisions.brief.number
      ? known.loaded
      : loadSince(id, revisions.brief, known.loaded),
    shelfAt(revisions),
  ]);
  const view = deriveBrief(loaded.state, shelf, { nowUtc, effort: PAGE_EFFORT }, known.stages);
  const derived = { view, shelf, nowUtc, revisions };
  Object.assign(known, { loaded, of, derived });
  return derived;
});

function memoryOf(id: string): Remembered {
  const known = remembered.get(id) ?? { loaded: null, stages: new Stages(), of: '', derived: null };
  remembered.delete(id);
  remembered.set(id, known);
  if (remembered.size > MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
  return known;
}

/** The shelf at a revision, read once for all briefs of this process. */
function shelfAt({ shelf: revision }: Revisions): Promise<LoadedShelf> {
  if (shelfRead && shelfNumber === revision.number) return shelfRead;
  const before = shelfRead;
  shelfNumber = revision.number;
  shelfRead = (async () => loadShelfSince(revision, before && (await before.catch(() => null))))();
  shelfRead.catch(() => (shelfNumber = -1));
  return shelfRead;
}
