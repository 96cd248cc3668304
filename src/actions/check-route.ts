import { deriveBrief } from '@/core/brief/derive';
import type { Fields } from '@/core/kept/records';
import { loadShelf } from '@/data/shelf';
import { Refused } from './answer';
import { briefOf } from './brief-of';

/** Throws Refused where an edit cannot be made in the route as it is: it would go in a circle, say, and then the circle is named. */
export async function checkRouteEdit(briefId: string, id: string | null, fields: Fields<'route_edit'>): Promise<void> {
  const [state, shelf] = await Promise.all([briefOf(briefId), loadShelf()]);
  const others = state.edits.filter((edit) => edit.id !== id);
  const edits = [...others, { ...fields, id: id ?? 'new', version: 0 }].sort((a, b) => a.rank - b.rank);
  const { route } = deriveBrief({ ...state, edits }, shelf, { nowUtc: new Date().toISOString(), effort: 0 });
  const at = edits.findIndex((edit) => edit.id === (id ?? 'new'));
  const fault = route.sleeping.find(({ index }) => index === at);
  if (fault) throw new Refused('edit', `It cannot be: ${fault.says}.`);
}
