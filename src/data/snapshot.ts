import { isId, loadBrief, loadSince, type LoadedBrief } from './briefs';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { atOneMoment } from './database';
import { revisionsOf, type Revisions } from './revisions';
import type { Sight } from './sight';
import { loadShelf, loadShelfSince, type LoadedShelf } from './shelf';

/** Reads of a brief and of the shelf as of one moment: nothing that is removed in between tears them. */

export interface Snapshot {
  brief: LoadedBrief;
  shelf: LoadedShelf;
  revisions: Revisions;
}

/** What was read of them before; only the kinds that changed since are read again. */
export interface Known {
  brief: LoadedBrief | null;
  shelf: LoadedShelf | null;
}

/** A brief with the shelf; null where there is no such brief. */
export async function snapshotOf(briefId: string, known: () => Known): Promise<Snapshot | null> {
  if (!isId(briefId)) return null;
  return atOneMoment(async (client) => {
    const revisions = await revisionsOf(client, briefId);
    if (!revisions) return null;
    // Asked only now: who waited for a line may know more than when it began to wait.
    const before = newest(known(), revisions);
    return {
      brief: await loadSince(client, briefId, revisions.brief, before.brief),
      shelf: await loadShelfSince(client, revisions.shelf, before.shelf),
      revisions,
    };
  });
}

/** What is known and no newer than this moment: a read that began earlier may end later. */
const newest = ({ brief, shelf }: Known, at: Revisions): Known => ({
  brief: brief && brief.revision.number <= at.brief.number ? brief : null,
  shelf: shelf && shelf.revision.number <= at.shelf.number ? shelf : null,
});

/** Looks at a brief as of one moment. */
export const lookAt = <T>(briefId: string, work: (at: Sight) => Promise<T>): Promise<T> =>
  atOneMoment((client) => work({ client, briefId }));

/** All that is kept of a brief and of the shelf; null where there is no such brief. */
export async function wholeBrief({
  client,
  briefId,
}: Sight): Promise<{ state: BriefState; shelf: ColourShelf } | null> {
  const state = await loadBrief(briefId, client);
  return state && { state, shelf: await loadShelf(client) };
}
