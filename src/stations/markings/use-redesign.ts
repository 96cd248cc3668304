import type { Fields } from '@/core/kept/records';
import type { Design } from '@/core/markings/design';
import { useKeep } from '@/stations/shell/use-keep';
import type { MarkingsPage } from './page-data';

/** Keeps some of how a marking is made up, the rest as it was, and what else changes with it. */
export function useRedesign(briefId: string, marking: MarkingsPage['markings'][number]) {
  const { keep, busy } = useKeep(briefId, 'markings');
  const redesign = (changes: Partial<Design>, said: string, beside: Partial<Fields<'marking'>> = {}) =>
    keep('marking', marking, { ...beside, design: { ...marking.design, ...changes } }, said);
  return { redesign, busy };
}
