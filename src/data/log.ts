import type { Kept } from '@/core/kept/records';
import type { ActWriter } from './acts';
import { pool, rows } from './database';
import { fromRow, type Row } from './rows';

/** The last entry that counts for a step; null where nothing of it is done. */
export async function standingEntry(briefId: string, stepKey: string): Promise<Kept<'log_entry'> | null> {
  const [found] = await rows<{ row: Row }>(
    pool(),
    'select to_jsonb(t) as row from log_entry t where brief_id = $1 and step_key = $2 and not again order by ended_at desc, id limit 1',
    [briefId, stepKey],
  );
  return found ? fromRow('log_entry', found.row) : null;
}

/** Stops the clocks that are named after a step. */
export async function stopTimersOf(writer: ActWriter, stepKey: string): Promise<void> {
  const timers = await rows<{ id: string; version: number }>(
    writer.client,
    'select id, version from timer where brief_id = $1 and step_key = $2 order by id',
    [writer.act.briefId, stepKey],
  );
  for (const { id, version } of timers) await writer.remove('timer', id, version);
}

/** A clock that is stopped before its start arrives is not started when that comes. */
export async function noteStopped(writer: ActWriter, timerId: string): Promise<void> {
  await writer.client.query('insert into stopped_timer (id, brief_id) values ($1, $2) on conflict do nothing', [
    timerId,
    writer.briefId,
  ]);
}

export const wasStopped = async (writer: ActWriter, timerId: string): Promise<boolean> =>
  (await rows(writer.client, 'select 1 from stopped_timer where id = $1 and brief_id = $2', [timerId, writer.briefId]))
    .length > 0;

/** Whether the step that a clock is named after was done at or after an instant: its clocks end with it. */
export const endedWith = async (writer: ActWriter, stepKey: string, instant: string): Promise<boolean> =>
  (
    await rows(
      writer.client,
      'select 1 from log_entry where brief_id = $1 and step_key = $2 and not again and ended_at >= $3 limit 1',
      [writer.briefId, stepKey, instant],
    )
  ).length > 0;
