import { nowUtc } from '@/clock/now';
import type { CodeBook } from '@/core/codes/system';
import { deriveBrief, type BriefView, type DeriveSettings } from '@/core/derive/derive';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { loadBrief } from '@/data/briefs';
import { loadCodeBook, loadShelf } from '@/data/shelf';
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

/** The brief with all that follows from it now, no better plan being looked for. */
export async function viewOf(at: Sight): Promise<{ view: BriefView; shelf: ColourShelf; settings: DeriveSettings }> {
  const [state, shelf] = [await briefOf(at), await shelfOf(at)];
  const settings = { nowUtc: nowUtc(), effort: 0 };
  return { view: deriveBrief(state, shelf, settings), shelf, settings };
}
