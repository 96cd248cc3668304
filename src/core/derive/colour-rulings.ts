import { canonicalIn, type CodeBook } from '@/core/codes/system';
import type { QuestionView } from './questions';

/** Colours that are ruled, of zones and of things of their own on them (`item`, '' for the zone itself), as the standards write them. */
export const colourRulings = (
  questions: readonly QuestionView[],
  book: CodeBook,
): { zone: string; item: string; code: string }[] =>
  questions.flatMap(({ record: { zone, aspect, item }, ruling }) =>
    aspect === 'colour' && ruling ? [{ zone, item, code: canonicalIn(book, ruling.value) }] : [],
  );

/** The colour that each zone is ruled to have by itself. */
export const ruledColours = (questions: readonly QuestionView[], book: CodeBook): Map<string, string> =>
  new Map(
    colourRulings(questions, book).flatMap(({ zone, item, code }) => (item === '' ? [[zone, code] as const] : [])),
  );
