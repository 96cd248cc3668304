import { randomUUID } from 'node:crypto';
import type { Kept, RecordName } from '@/core/kept/records';
import type { BriefState, BriefSummary } from '@/core/kept/state';
import type { ActAnswer, Stamp } from '@/core/kept/act';
import type { NewBrief } from '@/core/kept/new-brief';
import { newAct, perform } from './acts';
import { pool, rows, type Client } from './database';
import { revisionsOf, type Revision } from './revisions';
import { fromRow } from './rows';

export async function listBriefs(): Promise<BriefSummary[]> {
  const found = await rows<{
    id: string;
    airframe: Record<string, unknown>;
    denominator: number;
    kit: string;
    done: number;
  }>(
    pool(),
    `select b.id, to_jsonb(a) as airframe, b.denominator, trim(b.kit_maker || ' ' || b.kit_number) as kit,
            (select count(distinct step_key)::int from log_entry l where l.brief_id = b.id and not l.again) as done
     from brief b join airframe a on a.brief_id = b.id
     order by b.created_at, b.id`,
  );
  return found.map(({ airframe, done, ...rest }) => ({
    ...rest,
    airframe: fromRow('airframe', airframe),
    stepsDone: done,
  }));
}

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

/** The lists of a brief, each with its kind of record and the order that its contents alone decide. */
const LISTS = {
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
} as const satisfies Partial<Record<keyof BriefState, readonly [RecordName, string]>>;

/** A brief as it was read, with the revision that it was read at. */
export interface LoadedBrief {
  state: BriefState;
  revision: Revision;
}

/** All that is kept of a brief; null when there is none of that id. */
export async function loadBrief(id: string, client: Client = pool()): Promise<BriefState | null> {
  if (!isId(id)) return null;
  const revisions = await revisionsOf(client, id);
  return revisions && (await loadSince(id, revisions.brief, null, client)).state;
}

/** The brief at a revision: of what was read before, only the kinds that changed since are read again. */
export async function loadSince(
  id: string,
  revision: Revision,
  before: LoadedBrief | null,
  client: Client = pool(),
): Promise<LoadedBrief> {
  const changed = (kind: RecordName) => !before || (revision.kinds[kind] ?? 0) > before.revision.number;
  const one = async <N extends 'brief' | 'airframe'>(kind: N, known: Kept<N> | undefined): Promise<Kept<N>> => {
    if (known && !changed(kind)) return known;
    const [found] = await rows<{ row: Record<string, unknown> }>(
      client,
      `select to_jsonb(t) as row from ${kind} t where ${kind === 'brief' ? 'id' : 'brief_id'} = $1`,
      [id],
    );
    return fromRow(kind, found!.row);
  };
  const state: Partial<Record<keyof BriefState, unknown>> = {};
  const jobs = [
    async () => void (state.brief = await one('brief', before?.state.brief)),
    async () => void (state.airframe = await one('airframe', before?.state.airframe)),
    ...Object.entries(LISTS).map(([name, [kind, order]]) => async () => {
      const list = name as keyof typeof LISTS;
      state[list] = changed(kind) ? await recordsOf(client, kind, id, order) : before!.state[list];
    }),
  ];
  // Within a transaction there is one connection: one after the other.
  if (client === pool()) await Promise.all(jobs.map((job) => job()));
  else for (const job of jobs) await job();
  return { state: state as unknown as BriefState, revision };
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
