import { randomUUID } from 'node:crypto';
import { toolFields } from '@/core/kept/records';
import type { BriefState } from '@/core/kept/state';
import type { ActAnswer, Stamp } from '@/core/kept/act';
import type { NewBrief } from '@/core/kept/new-brief';
import { newAct, perform } from './acts';
import { pool, rows, type Client } from './database';
import type { Revision } from './revisions';
import { KINDS, listsOf, type ListName } from './brief-records';
import { settled } from './settled';

/** The brief at which something was done last; null where there is none. */
export async function latestBrief(): Promise<string | null> {
  const [found] = await rows<{ id: string }>(
    pool(),
    `select b.id from brief b left join act a on a.brief_id = b.id
     where not exists (select 1 from removed_brief g where g.brief_id = b.id)
     group by b.id order by max(a.at) desc nulls last, b.id limit 1`,
  );
  return found?.id ?? null;
}

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
  if (names.length === 0) return { state: before!.state, revision };
  const fresh = await listsOf(client, id, names);
  return { state: { ...before?.state, ...settled<object>(before?.state, fresh) } as BriefState, revision };
}

/** Makes a brief with its airframe, its weekly sessions and the questions that it raises, as one act that belongs to it: undo knows where the beginning is. */
export async function createBrief(
  { brief, airframe, sessions, questions = [], tools = [] }: NewBrief,
  stamp?: Stamp,
): Promise<ActAnswer<string>> {
  const briefId = randomUUID();
  return perform({ ...newAct(briefId, 'kit'), ...stamp, briefId }, async (writer) => {
    await writer.insert('brief', brief, briefId);
    await writer.insert('airframe', airframe);
    await writer.insertMany('weekly_session', sessions);
    await writer.insertMany('question', questions);
    if (tools.length > 0) {
      const known = await rows<{ kind: string }>(writer.client, 'select distinct kind from tool');
      const fresh = tools.filter((kind) => !known.some((own) => own.kind === kind));
      await writer.insertMany(
        'tool',
        fresh.map((kind) => toolFields.parse({ kind })),
      );
    }
    return briefId;
  });
}
