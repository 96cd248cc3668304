import {
  actInWords,
  changeInWords,
  changeOf,
  differencesOf,
  REFERENCES,
  referredTo,
  type ChangeCount,
  type NameOf,
  type RecordChange,
} from '@/core/kept/act-words';
import type { RecordName } from '@/core/kept/records';
import type { ListedAct, UndoState } from '@/core/kept/undo-answer';
import { pool, rows, type Client } from './database';
import { fromRow, type Row } from './rows';

/** Acts as they are told: which stand, which were taken back, and what each is called. */

/** An act that can be replayed backwards. */
export interface OpenAct {
  id: string;
  station: string;
  /** It was said already that it cannot be. */
  told: boolean;
  /** The act that it is called by: of one that took something back, what it took back. */
  names: string;
}

/** It was taken back, and that was not taken back in its turn. */
const TAKEN_BACK = `exists (select 1 from act u where u.undoes = a.id and not exists (select 1 from act r where r.undoes = u.id))`;
const CHANGED_SOMETHING = 'exists (select 1 from change c where c.act = a.id)';

/** Acts of a person at a brief that stand, the last first. */
export const standingActs = (
  client: Client,
  briefId: string,
  by: string,
  stations: readonly string[] | null,
  most: number,
): Promise<OpenAct[]> =>
  rows<OpenAct>(
    client,
    `select a.id, a.station, a.told, a.id as names from act a
     where a.brief_id = $1 and a.by = $2 and a.undoes is null
       and ($3::text[] is null or a.station = any($3)) and ${CHANGED_SOMETHING} and not ${TAKEN_BACK}
     order by a.at desc, a.id limit $4`,
    [briefId, by, stations, most],
  );

/** What a person took back last at a brief and did not do again, as long as nothing else was done there since; null where there is none. */
export async function lastTakenBack(
  client: Client,
  briefId: string,
  by: string,
  stations: readonly string[] | null,
): Promise<OpenAct | null> {
  const [found] = await rows<OpenAct>(
    client,
    `select u.id, u.station, false as told, a.id as names from act u join act a on a.id = u.undoes
     where u.brief_id = $1 and u.by = $2 and a.undoes is null
       and ($3::text[] is null or u.station = any($3))
       and not exists (select 1 from act r where r.undoes = u.id)
       and not exists (select 1 from act n where n.brief_id = $1 and n.by = $2 and n.undoes is null and n.at > u.at
                         and exists (select 1 from change c where c.act = n.id))
     order by u.at desc, u.id limit 1`,
    [briefId, by, stations],
  );
  return found ?? null;
}

/** What one press would take back at a brief, and what it would do again. */
export async function undoState(
  briefId: string,
  { by = 'builder', stations = null }: { by?: string; stations?: readonly string[] | null } = {},
): Promise<UndoState> {
  const client = pool();
  const [last] = (await standingActs(client, briefId, by, stations, 1)) as [OpenAct?];
  const undone = await lastTakenBack(client, briefId, by, stations);
  const told = await toldActs(
    client,
    [last, undone].flatMap((act) => act?.names ?? []),
    1,
  );
  const back = last ? told.get(last.names)! : null;
  return {
    back: back && !back.isFirst ? back.title : null,
    again: undone ? told.get(undone.names)!.title : null,
  };
}

const MOST_LISTED = 30;
const MOST_SHOWN = 12;

/** The last acts of a person at a brief, the newest first, each with what it changed. */
export async function listActs(
  briefId: string,
  { by = 'builder', stations = null }: { by?: string; stations?: readonly string[] | null } = {},
): Promise<ListedAct[]> {
  const client = pool();
  const acts = await rows<{ id: string; at: string; station: string; stands: boolean }>(
    client,
    `select a.id, a.at, a.station, not ${TAKEN_BACK} as stands from act a
     where a.brief_id = $1 and a.by = $2 and a.undoes is null
       and ($3::text[] is null or a.station = any($3)) and ${CHANGED_SOMETHING}
     order by a.at desc, a.id limit ${MOST_LISTED}`,
    [briefId, by, stations],
  );
  const told = await toldActs(
    client,
    acts.map(({ id }) => id),
    MOST_SHOWN,
  );
  return acts.map(({ id, ...act }) => {
    const { title, isFirst, changes, counts, nameOf } = told.get(id)!;
    return {
      id,
      ...act,
      title,
      isFirst,
      changes: changes.map((change) => ({
        title: changeInWords(change, nameOf),
        differences: differencesOf(change, nameOf),
      })),
      more: counts.reduce((sum, { count }) => sum + count, 0) - changes.length,
    };
  });
}

