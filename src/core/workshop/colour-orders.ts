import { canonicalIn } from '@/core/codes/system';
import type { Kept } from '@/core/kept/records';
import { compareOrders, measuredFrom, type ComparedOrder } from '@/core/work/compare-orders';
import { schemeOn } from '@/core/markings/placing';
import { schemeFigures, type SchemeBases } from '@/core/scheme/figures';
import { type BriefView } from '@/core/derive/derive';
import { ruledColours } from '@/core/derive/colour-rulings';
import { softZones } from '@/core/derive/ruled';
import { paperFor } from '@/core/work/masking';
import { largeCodes, sprayRank } from '@/core/work/spray-order';
import { hidingPairs } from '@/core/derive/hiding';

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
    calls.map(({ code, choice, official, way }) => [
      code,
      sprayRank((choice?.paint.lab ?? official?.lab)?.[0], choice?.paint.kind === 'metallic', large.has(code), way.way),
    ]),
  );
}

/** What each colour from a can has papered over, cm2. */
export const paperOf = ({
  calls,
  outline,
  state,
}: Pick<BriefView, 'calls' | 'outline' | 'state'>): Record<string, number> =>
  Object.fromEntries(
    calls.map(({ code, zones, way }) => [code, paperFor(way.way, new Set(zones), outline, state.brief.denominator)]),
  );

/** The orders side by side, each once; null where there is nothing to put in order, or too much. */
export function colourOrders(view: BriefView): ComparedOrder[] | null {
  const fields = fieldsOf(view);
  const { markings, brief } = view.state;
  const { edges, outside } = schemeFigures(view.outline, schemeOn(view.outline, fields, markings), schemeBases(view));
  if (outside.length < 2) return null;
  return compareOrders({
    edges,
    colours: outside,
    hides: hidingPairs(view.calls),
    lightness: ranksOf(view),
    markingsFirst: measuredFrom(fields, markings),
    chosen: brief.maskOrder,
    paperCm2: paperOf(view),
  });
}
