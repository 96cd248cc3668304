import type { BriefState } from '@/core/kept/state';
import { loadBrief } from '@/data/briefs';
import { Refused } from './answer';

/** All that is kept of the brief that an act is done at. */
export async function briefOf(briefId: string): Promise<BriefState> {
  const state = await loadBrief(briefId);
  if (!state) throw new Refused('', 'This brief is gone.');
  return state;
}
