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
    const codeOf = (code: string) => canonicalIn(book, code);
    const last = order.coats.at(-1);
    // Where the colour itself is not ruled, it is what lies uppermost.
    const over = colours.get(at(record)) ?? (last ? codeOf(last) : null);
    const under = underColour(order, over, codeOf);
    const { zone, item } = record;
    return over !== null && under.length > 0 ? [{ zone, item, over, under, scratched: order.scratched }] : [];
  });
}