/** What some acts are called, by their identities. */
export async function titlesOf(client: Client, acts: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const told = await toldActs(client, acts, 1);
  return new Map([...told].map(([id, { title }]) => [id, title]));
}

interface ToldAct {
  title: string;
  isFirst: boolean;
  counts: ChangeCount[];
  changes: RecordChange[];
  nameOf: NameOf;
}

/** Acts with what they are called and `most` of the changes of each kind and manner. */
async function toldActs(client: Client, acts: readonly string[], most: number): Promise<ReadonlyMap<string, ToldAct>> {
  // Of a row that one act changed more than once, what counts is how it stood before and how it stands after.
  const found = await rows<{ act: string; entity: RecordName; before: Row | null; after: Row | null; count: string }>(
    client,
    `with each_row as (
       select act, entity, row_id, min(id) as first, max(id) as last from change where act = any($1)
       group by act, entity, row_id
     ), told as (
       select r.*, row_number() over (w order by r.first) as nth, count(*) over w as count
       from each_row r join change f on f.id = r.first join change l on l.id = r.last
       where f.before is not null or l.after is not null
       window w as (partition by r.act, r.entity, f.before is null, l.after is null)
     )
     select t.act, t.entity, f.before, l.after, t.count
     from told t join change f on f.id = t.first join change l on l.id = t.last
     where t.nth <= $2 order by t.act, t.first`,
    [acts, most],
  );
  const changes = found.map(({ act, entity, before, after, count }) => ({
    act,
    count: Number(count),
    change: { entity, before: before && fromRow(entity, before), after: after && fromRow(entity, after) },
  }));
  const nameOf = await namesFor(
    client,
    changes.map(({ change }) => change),
  );
  return new Map(
    acts.map((act) => {
      const own = changes.filter((one) => one.act === act);
      const counts = new Map(
        own.map(({ change, count }) => {
          const kind = changeOf(change);
          return [`${change.entity} ${kind}`, { entity: change.entity, change: kind, count }];
        }),
      );
      const list = [...counts.values()];
      const records = own.map(({ change }) => change);
      return [
        act,
        {
          title: actInWords(list, records, nameOf),
          isFirst: list.some(({ entity, change }) => entity === 'brief' && change === 'added'),
          counts: list,
          changes: records.slice(0, Math.max(most, 1) * 3),
          nameOf,
        },
      ];
    }),
  );
}

/** What the records are called that some changes refer to: as they stand, or as they stood last. */
async function namesFor(client: Client, changes: readonly RecordChange[]): Promise<NameOf> {
  const wanted = new Map<string, RecordName>();
  for (const { before, after } of changes)
    for (const [field, entity] of Object.entries(REFERENCES))
      for (const record of [before, after]) {
        const id = record?.[field];
        if (typeof id === 'string') wanted.set(id, entity);
      }
  const found: { id: string; entity: RecordName; row: Row }[] = [];
  for (const entity of new Set(wanted.values())) {
    const ids = [...wanted].flatMap(([id, of]) => (of === entity ? [id] : []));
    const standing = await rows<{ id: string; row: Row }>(
      client,
      `select id, to_jsonb(t) as row from ${entity} t where id = any($1)`,
      [ids],
    );
    const gone = ids.filter((id) => !standing.some((one) => one.id === id));
    const stood = gone.length
      ? await rows<{ id: string; row: Row }>(
          client,
          `select distinct on (row_id) row_id as id, coalesce(after, before) as row from change
           where row_id = any($1) order by row_id, id desc`,
          [gone],
        )
      : [];
    found.push(...[...standing, ...stood].map((one) => ({ ...one, entity })));
  }
  const lines = await lineNames(
    client,
    found.flatMap(({ entity, row }) => (entity === 'paint' ? [row.line_id as string] : [])),
  );
  const names = new Map(
    found.map(({ id, entity, row }) => [
      id,
      referredTo(entity, fromRow(entity, row), lines.get(row.line_id as string) ?? ''),
    ]),
  );
  return (id) => names.get(id) ?? '';
}

async function lineNames(client: Client, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map();
  const found = await rows<{ id: string; name: string }>(client, 'select id, name from paint_line where id = any($1)', [
    ids,
  ]);
  return new Map(found.map(({ id, name }) => [id, name]));
}
