import { randomUUID } from 'node:crypto';
import type { PoolClient } from 'pg';
import { RECORDS, type Fields, type Kept, type RecordName } from '@/core/kept/records';
import { inTransaction, pool, rows, type Client } from './database';

/** The columns of each record that its fields fill, beside id, version and brief. */
const columnOf = (field: string) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const fieldOf = (column: string) => column.replace(/_([a-z])/g, (_, letter: string) => letter.toUpperCase());
export const columnsOf = (name: RecordName): string[] => Object.keys(RECORDS[name].shape).map(columnOf);
/** Records that belong to the house rather than to one brief. */
const SHARED: ReadonlySet<RecordName> = new Set([
  'brief',
  'colour_system',
  'colour_code',
  'code_relation',
  'chip',
  'paint_line',
  'paint',
  'bottle',
]);

type Row = Record<string, unknown>;
const toRow = (fields: object): Row =>
  Object.fromEntries(Object.entries(fields).map(([key, value]) => [columnOf(key), value]));
/** A database row as the record it holds: camel case, and only its known fields with identity and version. */
export function fromRow<N extends RecordName>(name: N, row: Row): Kept<N> {
  const known = new Set(['id', 'version', ...columnsOf(name)]);
  return Object.fromEntries(
    Object.entries(row)
      .filter(([column]) => known.has(column))
      .map(([column, value]) => [fieldOf(column), value]),
  ) as Kept<N>;
}

/** Who does what, where: written beside every change. */
export interface Act {
  id: string;
  briefId: string | null;
  by: string;
  station: string;
  undoes: string | null;
}

export const newAct = (briefId: string | null, station: string, by = 'builder'): Act => ({
  id: randomUUID(),
  briefId,
  by,
  station,
  undoes: null,
});

/** An update or removal of a row that was changed since it was read. `theirs` is null when it is gone. */
export class ChangedElsewhere extends Error {
  constructor(
    readonly entity: RecordName,
    readonly rowId: string,
    readonly theirs: ({ id: string; version: number } & Record<string, unknown>) | null,
  ) {
    super(theirs ? 'changed elsewhere' : 'removed elsewhere');
  }
}

