import type { Kept } from '@/core/kept/records';
import { paintInFull, type Paint } from '@/core/paint/catalogue';
import type { ChosenCoat, ChosenCoats } from '@/core/route/general-coats';

/** The products that a brief chose for primer and clears; a paint that is gone from the catalogue counts as none. */
export function chosenCoats(kept: readonly Kept<'general_coat'>[], paints: readonly Paint[]): ChosenCoats {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  return Object.fromEntries(
    kept.flatMap(({ role, paintId, way }) => {
      const paint = byId.get(paintId);
      return paint ? [[role, chosenCoat(paint, way || null)] as const] : [];
    }),
  );
}

const chosenCoat = (paint: Paint, way: ChosenCoat['way']): ChosenCoat => ({
  label: paintInFull(paint),
  chemistry: paint.chemistry,
  dries: paint.dries,
  lightness: paint.lab?.[0] ?? null,
  way,
});
