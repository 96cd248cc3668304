import type { RouteEdit } from '@/core/route/edits';
import { useKeep } from '@/stations/shell/use-keep';
import type { RoutePage } from './page-data';

/** Adds edits to the route, each after those before it. */
export function useEdits(data: Pick<RoutePage, 'briefId' | 'edits'>) {
  const { keep, busy } = useKeep(data.briefId, 'route');
  const rank = Math.max(-1, ...data.edits.map((own) => own.rank)) + 1;
  const add = (edit: RouteEdit, said: string) => keep('route_edit', null, { rank, edit }, said);
  return { add, busy };
}
