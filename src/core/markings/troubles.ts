import type { Outline } from '@/core/outline/outline';
import type { PaintedField } from '@/core/scheme/cells';
import { listed } from '@/core/units/words';
import { fitsOf, type PlacedFit } from './fit-on';
import type { PlaceableMarking } from './placing';
import { UNTOLD_MM } from './size';

/** What is wrong with where markings lie, so that a table can say it of all of them. */

type Placed = PlaceableMarking & { title: string; printedMm: number | null };

/** Two markings that share less than this on the model, mm2, touch. */
const TOUCH_MM2 = 1;

/** Of each marking that lies over another, over the edge of its zone or of its painted field: what, in few words. Lengths are the model's. */
export function troublesOf(
  outline: Outline,
  denominator: number,
  markings: readonly Placed[],
  painted: readonly PaintedField[],
): Record<string, string[]> {
  const rank = new Map(markings.map(({ title }, i) => [title, i]));
  return Object.fromEntries(
    markings.flatMap((marking, own) => {
      const others = markings.filter(({ id }) => id !== marking.id);
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
        ...furthest(fits, denominator),
      ];
      return says.length > 0 ? [[marking.id, says] as const] : [];
    }),
  );
}

/** How far it reaches over at the worst of its places. What goes on on the other side of an edge reaches nowhere. */
function furthest(fits: readonly PlacedFit[], denominator: number): string[] {
  const most = (over: readonly { mm: number; of: string }[]) =>
    [...over].filter(({ mm }) => mm >= UNTOLD_MM).sort((a, b) => b.mm - a.mm)[0];
  const zone = most(
    fits.flatMap(({ fit, wraps, zoneTitle }) =>
      wraps.length === 0 ? [{ mm: fit.overhangMm / denominator, of: zoneTitle.toLowerCase() }] : [],
    ),
  );
  const field = most(
    fits.flatMap(({ field: ground }) =>
      ground ? [{ mm: ground.fit.overhangMm / denominator, of: `its field “${ground.title}”` }] : [],
    ),
  );
  return [zone, field].flatMap((over) => (over ? [`${over.mm.toFixed(1)} mm over the edge of ${over.of}`] : []));
}
