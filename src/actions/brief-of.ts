import { nowUtc } from '@/clock/now';
import type { CodeBook } from '@/core/codes/system';
import { deriveBrief, type BriefView, type DeriveSettings } from '@/core/derive/derive';
import { Stages } from '@/core/derive/stages';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { loadBrief } from '@/data/briefs';
import { loadCodeBook, loadShelf } from '@/data/shelf';
import { settled } from '@/data/settled';
import type { Sight } from '@/data/sight';
import { Refused } from './answer';

/**
 * The brief that an act is done at, or that is looked at. Within an act all of it is read after its turn has come and with what the act wrote
 * already: what is checked is what it is applied to.
 */

/** All that is kept of the brief. */
export async function briefOf({ client, briefId }: Sight): Promise<BriefState> {
  const state = await loadBrief(briefId, client);
  if (!state) throw new Refused('', 'This brief is gone.');
  return state;
}

export async function shelfOf(at: Sight): Promise<ColourShelf> {
  await at.holdShelf?.();
  return loadShelf(at.client);
}

/** How the codes of the house are written, and which there are. */
export async function bookOf(at: Sight): Promise<CodeBook> {
  await at.holdShelf?.();
  return loadCodeBook(at.client);
}

/** Of a brief what an act read and derived last, so that the next act derives only what changed. */
interface Remembered {
  read: { state: BriefState; shelf: ColourShelf };
  stages: Stages;
}
const remembered = new Map<string, Remembered>();
const MOST_REMEMBERED = 4;

/** The brief with all that follows from it now, no better plan being looked for. */
export async function viewOf(at: Sight): Promise<{ view: BriefView; shelf: ColourShelf; settings: DeriveSettings }> {
  const known = remembered.get(at.briefId);
  const state = settled(known?.read.state, await briefOf(at));
  const shelf = settled(known?.read.shelf, await shelfOf(at));
  const stages = known?.stages ?? new Stages();
  const settings = { nowUtc: nowUtc(), effort: 0 };
  const view = deriveBrief(state, shelf, settings, stages);
  remembered.delete(at.briefId);
  remembered.set(at.briefId, { read: { state, shelf }, stages });
  if (remembered.size > MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
  return { view, shelf, settings };
}
