import type { Kept } from '@/core/kept/records';
import { paintInFull, type Paint } from '@/core/paint/catalogue';
import type { ChosenCoat } from '@/core/route/general-coats';

/** The products that a brief chose for primer and clears; a paint that is gone from the catalogue counts as none. */
export function chosenCoats(kept: readonly Kept<'general_coat'>[], paints: readonly Paint[]): ChosenCoat[] {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  return kept.flatMap(({ role, zones, paintId, way }): ChosenCoat[] => {
    const paint = byId.get(paintId);
    if (!paint) return [];
    const { chemistry, dries, lab } = paint;
    return [
      { role, zones, label: paintInFull(paint), chemistry, dries, lightness: lab?.[0] ?? null, way: way || null },
    ];
  });
}
