import { loadShelf } from '@/data/shelf';
import { pool } from '@/data/database';
import { shelfRevision } from '@/data/revisions';

/** Codes, chips, catalogue and drawer of the house, for whatever computes with all of them in the browser. */
export async function GET(request: Request) {
  const etag = `"${(await shelfRevision(pool())).number}"`;
  const headers = { etag, 'cache-control': 'private, no-cache' };
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers });
  return Response.json(await loadShelf(), { headers });
}
