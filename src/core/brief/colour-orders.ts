import { canonicalIn } from '@/core/codes/system';
import type { Kept } from '@/core/kept/records';
import { compareOrders, measuredFrom, type ComparedOrder } from '@/core/markings/compare-orders';
import { schemeOn } from '@/core/markings/placing';
import { schemeFigures, type SchemeBases } from '@/core/scheme/figures';
import { type BriefView } from './derive';
import { ruledColours, softZones } from './ruled';
import { largeCodes, sprayRank } from '@/core/work/spray-order';
import { hidingPairs } from './hiding';

/** In which order the colours of a brief are sprayed: what lies between the ways, reckoned from its scheme. */

/** Fields of the scheme, with their colours as the standards write them. */
export const fieldsOf = ({ state, book }: Pick<BriefView, 'state' | 'book'>): Kept<'scheme_field'>[] =>
  state.fields.map((field) => ({ ...field, code: canonicalIn(book, field.code) }));

/** What the scheme of a brief lies on. */
export const schemeBases = ({
  state,
  questions,
  book,
}: Pick<BriefView, 'state' | 'questions' | 'book'>): SchemeBases => ({
  ruled: Object.fromEntries(ruledColours(questions, book)),
  soft: [...softZones(questions)],
  denominator: state.brief.denominator,
});

/** The place of each colour in the custom of light before dark, the highest first. */
export function ranksOf({
  calls,
  outline,
  route,
}: Pick<BriefView, 'calls' | 'outline' | 'route'>): Record<string, number> {
  const skin = new Set(route.covered.outside);
  const outside = calls.flatMap(({ code, zones }) => {
    const own = zones.filter((zone) => skin.has(zone));
    return own.length > 0 ? [{ code, zones: own }] : [];
  });
  const large = largeCodes(outside, outline);
  return Object.fromEntries(
    calls.map(({ code, choice, official }) => [
      code,
      sprayRank((choice?.paint.lab ?? official?.lab)?.[0], choice?.paint.kind === 'metallic', large.has(code)),
    ]),
  );
}

/** An order with all the names that lead to it: "least masking, light to dark". */
export interface NamedOrder extends ComparedOrder {
  title: string;
  names: ComparedOrder['name'][];
}

/** The orders side by side, each once; null where there is nothing to put in order, or too much. */
export function colourOrders(view: BriefView): NamedOrder[] | null {
  const fields = fieldsOf(view);
  const { markings, brief } = view.state;
  const { edges, outside } = schemeFigures(view.outline, schemeOn(view.outline, fields, markings), schemeBases(view));
  if (outside.length < 2) return null;
  const orders = compareOrders({
    edges,
    colours: outside,
    hides: hidingPairs(view.calls),
    lightness: ranksOf(view),
    markingsFirst: measuredFrom(fields, markings),
    chosen: brief.maskOrder,
  });
  if (!orders) return null;
  const named = new Map<string, NamedOrder>();
  for (const one of orders) {
    const known = named.get(one.order.join());
    named.set(
      one.order.join(),
      known
        ? { ...known, title: `${known.title}, ${one.name}`, names: [...known.names, one.name] }
        : { ...one, title: one.name, names: [one.name] },
    );
  }
  return [...named.values()];
}
