import { canonicalIn, type CodeBook } from '@/core/codes/system';
import { ASPECTS } from '@/core/evidence/aspects';
import { coatOrderOf, underColour } from '@/core/evidence/coat-order';
import type { CoatedZone } from '@/core/route/call';
import { colourRulings } from './colour-rulings';
import type { QuestionView } from './questions';

/** Stage: what is ruled to lie under the colour of zones, and of things of their own on them, as the standards write it. */
export function coatedZones(questions: readonly QuestionView[], book: CodeBook): CoatedZone[] {
  const at = ({ zone, item }: { zone: string; item: string }) => JSON.stringify([zone, item]);
  const colours = new Map(colourRulings(questions, book).map((own) => [at(own), own.code]));
  const codeOf = (code: string) => canonicalIn(book, code);
  return questions.flatMap(({ record, ruling, hidden }): CoatedZone[] => {
    const order =
      ASPECTS[record.aspect].type === 'coats' && hidden === null && ruling ? coatOrderOf(ruling.value) : null;
    if (!order) return [];
    const last = order.coats.at(-1);
    // Where the colour itself is not ruled, it is what lies uppermost.
    const over = colours.get(at(record)) ?? (last ? codeOf(last) : null);
    const under = underColour(order, over, codeOf);
    const { zone, item } = record;
    return over !== null && under.length > 0 ? [{ zone, item, over, under, scratched: order.scratched }] : [];
  });
}
