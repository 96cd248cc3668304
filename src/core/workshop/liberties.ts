import { questionInWords } from '@/core/evidence/question-words';
import type { BriefView } from '@/core/derive/derive';
import { FREELY_TAKEN, RULING_TITLES } from '@/core/evidence/bases';

/** What a builder took whatever the sources say, so that nobody takes it for the record. */
export interface Liberty {
  question: string;
  /** "Signal red" */
  value: string;
  /** On what it rests, and why. */
  says: string;
}

/** What a paper calls them. */
export const LIBERTIES_TITLE = 'Liberties and departures from the record';

/** Liberties and knowing departures of a brief, in the order of its questions; also of what nobody has a source for. */
export const libertiesOf = ({ questions }: Pick<BriefView, 'questions'>): Liberty[] =>
  questions.flatMap((question): Liberty[] => {
    const { ruling } = question;
    if (!ruling || !FREELY_TAKEN.has(ruling.basis)) return [];
    const says = [RULING_TITLES[ruling.basis], ruling.reason].filter(Boolean).join('; ');
    return [{ question: questionInWords(question), value: ruling.value, says }];
  });
