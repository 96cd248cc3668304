import type { PoolClient } from 'pg';
import { knownAt, remember, rememberShelf, shelfKnownAt } from './known';
import { isId, loadSince, type LoadedBrief } from './read-brief';
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

/** A brief with the shelf; null where there is no such brief. Of what is known of them only the kinds that changed since are read again. */
export const snapshotOf = async (briefId: string): Promise<Snapshot | null> =>
  isId(briefId) ? atOneMoment((client) => snapshotIn(client, briefId)) : null;

async function snapshotIn(client: PoolClient, briefId: string): Promise<Snapshot | null> {
  const revisions = await revisionsOf(client, briefId);
  if (!revisions) return null;
  // Asked only now: who waited for a line may know more than when it began to wait.
  const brief = await loadSince(client, briefId, revisions.brief, knownAt(briefId, revisions.brief.number));
  const shelf = await loadShelfSince(client, revisions.shelf, shelfKnownAt(revisions.shelf.number));
  remember(briefId, brief);
  rememberShelf(shelf);
  return { brief, shelf, revisions };
}

/** Looks at a brief as of one moment. */
export const lookAt = <T>(briefId: string, work: (at: Sight) => Promise<T>): Promise<T> =>
  atOneMoment((client) => {
    let read: Promise<Snapshot | null> | null = null;
    const snapshot = () => (read ??= snapshotIn(client, briefId));
    return work({
      client,
      briefId,
      brief: async () => (await snapshot())?.brief.state ?? null,
      shelf: async () => (await snapshot())?.shelf.shelf ?? loadShelf(client),
    });
  });

/** All that is kept of a brief and of the shelf; null where there is no such brief. */
export async function wholeBrief(at: Sight): Promise<{ state: BriefState; shelf: ColourShelf } | null> {
  const state = await at.brief();
  return state && { state, shelf: await at.shelf() };
}
