import { randomUUID } from 'node:crypto';
import { toolFields } from '@/core/kept/records';
import type { ActAnswer, Stamp } from '@/core/kept/act';
import type { NewBrief } from '@/core/kept/new-brief';
import { newAct, perform } from './acts';
import { pool, rows } from './database';

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

/** The version of a brief's own row; null where there is none. */
export async function versionOfBrief(id: string): Promise<number | null> {
  const [found] = await rows<{ version: number }>(pool(), 'select version from brief where id = $1', [id]);
  return found?.version ?? null;
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
