import type { Aspect } from '@/core/evidence/aspects';
import { questionInWords } from '@/core/evidence/question-words';
import type { Outline } from '@/core/outline/outline';
import type { Zone } from '@/core/outline/zones';
import { gateOf, type GateName } from '@/core/route/gates';
import type { Due, DueOf } from './due';
import type { QuestionView } from './questions';

/** An answer that is lacking: a question that is open, or the colour of a zone that nobody asked about. */
export interface OpenItem {
  /** "Fin, port, colour"; "Cowling, colour (nobody asked yet)". */
  says: string;
  question: QuestionView | null;
  zone: string;
  aspect: Aspect;
  gate: GateName;
  due: Due;
}

/** All that is open in a brief, the most pressing first: what every station, gate, list and page counts. */
export function openItems(
  questions: readonly QuestionView[],
  unasked: readonly Zone[],
  outline: Outline,
  dueOf: DueOf,
): OpenItem[] {
  const zones = new Map(outline.zones.map((zone) => [zone.key, zone]));
  const item = (
    key: string,
    aspect: Aspect,
    gate: GateName,
    says: string,
    question: QuestionView | null,
  ): OpenItem => ({
    says,
    question,
    zone: key,
    aspect,
    gate,
    due: dueOf(zones.get(key) ?? elsewhere(key), aspect, gate),
  });
  return [
    ...questions.flatMap((question) =>
      question.open
        ? [item(question.record.zone, question.record.aspect, question.gate, questionInWords(question), question)]
        : [],
    ),
    ...unasked.map((zone) =>
      item(zone.key, 'colour', gateOf(outline, zone.key, 'colour'), `${zone.title}, colour (nobody asked yet)`, null),
    ),
  ].sort((a, b) => (a.due.start ?? '9999').localeCompare(b.due.start ?? '9999'));
}

/** A zone that the airframe no longer has, as when another outline was chosen since. */
export const elsewhere = (key: string): Pick<Zone, 'key' | 'group' | 'closedBy'> => ({
  key,
  group: 'fuselage',
  closedBy: null,
});
