import { usableMl } from '@/core/paint/bottle';
import type { Paint } from '@/core/paint/catalogue';
import type { Ml } from '@/core/paint/quantity';
import { bottlesFor } from './buying';

/** What one call takes: paint in millilitres, of one paint or shared among the drops of a recipe. */
export interface CallNeed {
  code: string;
  paintMl: Ml;
  parts: readonly { paintId: string; drops: number }[];
}

export interface PaintNeed {
  paint: Paint;
  neededMl: Ml;
  /** That can be counted on. */
  haveMl: Ml;
  missingMl: Ml;
  bottles: number;
  codes: string[];
}

/** Paint is short of what was reckoned more often than not: this much more is wanted. */
export const SPARE_SHARE = 0.3;

/** What all calls together take of each paint, with a reserve, against what the drawer holds of it; the most wanted first. */
export function paintNeeds(calls: readonly CallNeed[], paints: readonly Paint[], today: string): PaintNeed[] {
  const needs = new Map<string, { ml: number; codes: Set<string> }>();
  for (const { code, paintMl, parts } of calls) {
    const total = parts.reduce((sum, { drops }) => sum + drops, 0);
    for (const { paintId, drops } of parts) {
      const need = needs.get(paintId) ?? { ml: 0, codes: new Set<string>() };
      need.ml += (paintMl * (1 + SPARE_SHARE) * drops) / total;
      need.codes.add(code);
      needs.set(paintId, need);
    }
  }
  return paints
    .flatMap((paint): PaintNeed[] => {
      const need = needs.get(paint.id);
      if (!need) return [];
      const haveMl = usableMl(paint, today);
      const missingMl = Math.max(0, need.ml - haveMl);
      return [
        {
          paint,
          neededMl: need.ml,
          haveMl,
          missingMl,
          bottles: bottlesFor(missingMl, paint.sizeMl),
          codes: [...need.codes].sort(),
        },
      ];
    })
    .sort((a, b) => b.missingMl - a.missingMl || b.neededMl - a.neededMl);
}
