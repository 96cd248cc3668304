import type { QuestionView } from '@/core/derive/questions';

/** Open questions that can be ruled by what one source says, since nothing contradicts it. */
export interface OneWord {
  question: QuestionView;
  value: string;
}

/** What all who speak of an open question say alike; null where it is ruled or measured, or where anybody says anything else. */
function onlyWord({ open, ruling, weighed, best }: QuestionView): string | null {
  if (!open || ruling !== null || weighed.median !== null || best === null) return null;
  return weighed.contributions.every(({ sense, value }) => sense === 'for' && String(value) === best) ? best : null;
}

/** Questions on which a source has the only word: it says one thing, and no other source says anything else. */
export const uncontradicted = (questions: readonly QuestionView[], sourceId: string): OneWord[] =>
  questions.flatMap((question) => {
    const value = question.sightings.some((sighting) => sighting.sourceId === sourceId) ? onlyWord(question) : null;
    return value === null ? [] : [{ question, value }];
  });

export const wordReason = (title: string): string => `as ${title} says; nothing contradicts it`;

/** On how many open questions each source has the only word: what `uncontradicted` would find for each, counted in one pass. */
export function onlyWords(questions: readonly QuestionView[]): Map<string, number> {
  const words = new Map<string, number>();
  for (const question of questions) {
    if (onlyWord(question) === null) continue;
    for (const source of new Set(question.sightings.map(({ sourceId }) => sourceId)))
      words.set(source, (words.get(source) ?? 0) + 1);
  }
  return words;
}
