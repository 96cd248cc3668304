import { canonicalIn, type CodeBook } from '@/core/codes/system';
import { aspectOf, type Aspect } from '@/core/evidence/aspects';
import { coatOrderOf, printCoatOrder } from '@/core/evidence/coat-order';
import type { WeighedQuestion } from '@/core/evidence/weigh';
import type { Fields } from '@/core/kept/records';
import { parseNumber } from '@/core/units/number';

/** How a ruling stands to the support. */

interface Weighed {
  record: { aspect: Aspect };
  weighed: WeighedQuestion;
}
interface Asked extends Weighed {
  best: string | null;
  bestShare: number | null;
}

/** A value as it is compared: a code by its own name, a length as a number. */
export function comparableValue(book: CodeBook, aspect: Aspect, value: string): string | number {
  const { type } = aspectOf(aspect);
  if (type === 'length') return parseNumber(value) ?? value;
  const order = type === 'coats' ? coatOrderOf(value) : null;
  if (order) return printCoatOrder(order, (code) => canonicalIn(book, code));
  return type === 'code' ? canonicalIn(book, value) : value;
}

/** A median is taken to be known no better than this share of itself. */
const LEAST_SPREAD = 0.01;

/** Whether a length is as good as the measured one: within three spreads. */
export const isNearMedian = (mm: number, { median, spread }: Pick<WeighedQuestion, 'median' | 'spread'>): boolean =>
  Math.abs(mm - median!) <= 3 * Math.max(spread ?? 0, LEAST_SPREAD * median!);

/** The support of a value that is ruled or might be; null where support does not apply. 0 for what no source says. */
export function shareOf({ record, weighed }: Weighed, value: string, book: CodeBook): number | null {
  const ruled = String(comparableValue(book, record.aspect, value));
  if (weighed.median !== null || !weighed.support) return null;
  return Object.hasOwn(weighed.support, ruled) ? weighed.support[ruled]! : 0;
}

/** Why a value cannot be ruled "as supported": then it is a choice of the builder, or a departure. Null where it can. */
export function notSupported(question: Asked, value: string, book: CodeBook): string | null {
  const { record, weighed, best, bestShare } = question;
  if (best === null) return 'No source that counts says anything yet';
  const ruled = comparableValue(book, record.aspect, value);
  if (weighed.median !== null)
    return typeof ruled === 'number' && isNearMedian(ruled, weighed) ? null : `The measurements say ${best} mm`;
  return String(ruled) === best
    ? null
    : `The support favours ${best}${bestShare === null ? '' : `, ${bestShare.toFixed(2)}`}`;
}

/** The reason of a ruling that needs none: what the sources settle speaks for itself. Null where a reason has to be given. */
export function ownReason(
  question: Asked,
  { value, basis }: Pick<Fields<'ruling'>, 'value' | 'basis'>,
  book: CodeBook,
): string | null {
  if (basis !== 'supported' || question.weighed.state !== 'settled' || notSupported(question, value, book)) return null;
  return `settled by the sources, ${question.bestShare!.toFixed(2)}`;
}
