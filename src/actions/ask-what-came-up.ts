import { bornQuestions, notAsked } from '@/core/brief/born';
import { outlineOf, type BriefState } from '@/core/kept/state';
import type { ActWriter } from '@/data/acts';

/** Asks what another state of the kit raises beyond the one before; of a brief in which nobody asked anything, nothing. */
export async function askWhatCameUp(writer: ActWriter, before: BriefState, after: BriefState): Promise<number> {
  if (before.questions.length === 0) return 0;
  const raised = (state: BriefState) => bornQuestions(outlineOf(state), state.brief.options, state.airframe).questions;
  const fresh = notAsked(notAsked(raised(after), raised(before)), before.questions);
  await writer.insertMany('question', fresh);
  return fresh.length;
}
