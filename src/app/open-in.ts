import { openCount } from '@/core/derive/open-count';
import { keepOpen, reckonedFrom, type BriefWithFigure } from '@/data/brief-list';
import { loadBrief } from '@/data/read-brief';
import { atOneMoment } from '@/data/database';
import { revisionsOf } from '@/data/revisions';
import { loadCodeBook } from '@/data/shelf';

/** So many are reckoned before the list is shown; of the others it shows what was known last, until they are reckoned beside it. */
const AT_ONCE = 5;

let beside: Promise<void> | null = null;

/** The list with how much is open in each: what changed since it was reckoned is reckoned anew. */
export async function withOpen(briefs: readonly BriefWithFigure[]): Promise<(BriefWithFigure & { open: number })[]> {
  const stale = briefs.filter(({ isOpenSure }) => !isOpenSure);
  const fresh = new Map<string, number>();
  for (const { id } of stale.slice(0, AT_ONCE)) fresh.set(id, await reckonOpen(id));
  const later = stale.slice(AT_ONCE).map(({ id }) => id);
  if (later.length > 0)
    beside ??= reckonBeside(later)
      .catch((error: unknown) => console.error(error))
      .finally(() => (beside = null));
  return briefs.map((brief) => ({ ...brief, open: fresh.get(brief.id) ?? brief.open ?? 0 }));
}

/** One after the other, with room between them for whoever asks for a page. */
async function reckonBeside(ids: readonly string[]): Promise<void> {
  for (const id of ids) {
    await reckonOpen(id);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

async function reckonOpen(briefId: string): Promise<number> {
  const found = await atOneMoment(async (client) => {
    const revisions = await revisionsOf(client, briefId);
    const state = revisions && (await loadBrief(briefId, client));
    return state && { revisions, state, book: await loadCodeBook(client) };
  });
  if (!found) return 0;
  const open = openCount(found.state, found.book);
  await keepOpen(briefId, reckonedFrom(found.revisions), open);
  return open;
}
