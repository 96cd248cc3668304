import { canonicalIn, type CodeBook } from '@/core/codes/system';
import { ASPECTS } from '@/core/evidence/aspects';
import { isCoatOrder, readCoatOrder, underColour } from '@/core/evidence/coat-order';
import type { CoatedZone } from '@/core/route/call';
import type { QuestionView } from './questions';

/**
 * What is ruled to lie under the colour of zones, and of things of their own on them: of orders of coats those whose codes are known, as the
 * standards write them.
 */
export function coatedZones(questions: readonly QuestionView[], book: CodeBook): CoatedZone[] {
  const at = ({ zone, item }: QuestionView['record']) => JSON.stringify([zone, item]);
  const colours = new Map(
    questions.flatMap(({ record, ruling }) =>
      record.aspect === 'colour' && ruling ? [[at(record), canonicalIn(book, ruling.value)] as const] : [],
    ),
  );
  return questions.flatMap(({ record, ruling, hidden }): CoatedZone[] => {
    if (ASPECTS[record.aspect].type !== 'coats' || !ruling || hidden !== null || !isCoatOrder(ruling.value)) return [];
    const order = readCoatOrder(ruling.value);
    if ('fault' in order) return [];
    const under = underColour(order, colours.get(at(record)) ?? null, (code) => canonicalIn(book, code));
    const { zone, item } = record;
    return under.length > 0 ? [{ zone, item, under, scratched: order.scratched }] : [];
  });
}
