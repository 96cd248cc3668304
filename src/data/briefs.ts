import { randomUUID } from 'node:crypto';
import type { RecordName } from '@/core/kept/records';
import type { BriefState } from '@/core/kept/state';
import type { ActAnswer, Stamp } from '@/core/kept/act';
import type { NewBrief } from '@/core/kept/new-brief';
import { newAct, perform } from './acts';
import { pool, rows, type Client } from './database';
import type { Revision } from './revisions';
import { fromRow, type Row } from './rows';

/** The brief at which something was done last; null where there is none. */
export async function latestBrief(): Promise<string | null> {
  const [found] = await rows<{ id: string }>(
    pool(),
    'select b.id from brief b left join act a on a.brief_id = b.id group by b.id order by max(a.at) desc nulls last, b.id limit 1',
  );
  return found?.id ?? null;
}

/** Whether a text is an identity: a path holds anything. */
export const isId = (id: string): boolean => /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(id);

/** What a brief is made of, each with its kind of record and the order that its contents alone decide. */
export const KINDS = {
  brief: ['brief', 'id'],
  airframe: ['airframe', 'id'],
  sources: ['source', 'coalesce(date_from, date_to) nulls last, created_at, id'],
  questions: ['question', 'created_at, id'],
  sightings: ['sighting', 'created_at, id'],
  rulings: ['ruling', 'id'],
  events: ['paint_event', 'on_day, zone, kind, value, note, id'],
  mirrors: ['mirror', 'zone, aspect, item, id'],
  markings: ['marking', 'created_at, id'],
  sessions: ['weekly_session', 'weekday, starts_at, minutes, id'],
  evenings: ['evening', 'on_day, starts_at, minutes, id'],
  log: ['log_entry', 'ended_at, started_at, step_key, id'],
  timers: ['timer', 'started_at, step_key, id'],
  choices: ['colour_choice', 'id'],
  recipes: ['recipe', 'made_on nulls last, tone, parts, id'],
  uses: ['paint_use', 'on_day, sprayed_ml, id'],
  parts: ['part', 'sprue, number, id'],
  measures: ['kit_measure', 'title, true_mm, measured_mm, id'],
  subjects: ['subject', 'kind, title, id'],
  zoneDays: ['zone_day', 'zone, id'],
  fields: ['scheme_field', 'rank, title, id'],
  underlays: ['underlay', 'view, id'],
  edits: ['route_edit', 'rank, id'],
  mishaps: ['mishap', 'happened_at, id'],
  runs: ['work_run', 'title, id'],
  sprayOuts: ['spray_out', 'on_day, title, id'],
  plans: ['accepted_plan', 'id'],
} as const satisfies Record<keyof BriefState, readonly [RecordName, string]>;
export type ListName = keyof typeof KINDS;

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
  return { state: { ...before?.state, ...fresh } as unknown as BriefState, revision };
}

/** Some lists of a brief, all in one statement: as of one moment. */
export async function listsOf(
  client: Client,
  briefId: string,
  names: readonly ListName[],
): Promise<Partial<Record<ListName, unknown>>> {
  const found = await rows<{ name: ListName; records: Row[] }>(
    client,
    names
      .map((name) => {
        const [kind, order] = KINDS[name];
        const of = kind === 'brief' ? 'id' : 'brief_id';
        return `select '${name}' as name,
          (select coalesce(json_agg(to_jsonb(t) order by ${order}), '[]') from ${kind} t where ${of} = $1) as records`;
      })
      .join(' union all '),
    [briefId],
  );
  return Object.fromEntries(
    found.map(({ name, records }) => {
      const kept = records.map((row) => fromRow(KINDS[name][0], row));
      return [name, name === 'brief' || name === 'airframe' ? kept[0] : kept];
    }),
  );
}

/** Makes a brief with its airframe, its weekly sessions and the questions that it raises, as one act that belongs to it: undo knows where the beginning is. */
export async function createBrief(
  { brief, airframe, sessions, questions = [] }: NewBrief,
  stamp?: Stamp,
): Promise<ActAnswer<string>> {
  const briefId = randomUUID();
  return perform({ ...newAct(briefId, 'kit'), ...stamp, briefId }, async (writer) => {
    await writer.insert('brief', brief, briefId);
    await writer.insert('airframe', airframe);
    await writer.insertMany('weekly_session', sessions);
    await writer.insertMany('question', questions);
    return briefId;
  });
}
