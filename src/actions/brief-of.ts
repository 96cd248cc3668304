import { deriveBrief, type BriefView, type DeriveSettings } from '@/core/brief/derive';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { loadBrief } from '@/data/briefs';
import { loadShelf } from '@/data/shelf';
import { Refused } from './answer';

/** All that is kept of the brief that an act is done at. */
export async function briefOf(briefId: string): Promise<BriefState> {
  const state = await loadBrief(briefId);
  if (!state) throw new Refused('', 'This brief is gone.');
  return state;
}

/** The brief that an act is done at with all that follows from it now, no better plan being looked for. */
export async function viewOf(
  briefId: string,
): Promise<{ view: BriefView; shelf: ColourShelf; settings: DeriveSettings }> {
  const [state, shelf] = await Promise.all([briefOf(briefId), loadShelf()]);
  const settings = { nowUtc: new Date().toISOString(), effort: 0 };
  return { view: deriveBrief(state, shelf, settings), shelf, settings };
}
