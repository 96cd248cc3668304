import { plannedCoats } from '@/core/paint/planned-coats';
import type { CallView } from './called';

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

/** Of colours without a paint: dark hides light. */
const darkerPairs = (calls: Parameters<typeof coatsOver>[0]): [later: string, earlier: string][] =>
  calls.flatMap((later) =>
    later.choice
      ? []
      : calls.flatMap((earlier): [string, string][] => {
          const [dark, light] = [later.official?.lab?.[0], (earlier.choice?.paint.lab ?? earlier.official?.lab)?.[0]];
          return dark !== undefined && light !== undefined && dark < light ? [[later.code, earlier.code]] : [];
        }),
  );

/** Which colour hides overspray of which, [later, earlier]: where its chosen paint takes no more than a normal coat over the other; without a paint, where it is darker. */
export const hidingPairs = (calls: Parameters<typeof coatsOver>[0]): [later: string, earlier: string][] => [
  ...Object.entries(coatsOver(calls)).flatMap(([later, over]) =>
    Object.entries(over).flatMap(([earlier, count]): [string, string][] =>
      count <= NORMAL_COATS ? [[later, earlier]] : [],
    ),
  ),
  ...darkerPairs(calls),
];
