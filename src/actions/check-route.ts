import { deriveBrief } from '@/core/derive/derive';
import type { Fields } from '@/core/kept/records';
import type { Sight } from '@/data/sight';
import { nowUtc } from '@/clock/now';
import { Refused } from './answer';
import { briefOf, shelfOf } from './brief-of';

/** Throws Refused where an edit cannot be made in the route as it is: it would go in a circle, say, and then the circle is named. */
export async function checkRouteEdit(at: Sight, id: string | null, fields: Fields<'route_edit'>): Promise<void> {
  const [state, shelf] = [await briefOf(at), await shelfOf(at)];
  const others = state.edits.filter((edit) => edit.id !== id);
  const edits = [...others, { ...fields, id: id ?? 'new', version: 0 }].sort((a, b) => a.rank - b.rank);
  const { route } = deriveBrief({ ...state, edits }, shelf, { nowUtc: nowUtc(), effort: 0 });
  const place = edits.findIndex((edit) => edit.id === (id ?? 'new'));
  const fault = route.sleeping.find(({ index }) => index === place);
  if (fault) throw new Refused('edit', `It cannot be: ${fault.says}.`);
}
