import { randomUUID } from 'node:crypto';
import type { Kept, RecordName } from '@/core/kept/records';
import type { BriefState, BriefSummary } from '@/core/kept/state';
import type { ActAnswer, Stamp } from '@/core/kept/act';
import type { NewBrief } from '@/core/kept/new-brief';
import { newAct, perform } from './acts';
import { pool, rows, type Client } from './database';
import { fromRow } from './rows';

export async function listBriefs(): Promise<BriefSummary[]> {
  const found = await rows<{
    id: string;
    airframe: Record<string, unknown>;
    denominator: number;
    kit: string;
    open: number;
    done: number;
  }>(
    pool(),
    `select b.id, to_jsonb(a) as airframe, b.denominator, trim(b.kit_maker || ' ' || b.kit_number) as kit,
            (select count(*)::int from question q left join ruling r on r.question_id = q.id where q.brief_id = b.id and r.id is null) as open,
            (select count(distinct step_key)::int from log_entry l where l.brief_id = b.id) as done
     from brief b join airframe a on a.brief_id = b.id
     order by b.created_at, b.id`,
  );
  return found.map(({ airframe, open, done, ...rest }) => ({
    ...rest,
    airframe: fromRow('airframe', airframe),
    openQuestions: open,
    stepsDone: done,
  }));
}

/** Whether a text is an identity: a path holds anything. */
export const isId = (id: string): boolean => /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(id);

async function recordsOf<N extends RecordName>(
  client: Client,
  name: N,
  briefId: string,
  order: string,
): Promise<Kept<N>[]> {
  const found = await rows<{ row: Record<string, unknown> }>(
    client,
    `select to_jsonb(t) as row from ${name} t where brief_id = $1 order by ${order}`,
    [briefId],
  );
  return found.map(({ row }) => fromRow(name, row));
}

/** All that is kept of a brief, in an order that its contents alone decide; null when there is none of that id. */
export async function loadBrief(id: string, client: Client = pool()): Promise<BriefState | null> {
  if (!isId(id)) return null;
  const [found] = await rows<{ row: Record<string, unknown> }>(
    client,
    'select to_jsonb(b) as row from brief b where id = $1',
    [id],
  );
  if (!found) return null;
  const [
    airframes,
    sources,
    questions,
    sightings,
    rulings,
    events,
    mirrors,
    markings,
    sessions,
    log,
    timers,
    choices,
    recipes,
    uses,
  ] = await Promise.all([
    recordsOf(client, 'airframe', id, 'id'),
    recordsOf(client, 'source', id, 'coalesce(date_from, date_to) nulls last, created_at, id'),
    recordsOf(client, 'question', id, 'created_at, id'),
    recordsOf(client, 'sighting', id, 'created_at, id'),
    recordsOf(client, 'ruling', id, 'id'),
    recordsOf(client, 'paint_event', id, 'on_day, zone, kind, value, note, id'),
    recordsOf(client, 'mirror', id, 'zone, aspect, item, id'),
    recordsOf(client, 'marking', id, 'created_at, id'),
    recordsOf(client, 'weekly_session', id, 'weekday, starts_at, minutes, id'),
    recordsOf(client, 'log_entry', id, 'ended_at, started_at, step_key, id'),
    recordsOf(client, 'timer', id, 'started_at, step_key, id'),
    recordsOf(client, 'colour_choice', id, 'id'),
    recordsOf(client, 'recipe', id, 'made_on nulls last, tone, parts, id'),
    recordsOf(client, 'paint_use', id, 'on_day, sprayed_ml, id'),
  ]);
  return {
    brief: fromRow('brief', found.row),
    airframe: airframes[0]!,
    sources,
    questions,
    sightings,
    rulings,
    events,
    mirrors,
    markings,
    sessions,
    log,
    timers,
    choices,
    recipes,
    uses,
  };
}

/** Makes a brief with its airframe and weekly sessions, as one act that belongs to it: undo knows where the beginning is. */
export async function createBrief({ brief, airframe, sessions }: NewBrief, stamp?: Stamp): Promise<ActAnswer<string>> {
  const briefId = randomUUID();
  return perform({ ...newAct(briefId, 'setup'), ...stamp, briefId }, async (writer) => {
    await writer.insert('brief', brief, briefId);
    await writer.insert('airframe', airframe);
    await writer.insertMany('weekly_session', sessions);
    return briefId;
  });
}