async function record(
  client: Client,
  act: Act,
  entity: RecordName,
  rowId: string,
  before: Row | null,
  after: Row | null,
) {
  await client.query(
    `insert into change (act, brief_id, by, station, entity, row_id, before, after, undoes)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
    [
      act.id,
      act.briefId,
      act.by,
      act.station,
      entity,
      rowId,
      before && JSON.stringify(before),
      after && JSON.stringify(after),
      act.undoes,
    ],
  );
}

async function currentRow(client: Client, name: RecordName, id: string, lock = false): Promise<Row | null> {
  const [found] = await rows<{ row: Row }>(
    client,
    `select to_jsonb(t) as row from ${name} t where id = $1 ${lock ? 'for update' : ''}`,
    [id],
  );
  return found?.row ?? null;
}

/** The fields of a record of a brief as they stand; null when it is gone or another brief's. */
export async function readRecord<N extends RecordName>(
  briefId: string,
  name: N,
  id: string,
): Promise<Fields<N> | null> {
  const row = await currentRow(pool(), name, id);
  if (!row || outside({ briefId }, name, row)) return null;
  const { id: _, version: __, ...fields } = fromRow(name, row) as { id: string; version: number };
  return fields as Fields<N>;
}

/** A row of another brief is as good as none. */
const outside = (act: Pick<Act, 'briefId'>, name: RecordName, row: Row) => {
  if (act.briefId === null) return false;
  if (name === 'brief') return row.id !== act.briefId;
  return !SHARED.has(name) && row.brief_id !== act.briefId;
};

export async function insertRecord<N extends RecordName>(
  client: PoolClient,
  act: Act,
  name: N,
  fields: Fields<N>,
  id: string = randomUUID(),
): Promise<Kept<N>> {
  const row: Row = { ...toRow(fields), id, version: 1, ...(SHARED.has(name) ? {} : { brief_id: act.briefId }) };
  return fromRow(name, await putRow(client, act, name, row));
}

/** Many records of one kind in one go, each with its change. Ids are made here and come back in the order of the records. */
export async function insertRecords<N extends RecordName>(
  client: PoolClient,
  act: Act,
  name: N,
  records: readonly Fields<N>[],
): Promise<string[]> {
  if (records.length === 0) return [];
  const whole = records.map((fields): Row => ({
    ...toRow(fields),
    id: randomUUID(),
    version: 1,
    ...(SHARED.has(name) ? {} : { brief_id: act.briefId }),
  }));
  const columns = Object.keys(whole[0]!).filter((column) => /^[a-z_0-9]+$/.test(column));
  await client.query(
    `with made as (
       insert into ${name} as t (${columns.join(', ')})
       select ${columns.join(', ')} from jsonb_populate_recordset(null::${name}, $1::jsonb)
       returning to_jsonb(t) as row, t.id
     )
     insert into change (act, brief_id, by, station, entity, row_id, before, after, undoes)
     select $2, $3, $4, $5, $6, id, null, row, $7 from made`,
    [JSON.stringify(whole), act.id, act.briefId, act.by, act.station, name, act.undoes],
  );
  return whole.map(({ id }) => id as string);
}

async function putRow(client: PoolClient, act: Act, name: RecordName, row: Row): Promise<Row> {
  const columns = Object.keys(row).filter((column) => /^[a-z_]+$/.test(column));
  const [after] = await rows<{ row: Row }>(
    client,
    `insert into ${name} as t (${columns.join(', ')})
     select ${columns.join(', ')} from jsonb_populate_record(null::${name}, $1::jsonb)
     returning to_jsonb(t) as row`,
    [JSON.stringify(row)],
  );
  await record(client, act, name, row.id as string, null, after!.row);
  return after!.row;
}

/** Throws ChangedElsewhere unless the row still has `version`. */
export async function updateRecord<N extends RecordName>(
  client: PoolClient,
  act: Act,
  name: N,
  id: string,
  version: number,
  fields: Partial<Fields<N>>,
): Promise<Kept<N>> {
  const before = await currentRow(client, name, id, true);
  if (!before || outside(act, name, before)) throw new ChangedElsewhere(name, id, null);
  if (before.version !== version) throw new ChangedElsewhere(name, id, fromRow(name, before));
  return fromRow(name, await overwriteRow(client, act, name, before, toRow(fields)));
}

async function overwriteRow(client: PoolClient, act: Act, name: RecordName, before: Row, changes: Row): Promise<Row> {
  const columns = columnsOf(name);
  const [after] = await rows<{ row: Row }>(
    client,
    `update ${name} as t
     set (${columns.join(', ')}, version) =
         (select ${columns.map((column) => `p.${column}`).join(', ')}, t.version + 1 from jsonb_populate_record(t, $2::jsonb) as p)
     where id = $1
     returning to_jsonb(t) as row`,
    [
      before.id,
      JSON.stringify(Object.fromEntries(Object.entries(changes).filter(([column]) => columns.includes(column)))),
    ],
  );
  await record(client, act, name, before.id as string, before, after!.row);
  return after!.row;
}

/** What falls with a row, so that each fallen row is in the history and comes back with an undo. */
const DEPENDANTS: Partial<Record<RecordName, readonly (readonly [RecordName, string])[]>> = {
  source: [['sighting', 'source_id']],
  question: [
    ['sighting', 'question_id'],
    ['ruling', 'question_id'],
  ],
  paint: [
    ['bottle', 'paint_id'],
    ['colour_choice', 'paint_id'],
  ],
  recipe: [['colour_choice', 'recipe_id']],
  colour_code: [
    ['chip', 'code_id'],
    ['code_relation', 'code_id'],
    ['code_relation', 'other_id'],
  ],
};

/** Throws ChangedElsewhere unless the row still has `version`. */
export async function deleteRecord(
  client: PoolClient,
  act: Act,
  name: RecordName,
  id: string,
  version: number,
): Promise<void> {
  const before = await currentRow(client, name, id, true);
  if (!before || outside(act, name, before)) throw new ChangedElsewhere(name, id, null);
  if (before.version !== version) throw new ChangedElsewhere(name, id, fromRow(name, before));
  await dropRow(client, act, name, before);
}

async function dropRow(client: PoolClient, act: Act, name: RecordName, before: Row) {
  for (const [dependant, column] of DEPENDANTS[name] ?? []) {
    const fallen = await rows<{ row: Row }>(
      client,
      `select to_jsonb(t) as row from ${dependant} t where ${column} = $1 order by id`,
      [before.id],
    );
    for (const { row } of fallen) await dropRow(client, act, dependant, row);
  }
  await client.query(`delete from ${name} where id = $1`, [before.id]);
  await record(client, act, name, before.id as string, before, null);
}

export interface Undone {
  station: string;
  entity: RecordName;
}

interface ChangeRow {
  act: string;
  station: string;
  entity: RecordName;
  row_id: string;
  before: Row | null;
  after: Row | null;
}

/**
 * Takes back the last act of a brief that was not taken back yet, by replaying what was before, in reverse order.
 * Null when there is nothing to take back. Throws ChangedElsewhere when a row no longer is what the act made it.
 */
export async function undoLast(briefId: string, by = 'builder'): Promise<Undone | null> {
  return inTransaction(async (client) => {
    await client.query('select 1 from brief where id = $1 for update', [briefId]);
    const changes = await rows<ChangeRow>(
      client,
      `select act, station, entity, row_id, before, after from change
       where act = (select c.act from change c
                    where c.brief_id = $1 and c.undoes is null
                      and not exists (select 1 from change u where u.undoes = c.act)
                    order by c.id desc limit 1)
       order by id desc`,
      [briefId],
    );
    const [last] = changes;
    if (!last || changes.some((change) => change.entity === 'brief' && change.before === null)) return null;
    const act: Act = { ...newAct(briefId, last.station, by), undoes: last.act };
    for (const { entity, row_id: id, before, after } of changes) {
      const now = await currentRow(client, entity, id, true);
      if (!sameContent(now, after)) throw new ChangedElsewhere(entity, id, now && fromRow(entity, now));
      if (after && before) await overwriteRow(client, act, entity, now!, before);
      else if (after) await dropRow(client, act, entity, now!);
      else await putRow(client, act, entity, before!);
    }
    return { station: last.station, entity: last.entity };
  });
}

/** Changes whenever anything in the house does: every write is in the history. */
export async function historyStamp(): Promise<string> {
  const [found] = await rows<{ stamp: string }>(pool(), 'select coalesce(max(id), 0)::text as stamp from change');
  return found!.stamp;
}

function sameContent(a: Row | null, b: Row | null): boolean {
  if (!a || !b) return a === b;
  const plain = ({ version: _, ...rest }: Row) =>
    JSON.stringify(Object.entries(rest).sort(([x], [y]) => x.localeCompare(y)));
  return plain(a) === plain(b);
}
