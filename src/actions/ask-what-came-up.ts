import { notAsked, raisedBy } from '@/core/workshop/born';
import type { BriefState } from '@/core/kept/state';
import type { ActWriter } from '@/data/acts';

/** Asks what another state of the kit raises beyond the one before; of a brief in which nobody asked anything, nothing. */
export async function askWhatCameUp(writer: ActWriter, before: BriefState, after: BriefState): Promise<number> {
  if (before.questions.length === 0) return 0;
  const fresh = notAsked(notAsked(raisedBy(after), raisedBy(before)), before.questions);
  await writer.insertMany('question', fresh);
  return fresh.length;
}
