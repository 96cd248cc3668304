import { notFound } from 'next/navigation';
import { cache } from 'react';
import { deriveBrief, type BriefView } from '@/core/brief/derive';
import type { ColourShelf } from '@/core/brief/state';
import { loadBrief } from '@/data/briefs';
import { loadShelf } from '@/data/colours';

/** Step placements that a page may spend on the plan: enough for a good plan, little enough to answer at once. */
const PAGE_EFFORT = 400;

/** The brief with all that follows from it, computed once a request for layout and page together. */
export const briefView = cache(async (id: string): Promise<{ view: BriefView; shelf: ColourShelf; nowUtc: string }> => {
  const [state, shelf] = await Promise.all([loadBrief(id), loadShelf()]);
  if (!state) notFound();
  const nowUtc = new Date().toISOString();
  return { view: deriveBrief(state, shelf, { nowUtc, effort: PAGE_EFFORT }), shelf, nowUtc };
});
