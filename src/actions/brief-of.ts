import { minuteNow } from '@/clock/now';
import { codeBook } from '@/core/codes/official';
import type { CodeBook } from '@/core/codes/system';
import { deriveBrief, PAGE_EFFORT, type BriefView, type DeriveSettings } from '@/core/derive/derive';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { knownBrief } from '@/data/known';
import type { Sight } from '@/data/sight';
import { Refused } from './answer';

/**
 * The brief that an act is done at, or that is looked at. Within an act all of it stands as it is after its turn has come and with what the act
 * wrote already: what is checked is what it is applied to.
 */

/** All that is kept of the brief. */
export async function briefOf(at: Sight): Promise<BriefState> {
  const state = await at.brief();
  if (!state) throw new Refused('', 'This brief is gone.');
  return state;
}

export const shelfOf = (at: Sight): Promise<ColourShelf> => at.shelf();

/** How the codes of the house are written, and which there are. */
export const bookOf = async (at: Sight): Promise<CodeBook> => codeBook(await at.shelf());

/** The brief with all that follows from it, as a page has it: what was derived for the one need not be derived for the other. */
export async function viewOf(at: Sight): Promise<{ view: BriefView; shelf: ColourShelf; settings: DeriveSettings }> {
  const state = await briefOf(at);
  const shelf = await shelfOf(at);
  const settings = { nowUtc: minuteNow(), effort: PAGE_EFFORT };
  return { view: deriveBrief(state, shelf, settings, knownBrief(at.briefId).stages), shelf, settings };
}
