import { shared } from '@/core/units/shared';
import type { BriefState } from '@/core/kept/state';
import { KINDS, listsOf, type ListName } from './brief-records';
import { pool, type Client } from './database';
import type { Revision } from './revisions';

/** Whether a text is an identity: a path holds anything. */
export const isId = (id: string): boolean => /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(id);

/** A brief as it was read, with the revision that it was read at. */
export interface LoadedBrief {
  state: BriefState;
  revision: Revision;
}

/** All that is kept of a brief; null when there is none of that id. As it stands when it is read: for one moment with more, see `snapshot.ts`. */
export async function loadBrief(id: string, client: Client = pool()): Promise<BriefState | null> {
  if (!isId(id)) return null;
  const found = await listsOf(client, id, Object.keys(KINDS) as ListName[]);
  return found.brief ? (found as unknown as BriefState) : null;
}

/** The brief at a revision: of what was read before, only the kinds that changed since are read again. */
export async function loadSince(
  client: Client,
  id: string,
  revision: Revision,
  before: LoadedBrief | null,
): Promise<LoadedBrief> {
  const names = (Object.keys(KINDS) as ListName[]).filter(
    (name) => !before || (revision.kinds[KINDS[name][0]] ?? 0) > before.revision.number,
  );
  return readAnew(client, id, { state: before?.state ?? ({} as BriefState), revision }, names);
}

/** Lists of a brief read anew, with all else as it was read before. */
export async function readAnew(
  client: Client,
  id: string,
  { state, revision }: LoadedBrief,
  names: readonly ListName[],
): Promise<LoadedBrief> {
  if (names.length === 0) return { state, revision };
  const fresh = await listsOf(client, id, names);
  return { state: { ...state, ...shared<object>(state, fresh) } as BriefState, revision };
}
