import type { RecordName } from '@/core/kept/records';
import type { BriefState } from '@/core/kept/state';
import { rows, type Client } from './database';
import { fromRow, type Row } from './rows';

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
  coats: ['general_coat', 'role, id'],
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
