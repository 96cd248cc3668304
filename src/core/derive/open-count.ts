import type { CodeBook } from '@/core/codes/system';
import { outlineOf, type BriefState } from '@/core/kept/state';
import { weighQuestions } from './questions';
import { unaskedZones } from './unasked';

/** How much of a brief is open, as every station counts it: open questions, and zones of which nobody asked the colour. */
export function openCount(state: BriefState, book: CodeBook): number {
  const outline = outlineOf(state);
  const { questions } = weighQuestions(state, book, outline);
  const unasked = unaskedZones(outline, state.brief.options, state.questions);
  return questions.filter(({ open }) => open).length + unasked.length;
}
