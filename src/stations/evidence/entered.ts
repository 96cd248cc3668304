import { readCell } from '@/core/evidence/cell-entry';
import { clarityOf } from '@/core/evidence/shown';
import type { CellText } from './ledger';
import type { QuestionRow, SightingCell, SourceRow } from './page-data';

/** The ledger's rows with what was typed into a cell, before the server has answered. What is no answer changes nothing. */
export function withEntry(
  questions: readonly QuestionRow[],
  sources: readonly Pick<SourceRow, 'id' | 'film' | 'sides'>[],
  { questionId, sourceId, text, standing }: CellText,
): QuestionRow[] {
  return questions.map((question) => {
    const source = sources.find(({ id }) => id === sourceId);
    if (question.id !== questionId || !source) return question;
    const read = readCell(question.aspect, text, clarityOf(source, question.zone, question.aspect));
    if (read && 'fault' in read) return question;
    const others = question.sightings.filter(({ id }) => id !== standing?.id);
    if (!read) return { ...question, sightings: others };
    const entered: SightingCell = {
      id: standing?.id ?? 'entered',
      version: standing?.version ?? 0,
      sourceId,
      questionId,
      ...read,
    };
    return { ...question, sightings: [...others, entered] };
  });
}
