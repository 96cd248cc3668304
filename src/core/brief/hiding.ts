import { plannedCoats } from '@/core/paint/planned-coats';
import type { CallView } from './derive';

/** A normal coat: what hides in more does not hide overspray as it is laid. */
const NORMAL_COATS = 2;

/** Coats of each colour over each other one, by its chosen paint: [later][earlier]; nothing of colours without a paint. */
export function coatsOver(
  calls: readonly Pick<CallView, 'code' | 'choice' | 'official'>[],
): Record<string, Record<string, number>> {
  return Object.fromEntries(
    calls.flatMap((later) => {
      const paint = later.choice?.paint;
      if (!paint) return [];
      const over = calls.flatMap((earlier): [string, number][] => {
        const ground = earlier.choice?.paint.lab ?? earlier.official?.lab;
        return earlier !== later && ground ? [[earlier.code, plannedCoats(paint, ground).coats]] : [];
      });
      return [[later.code, Object.fromEntries(over)]];
    }),
  );
}

/** Which colour hides overspray of which, [later, earlier]: where its chosen paint takes no more than a normal coat over the other. */
export const hidingPairs = (coats: Record<string, Record<string, number>>): [later: string, earlier: string][] =>
  Object.entries(coats).flatMap(([later, over]) =>
    Object.entries(over).flatMap(([earlier, count]): [string, string][] =>
      count <= NORMAL_COATS ? [[later, earlier]] : [],
    ),
  );
