import type { Minutes } from '@/core/units/minutes';
import type { Load } from '@/core/work/step';
import { CLEAN } from './schedule/problem';

/**
 * Minutes to clean the airbrush from one load to the next: a rinse from light to dark, a strip from dark to light, more
 * when the chemistry changes, most after metal flakes.
 */
export function cleanOut(from: Load, to: Load): Minutes {
  if (from.id === to.id) return 0;
  const rinse = from.lightness - to.lightness > -10 ? 4 : 8;
  const solvent = from.chemistry === to.chemistry ? 0 : 3;
  const flakes = from.kind === 'metallic' ? 5 : 0;
  return rinse + solvent + flakes;
}

export function cleanOutTable(loads: readonly Load[]): Record<string, Record<string, Minutes>> {
  const row = (from: Load | null) => Object.fromEntries(loads.map((to) => [to.id, from ? cleanOut(from, to) : 2]));
  return { [CLEAN]: row(null), ...Object.fromEntries(loads.map((load) => [load.id, row(load)])) };
}
