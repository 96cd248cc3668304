import { notFound } from 'next/navigation';
import { cache } from 'react';
import { minuteNow } from '@/clock/now';
import { deriveBrief, PAGE_EFFORT, type BriefView } from '@/core/derive/derive';
import { Stages } from '@/core/derive/stages';
import type { ColourShelf } from '@/core/kept/state';
import { isId, type LoadedBrief } from '@/data/briefs';
import { keepOpen, reckonedFrom } from '@/data/brief-list';
import { pool } from '@/data/database';
import { revisionInWords, revisionsOf, type Revisions } from '@/data/revisions';
import type { LoadedShelf } from '@/data/shelf';
import { snapshotOf } from '@/data/snapshot';

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
const MOST_REMEMBERED = 8;
/** The shelf as it was read last, for all briefs of this process. */
let shelfKnown: LoadedShelf | null = null;

/** The revisions of the brief at an address; there is no such page where there is no such brief. */
export const revisionsAt = async (id: string): Promise<Revisions> =>
  (isId(id) ? await revisionsOf(pool(), id) : null) ?? notFound();

const nameOf = (revisions: Revisions, minute: string) => `${revisionInWords(revisions)} ${minute}`;

/** The brief with all that follows from it, derived once a request for layout and page together, and again only when something changed. */
export const briefView = cache(async (id: string): Promise<Derived> => {
  const minute = minuteNow();
  const known = memoryOf(id);
  if (known.derived && known.of === nameOf(await revisionsAt(id), minute)) return known.derived;
  const snapshot = (await snapshotOf(id, () => ({ brief: known.loaded, shelf: shelfKnown }))) ?? notFound();
  const { revisions } = snapshot;
  const of = nameOf(revisions, minute);
  // Somebody else may have derived just this while it was read.
  if (known.derived && known.of === of) return known.derived;
  const { state } = snapshot.brief;
  const { shelf } = snapshot.shelf;
  const view = deriveBrief(state, shelf, { nowUtc: minute, effort: PAGE_EFFORT }, known.stages);
  const derived = { view, shelf, nowUtc: minute, revisions };
  keepFigure(id, view, revisions);
  if (!known.loaded || known.loaded.revision.number <= revisions.brief.number)
    Object.assign(known, { loaded: snapshot.brief, of, derived });
  if (!shelfKnown || shelfKnown.revision.number <= revisions.shelf.number) shelfKnown = snapshot.shelf;
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

function memoryOf(id: string): Remembered {
  const known = remembered.get(id) ?? { loaded: null, stages: new Stages(), of: '', derived: null };
  remembered.delete(id);
  remembered.set(id, known);
  if (remembered.size > MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
  return known;
}
