import { canonicalIn } from '@/core/codes/system';
import { CODE_ASPECTS } from '@/core/evidence/aspects';
import { rows, type Client } from './database';
import { loadCodeBook } from './shelf';

/** Codes as they are kept: each stands as its own system prints it, so that a standard that comes later reads none of them anew. */

interface Said {
  entity: 'sighting' | 'ruling' | 'paint_event';
  id: string;
  version: number;
  value: string;
}

/** Whatever any brief says in a way that only today's standards make a code of, with that code for its value. */
export async function bareCodes(client: Client): Promise<Said[]> {
  const said = await rows<Said>(
    client,
    `select 'sighting' as entity, s.id, s.version, s.value from sighting s join question q on q.id = s.question_id where q.aspect = any($1)
     union all
     select 'ruling', r.id, r.version, r.value from ruling r join question q on q.id = r.question_id where q.aspect = any($1)
     union all
     select 'paint_event', e.id, e.version, e.value from paint_event e where e.value <> ''`,
    [CODE_ASPECTS],
  );
  if (said.length === 0) return [];
  const book = await loadCodeBook(client);
  const read = new Map([...new Set(said.map(({ value }) => value))].map((value) => [value, canonicalIn(book, value)]));
  return said.flatMap((one) => {
    const value = read.get(one.value)!;
    return value === one.value ? [] : [{ ...one, value }];
  });
}
