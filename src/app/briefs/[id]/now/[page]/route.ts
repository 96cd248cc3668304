import { z } from 'zod';
import { mayTakeBack } from '@/actions/of-device';
import { badRequest } from '@/app/files/attachment';
import { undoState } from '@/data/act-list';
import type { PageNow } from '@/stations/shell/current-page';
import { isPage, pageNow } from '../../pages';
import { briefView } from '../../view';

const name = z.string().max(80);
const askedOf = z.object({ shell: name, page: name.nullable(), code: z.string().max(200).nullable() });

/** How a page of the brief is now, told as what changed since the one that is shown. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string; page: string }> },
): Promise<Response> {
  const { id, page } = await params;
  const search = new URL(request.url).searchParams;
  const asked = askedOf.safeParse(Object.fromEntries(['shell', 'page', 'code'].map((key) => [key, search.get(key)])));
  if (!asked.success) return badRequest('It does not say which page is shown');
  const { shell, page: of, code } = asked.data;
  const shown = of !== null && isPage(page) ? { name: page, code, of } : null;
  const [derived, undo] = await Promise.all([
    briefView(id),
    mayTakeBack().then((stations) => undoState(id, { stations })),
  ]);
  return Response.json({ ...pageNow(id, derived, { shell, page: shown }), undo } satisfies PageNow, {
    headers: { 'cache-control': 'no-store' },
  });
}
