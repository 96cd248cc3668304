import type { Outline } from '@/core/outline/outline';
import type { PaintedField } from '@/core/scheme/cells';
import { listed } from '@/core/units/words';
import { fitsOf, neighboursOf, type PlacedFit } from './fit-on';
import type { PlaceableMarking } from './placing';
import { UNTOLD_MM } from './size';

/** What is wrong with where markings lie, so that a table can say it of all of them. */

type Placed = PlaceableMarking & { title: string; printedMm: number | null };

/** Two markings that share less than this on the model, mm2, touch. */
const TOUCH_MM2 = 1;

/** Of each marking that lies over another, on another zone than its own, or over its painted field: what, in few words. Lengths are the model's. */
export function troublesOf(
  outline: Outline,
  denominator: number,
  markings: readonly Placed[],
  painted: readonly PaintedField[],
): Record<string, string[]> {
  const all = neighboursOf(outline, markings);
  const rank = new Map(markings.map(({ title }, i) => [title, i]));
  return Object.fromEntries(
    markings.flatMap((marking, own) => {
      const others = all.filter(({ other }) => other.id !== marking.id);
      const fits = fitsOf(outline, denominator, marking, others, painted);
      const met = new Set(
        fits.flatMap(({ fit }) =>
          fit.overlaps.flatMap(({ id, areaMm2 }) => (areaMm2 / denominator ** 2 >= TOUCH_MM2 ? [id] : [])),
        ),
      );
      const [under, over] = [true, false].map((isUnder) => [...met].filter((id) => rank.get(id)! < own === isUnder));
      const says = [
        ...(under!.length > 0 ? [`lies over ${listed(under!)}`] : []),
        ...(over!.length > 0 ? [`lies under ${listed(over!)}`] : []),
        // What runs along lies on many.
        ...(marking.kind === 'band' ? [] : elsewhere(fits, marking.zone)),
        ...overField(fits, denominator),
      ];
      return says.length > 0 ? [[marking.id, says] as const] : [];
    }),
  );
}

/** How far it stands over its painted field at the worst of its places. */
function overField(fits: readonly PlacedFit[], denominator: number): string[] {
  const [worst] = fits
    .flatMap(({ field }) => (field ? [{ mm: field.fit.overhangMm / denominator, title: field.title }] : []))
    .filter(({ mm }) => mm >= UNTOLD_MM)
    .sort((a, b) => b.mm - a.mm);
  return worst ? [`${worst.mm.toFixed(1)} mm over the edge of its field “${worst.title}” on the model`] : [];
}

/** A marking that lies nowhere on the zone that it was entered for. */
function elsewhere(fits: readonly PlacedFit[], zone: string): string[] {
  const [first] = fits;
  return first && fits.every((fit) => fit.zone !== zone) ? [`lies on ${first.zoneTitle.toLowerCase()} instead`] : [];
}
