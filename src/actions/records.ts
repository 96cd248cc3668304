'use server';

import { z } from 'zod';
import { STATIONS, WRITABLE, actSchema } from '@/core/kept/act';
import { RECORDS, type Fields, type Kept } from '@/core/kept/records';
import type { UndoAnswer } from '@/core/kept/undo-answer';
import type { Result } from '@/core/interchange/result';
import { ChangedElsewhere, perform, readRecord, stampedAct } from '@/data/acts';
import { redoLast, undoLast } from '@/data/undo';
import type { Sight } from '@/data/sight';
import { briefOf } from './brief-of';
import { answered, ofBrief, Refused } from './answer';
import { askWhatCameUp } from './ask-what-came-up';
import { checkEvidence, withOwnReason } from './check-evidence';
import { checkKit } from './check-kit';
import { checkWorkedAt } from './check-log';
import { checkRouteEdit } from './check-route';
import { mayKeep, mayTakeBack, mayTakeOut, onComputer } from './of-device';

/** Acts as data: records added, updated and removed. Every one answers with a Result and never throws at the reader. */

const target = ofBrief.extend({ station: z.enum(STATIONS), entity: z.enum(WRITABLE) });

/** Creates (id null) or updates a record of a brief. */
export async function save(input: unknown): Promise<Result<{ id: string; version: number }>> {
  return answered(async () => {
    const { briefId, act, station, entity, id, version, fields } = target
      .extend({
        id: z.uuid().nullable(),
        version: z.number().int().nullable(),
        fields: z.record(z.string(), z.unknown()),
      })
      .parse(input);
    await mayKeep(entity);
    return perform(stampedAct(act, briefId, station), async (writer) => {
      const kept = await checkedFields(writer, entity, id, fields);
      const before = entity === 'subject' ? await briefOf(writer) : null;
      const saved =
        id && version !== null ? await writer.update(entity, id, version, kept) : await writer.insert(entity, kept);
      if (before) {
        const others = before.subjects.filter((other) => other.id !== saved.id);
        const subjects = [...others, saved as Kept<'subject'>];
        await askWhatCameUp(writer, before, { ...before, subjects });
      }
      return { id: saved.id, version: saved.version };
    });
  });
}

/** A form may hold some fields only: what it does not name stays as it is. */
async function checkedFields(
  at: Sight,
  entity: (typeof WRITABLE)[number],
  id: string | null,
  fields: Record<string, unknown>,
): Promise<never> {
  const standing = id ? await readRecord(at, entity, id) : null;
  if (id && !standing) throw new ChangedElsewhere(entity, id, null);
  const whole = { ...standing, ...fields };
  const ready = entity === 'ruling' ? await withOwnReason(at, whole) : whole;
  return checked(at, entity, id, ready);
}

/** Fields that are whole, checked by themselves and against the rest of the brief. */
async function checked(
  at: Sight,
  entity: (typeof WRITABLE)[number],
  id: string | null,
  fields: unknown,
): Promise<never> {
  const evidence = await checkEvidence(at, entity, id, RECORDS[entity].parse(fields) as never);
  if (entity === 'log_entry') checkWorkedAt(evidence as Fields<'log_entry'>);
  if (entity === 'route_edit') await checkRouteEdit(at, id, evidence as never);
  return (await checkKit(at, entity, id, evidence)) as never;
}

export async function remove(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, station, entity, id, version } = target
      .extend({ id: z.uuid(), version: z.number().int() })
      .parse(input);
    if (entity === 'brief' || entity === 'airframe') throw new Refused('', 'A brief is not removed here.');
    await mayTakeOut(entity);
    return perform(stampedAct(act, briefId, station), async (writer) => {
      await writer.remove(entity, id, version);
      return null;
    });
  });
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
