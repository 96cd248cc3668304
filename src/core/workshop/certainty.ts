import type { QuestionView } from '@/core/derive/questions';

/** The word for how sure a zone's answers are, the least sure first: what the sheet hatches. */
export type ZoneCertainty = 'unasked' | 'unseen' | 'contested' | 'leaning' | 'settled';

export function certaintyOf(questions: readonly QuestionView[], zone: string): ZoneCertainty {
  const here = questions.filter((question) => question.record.zone === zone);
  if (here.length === 0) return 'unasked';
  const states = here.filter((question) => question.open).map((question) => question.weighed.state);
  if (states.includes('unseen')) return 'unseen';
  if (states.includes('contested')) return 'contested';
  return states.includes('leaning') ? 'leaning' : 'settled';
}
