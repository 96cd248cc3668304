import type { QuestionView } from './questions';

/** Open questions that can be ruled by what one source says, since nothing contradicts it. */
export interface OneWord {
  question: QuestionView;
  value: string;
}

/** Questions on which a source has the only word: it says one thing, and no other source says anything else. */
export function uncontradicted(questions: readonly QuestionView[], sourceId: string): OneWord[] {
  return questions.flatMap((question) => {
    if (!question.open || question.ruling !== null || question.weighed.median !== null) return [];
    const { contributions } = question.weighed;
    const own = question.sightings.findIndex((sighting) => sighting.sourceId === sourceId && sighting.sense === 'for');
    if (own < 0) return [];
    const value = String(contributions[own]!.value);
    const alone = contributions.every((one) => one.sense === 'for' && String(one.value) === value);
    return alone && question.best === value ? [{ question, value }] : [];
  });
}

export const wordReason = (title: string): string => `as ${title} says; nothing contradicts it`;

/** On how many open questions each source has the only word: what `uncontradicted` would find for each, counted in one pass. */
export function onlyWords(questions: readonly QuestionView[]): Map<string, number> {
  const words = new Map<string, number>();
  for (const { open, ruling, weighed, sightings, best } of questions) {
    if (!open || ruling !== null || weighed.median !== null || best === null) continue;
    const { contributions } = weighed;
    if (!contributions.every(({ sense, value }) => sense === 'for' && String(value) === best)) continue;
    for (const source of new Set(sightings.map(({ sourceId }) => sourceId)))
      words.set(source, (words.get(source) ?? 0) + 1);
  }
  return words;
}
