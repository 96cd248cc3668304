import type { BriefSummary } from '@/core/kept/state';
import { addDays, type Day } from '@/core/units/day';
import { KINDS } from './brief-records';
import { inTransaction, pool, rows, type Client } from './database';
import { lockRevision } from './revisions';
import { fromRow, type Row } from './rows';

/** Briefs that were removed: they lie on a shelf of their own, whole, until they come back or are gone for good. */

/** So long a removed brief can come back, days. */
export const KEPT_DAYS = 30;

export interface RemovedBrief extends Pick<BriefSummary, 'id' | 'airframe' | 'title'> {
  removedOn: Day;
  /** Gone for good after that day. */
  until: Day;
  /** What is lost with it. */
  sources: number;
  logged: number;
}

/** Whether a brief lies on the shelf of removed ones. */
export async function isRemoved(client: Client, briefId: string): Promise<boolean> {
  return (await rows(client, 'select 1 from removed_brief where brief_id = $1', [briefId])).length > 0;
}

/** Lays a brief on the shelf of removed ones; one that lies there stays as it lies. False where there is no such brief. */
export const removeBrief = (briefId: string, nowUtc: string): Promise<boolean> =>
  inTransaction(async (client) => {
    await lockRevision(client, briefId);
    const there = await rows(client, 'select 1 from brief where id = $1', [briefId]);
    if (there.length === 0) return false;
    await client.query(
      'insert into removed_brief (brief_id, removed_at) values ($1, $2) on conflict (brief_id) do nothing',
      [briefId, nowUtc],
    );
    return true;
  });

/** Puts a brief back as it was. False where it does not lie there. */
export const restoreBrief = (briefId: string): Promise<boolean> =>
  inTransaction(async (client) => {
    await lockRevision(client, briefId);
    const { rowCount } = await client.query('delete from removed_brief where brief_id = $1', [briefId]);
    return rowCount === 1;
  });

export async function countRemoved(): Promise<number> {
  const [found] = await rows<{ count: number }>(pool(), 'select count(*)::int as count from removed_brief');
  return found!.count;
}

export async function listRemoved(): Promise<RemovedBrief[]> {
  const found = await rows<{
    id: string;
    title: string;
    airframe: Row;
    removed: Day;
    sources: number;
    logged: number;
  }>(
    pool(),
    `select b.id, b.title, to_jsonb(a) as airframe, (r.removed_at at time zone 'UTC')::date as removed,
            (select count(*)::int from source where brief_id = b.id) as sources,
            (select count(*)::int from log_entry where brief_id = b.id) as logged
     from removed_brief r join brief b on b.id = r.brief_id join airframe a on a.brief_id = b.id
     order by r.removed_at desc, b.id`,
  );
  return found.map(({ removed, airframe, ...rest }) => ({
    ...rest,
    airframe: fromRow('airframe', airframe),
    removedOn: removed,
    until: addDays(removed, KEPT_DAYS),
  }));
}

/** Records before those that they refer to. */
const REFERRING_FIRST = ['ruling', 'sighting', 'source', 'colour_choice', 'general_coat'] as const;
const OWN_TABLES = [
  ...new Set([
    ...REFERRING_FIRST,
    ...Object.values(KINDS).flatMap(([kind]) => (kind === 'brief' || kind === 'airframe' ? [] : [kind])),
    'stopped_timer',
    'brief_figure',
    'airframe',
  ]),
];

/** Pictures that rows of some briefs name, now or in their history. `of` chooses the briefs, by $1. */
const picturesOf = (of: (column: string) => string) => `
  select picture_id as id from source where ${of('brief_id')} union
  select picture_id from log_entry where ${of('brief_id')} union
  select picture_id from mishap where ${of('brief_id')} union
  select picture_id from spray_out where ${of('brief_id')} union
  select picture_id from underlay where ${of('brief_id')} union
  select design ->> 'pictureId' from marking where ${of('brief_id')} union
  select p.id from change c, lateral (values (c.before), (c.after)) as v (row),
    lateral (values (v.row ->> 'picture_id'), (v.row -> 'design' ->> 'pictureId')) as p (id)
  where p.id is not null and ${of("(v.row ->> 'brief_id')::uuid")}`;

/**
 * Deletes a brief that lies on the shelf for good, with its history and the pictures that nothing else names, now or in its history. False
 * where it does not lie there.
 */
export const deleteForGood = (briefId: string): Promise<boolean> =>
  inTransaction(async (client) => {
    await lockRevision(client, briefId);
    if (!(await isRemoved(client, briefId))) return false;
    const pictures = await rows<{ id: string }>(
      client,
      `(${picturesOf((column) => `${column} = $1`)}) except (${picturesOf((column) => `${column} <> $1`)})`,
      [briefId],
    );
    for (const table of OWN_TABLES) await client.query(`delete from ${table} where brief_id = $1`, [briefId]);
    await client.query('delete from removed_brief where brief_id = $1', [briefId]);
    await client.query(
      `delete from change where act in (select id from act where brief_id = $1)
         or row_id = $1 or coalesce(after, before) ->> 'brief_id' = $2`,
      [briefId, briefId],
    );
    await client.query('delete from act where brief_id = $1', [briefId]);
    await client.query('delete from brief where id = $1', [briefId]);
    await client.query('delete from revision where of = $1', [briefId]);
    await client.query('delete from picture where id = any($1)', [pictures.flatMap(({ id }) => id ?? [])]);
    return true;
  });

/** Deletes for good what has lain on the shelf longer than it is kept; answers with how many that were. */
export async function clearShelf(nowUtc: string): Promise<number> {
  const due = await rows<{ id: string }>(
    pool(),
    `select brief_id as id from removed_brief where removed_at < $1::timestamptz - $2 * interval '1 day' order by brief_id`,
    [nowUtc, KEPT_DAYS + 1],
  );
  for (const { id } of due) await deleteForGood(id);
  return due.length;
}
