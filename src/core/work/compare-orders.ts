import type { ColourEdge } from '@/core/scheme/edges';
import type { SchemeField } from '@/core/scheme/field';
import { groupBy } from '@/core/units/grouped';
import {
  circleIn,
  lightToDark,
  BENCH_MASK_RATES,
  maskOrder,
  MOST_COLOURS,
  orderAsGiven,
  type MaskJob,
  type MaskOrder,
} from './mask-order';

export interface OrdersWanted {
  /** Edges on the model, mm. */
  edges: readonly (Pick<ColourEdge, 'a' | 'b' | 'hard'> & { modelMm: number })[];
  colours: readonly string[];
  hides: readonly (readonly [string, string])[];
  lightness: Readonly<Record<string, number>>;
  /** [marking's colour, pattern's colour] where the pattern is dimensioned from the marking. */
  markingsFirst: readonly (readonly [string, string])[];
  chosen: readonly string[];
  /** What is papered over for colours from a can, cm2. */
  paperCm2?: Readonly<Record<string, number>>;
}

export const ORDER_NAMES = ['least masking', 'light to dark', 'markings first', 'as chosen'] as const;
export type OrderName = (typeof ORDER_NAMES)[number];

/** An order with all the names that lead to it: "least masking, light to dark". */
export interface ComparedOrder extends MaskOrder {
  title: string;
  names: OrderName[];
  says: string;
}

interface OneOrder extends MaskOrder {
  name: OrderName;
  says: string;
}

/** Those that come to the same order as one, in the order in which they first come. */
const saidOnce = (orders: readonly OneOrder[]): ComparedOrder[] =>
  [...groupBy(orders, ({ order }) => order.join('\n')).values()].map((same): ComparedOrder => {
    const [{ name: _, ...first }] = same as [OneOrder];
    const names = same.map(({ name }) => name);
    return { ...first, names, title: names.join(', '), says: same.map(({ says }) => says).join('; ') };
  });

/** The orders of spraying side by side, that of least masking first; those that come to the same order are said once. Null for too many colours. */
export function compareOrders(wanted: OrdersWanted): ComparedOrder[] | null {
  const { colours, edges, hides, lightness, markingsFirst, chosen, paperCm2 = {} } = wanted;
  if (colours.length === 0 || colours.length > MOST_COLOURS) return null;
  const known = new Set(colours);
  const job: MaskJob = {
    colours,
    regions: colours.map((colour) => ({ id: colour, colour })),
    edges: edges
      .filter(({ a, b }) => known.has(a) && known.has(b))
      .map(({ a, b, hard, modelMm }) => ({ a, b, hard, lengthMm: modelMm })),
    hides: hides.filter(([later, earlier]) => known.has(later) && known.has(earlier)),
    before: [],
    rates: BENCH_MASK_RATES,
    paperCm2,
  };
  const first = markingsFirst.filter(([a, b]) => a !== b && known.has(a) && known.has(b));
  const light = Object.fromEntries(colours.map((colour) => [colour, lightness[colour] ?? 50]));
  const found: OneOrder[] = [
    { name: 'least masking', says: 'the order that takes the least time under tape', ...maskOrder(job) },
    {
      name: 'light to dark',
      says: 'the custom: dark covers a mistake in light, not the reverse',
      ...lightToDark({ ...job, lightness: light }),
    },
  ];
  if (first.length > 0 && !circleIn(first))
    found.push({
      name: 'markings first',
      says: 'the pattern is measured from the markings: they are there to measure from',
      ...maskOrder({ ...job, before: first }),
    });
  if (chosen.length > 0)
    found.push({
      name: 'as chosen',
      says: 'the order that the route follows now',
      ...orderAsGiven(job, [
        ...chosen.filter((code) => known.has(code)),
        ...colours.filter((code) => !chosen.includes(code)),
      ]),
    });
  return saidOnce(found);
}

/** Markings that a pattern is dimensioned from, with the pattern's colour. */
export const patternsOn = (fields: readonly SchemeField[]): { marking: string; code: string }[] =>
  fields.flatMap(({ code, shape }) =>
    'corners' in shape ? shape.corners.flatMap(({ on }) => (on ? [{ marking: on.marking, code }] : [])) : [],
  );

/** Colours of markings that a pattern is dimensioned from: [marking's, pattern's]. */
export const measuredFrom = (
  fields: readonly SchemeField[],
  markings: readonly { id: string; codes: readonly string[] }[],
): [string, string][] =>
  patternsOn(fields).flatMap(({ marking, code }) =>
    (markings.find(({ id }) => id === marking)?.codes ?? []).map((first): [string, string] => [first, code]),
  );
