'use server';

import { z } from 'zod';
import { actSchema, type ActAnswer } from '@/core/kept/act';
import type { RecordName } from '@/core/kept/records';
import type { BriefState } from '@/core/kept/state';
import type { UndoAnswer } from '@/core/kept/undo-answer';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct, type Act, type ActWriter } from '@/data/acts';
import { redoLast, undoLast } from '@/data/undo';
import { answered, ofBrief, Refused } from './answer';
import { mayKeep, mayTakeBack, mayTakeOut, onComputer } from './of-device';
import { checked, checkedFields, REACH, removalOf, removeRecord, saveOf, saveRecord } from './record-work';
import { performTelling } from './telling';

/** Acts as data: records added, updated and removed. Every one answers with a Result and never throws at the reader. */

/** Creates (id null) or updates a record of a brief. */
export async function save(input: unknown): Promise<Result<{ id: string; version: number }>> {
  return answered(async () => {
    const { briefId, act, station, ...record } = saveOf.parse(input);
    await mayKeep(record.entity);
    return performOn(record.entity, stampedAct(act, briefId, station), (writer, before) =>
      saveRecord(writer, record, before),
    );
  });
}

export async function remove(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, station, ...record } = removalOf.parse(input);
    await mayTakeOut(record.entity);
    return performOn(record.entity, stampedAct(act, briefId, station), (writer) => removeRecord(writer, record));
  });
}

/** Does an act at a record; where others rest on it, the answer says what turned. */
function performOn<T>(
  entity: RecordName,
  act: Act,
  work: (writer: ActWriter, before: BriefState | null) => Promise<T>,
): Promise<ActAnswer<T>> {
  const reach = REACH[entity];
  return reach ? performTelling(act, work, reach) : perform(act, (writer) => work(writer, null));
}

/** A whole act as data, as a device that was away from the server sends it: all of it, once, or nothing. */
export async function replay(input: unknown): Promise<Result> {
  return answered(async () => {
    await onComputer('This is done on the computer.');
    const { stamp, briefId, station, added, updated, removed } = actSchema.parse(input);
    if (added.some(({ entity }) => entity === 'brief' || entity === 'airframe'))
      throw new Refused('', 'A brief is not made here.');
    return perform(stampedAct(stamp, briefId, station), async (writer) => {
      // Row by row: each is checked against the brief with the rows before it.
      for (const { entity, id, fields } of added)
        await writer.insert(entity, await checked(writer, entity, null, fields), id);
      for (const { entity, id, version, fields } of updated)
        await writer.update(entity, id, version, await checkedFields(writer, entity, id, fields));
      for (const { entity, id, version } of removed) await writer.remove(entity, id, version);
      return null;
    });
  });
}

/** Takes back the last act at the brief that can be taken back, whichever station made it; or the one that is named. */
export async function undo(input: unknown): Promise<Result<UndoAnswer>> {
  return answered(async () => {
    const { briefId, act, only } = ofBrief.extend({ only: z.uuid().optional() }).parse(input);
    return undoLast(briefId, { stamp: act, stations: await mayTakeBack(), ...(only ? { only } : {}) });
  });
}

/** Does again what was taken back last, as long as nothing else was done since. */
export async function redo(input: unknown): Promise<Result<UndoAnswer>> {
  return answered(async () => {
    const { briefId, act } = ofBrief.parse(input);
    return redoLast(briefId, { stamp: act, stations: await mayTakeBack() });
  });
}
