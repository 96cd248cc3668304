import { openCount } from '@/core/brief/open-count';
import { loadSince } from '@/data/briefs';
import { pool } from '@/data/database';
import { revisionsOf } from '@/data/revisions';
import { loadCodeBook } from '@/data/shelf';

const counted = new Map<string, { of: string; open: number }>();

/** How much is open in a brief; counted again only when it or the shelf has changed. */
export async function openIn(briefId: string): Promise<number> {
  const revisions = await revisionsOf(pool(), briefId);
  if (!revisions) return 0;
  const of = `${revisions.brief.number} ${revisions.shelf.number}`;
  const known = counted.get(briefId);
  if (known?.of === of) return known.open;
  const [{ state }, book] = await Promise.all([loadSince(briefId, revisions.brief, null), loadCodeBook()]);
  const open = openCount(state, book);
  counted.set(briefId, { of, open });
  return open;
}
