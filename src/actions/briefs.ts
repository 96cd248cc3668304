'use server';

import { z } from 'zod';
import { airframeFields, briefFields, RECORDS, weeklySessionFields } from '@/core/kept/records';
import { createBrief as makeBrief } from '@/data/briefs';
import { inTransaction, rows } from '@/data/database';
import {
  ChangedElsewhere,
  deleteRecord,
  insertRecord,
  newAct,
  readRecord,
  undoLast,
  updateRecord,
  type Undone,
} from '@/data/acts';
import type { Result } from '@/core/interchange/result';
import { answered, Refused } from './answer';
import { checkEvidence } from './check-evidence';

/** Server actions: parse, call the data layer, render again. Every one answers with a Result and never throws at the reader. */

const station = z.enum(['setup', 'evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief']);
const target = z.object({ briefId: z.uuid(), station });
/** Records that the generic save may write; the others have actions of their own. */
const WRITABLE = [
  'brief',
  'airframe',
  'source',
  'question',
  'sighting',
  'ruling',
  'paint_event',
  'mirror',
  'marking',
  'weekly_session',
  'log_entry',
  'timer',
  'colour_code',
  'code_relation',
  'chip',
  'paint_line',
  'paint',
  'bottle',
  'recipe',
  'paint_use',
] as const;

/** Creates (id null) or updates a record of a brief. */
export async function save(input: unknown): Promise<Result<{ id: string; version: number }>> {
  return answered(async () => {
    const {
      briefId,
      station: at,
      entity,
      id,
      version,
      fields,
    } = target
      .extend({
        entity: z.enum(WRITABLE),
        id: z.uuid().nullable(),
        version: z.number().int().nullable(),
        fields: z.record(z.string(), z.unknown()),
      })
      .parse(input);
    // A form may hold some fields only: what it does not name stays as it is.
    const standing = id ? await readRecord(briefId, entity, id) : null;
    if (id && !standing) throw new ChangedElsewhere(entity, id, null);
    const checked = RECORDS[entity].parse({ ...standing, ...fields }) as never;
    const settled = await checkEvidence(briefId, entity, id, checked);
    return inTransaction(async (client) => {
      const act = newAct(briefId, at);
      const kept =
        id && version !== null
          ? await updateRecord(client, act, entity, id, version, settled)
          : await insertRecord(client, act, entity, settled);
      return { id: kept.id, version: kept.version };
    });
  });
}

export async function remove(input: unknown): Promise<Result> {
  return answered(async () => {
    const {
      briefId,
      station: at,
      entity,
      id,
      version,
    } = target.extend({ entity: z.enum(WRITABLE), id: z.uuid(), version: z.number().int() }).parse(input);
    if (entity === 'brief' || entity === 'airframe') throw new Refused('', 'A brief is not removed here.');
    await inTransaction((client) => deleteRecord(client, newAct(briefId, at), entity, id, version));
    return null;
  });
}

/** Takes back the last change of the brief, whichever station made it. Null when there is nothing left to take back. */
export async function undo(input: unknown): Promise<Result<Undone | null>> {
  return answered(async () => undoLast(z.object({ briefId: z.uuid() }).parse(input).briefId));
}

export async function createBrief(input: unknown): Promise<Result<{ id: string }>> {
  return answered(async () => {
    const { brief, airframe, sessions } = z
      .object({ brief: briefFields, airframe: airframeFields, sessions: z.array(weeklySessionFields).max(20) })
      .parse(input);
    return { id: await makeBrief(brief, airframe, sessions) };
  });
}

/** Brief and airframe saved together, as one act. */
export async function saveSetup(input: unknown): Promise<Result> {
  return answered(async () => {
    const versioned = { id: z.uuid(), version: z.number().int() };
    const { briefId, brief, airframe } = z
      .object({
        briefId: z.uuid(),
        brief: z.object({ ...versioned, fields: briefFields }),
        airframe: z.object({ ...versioned, fields: airframeFields }),
      })
      .parse(input);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'setup');
      await updateRecord(client, act, 'brief', brief.id, brief.version, brief.fields);
      await updateRecord(client, act, 'airframe', airframe.id, airframe.version, airframe.fields);
    });
    return null;
  });
}

/** Logs a step as done just now, with the minutes it really took, and stops its timers. */
export async function finishStep(input: unknown): Promise<Result> {
  return answered(async () => {
    const given = z
      .object({
        briefId: z.uuid(),
        ...RECORDS.log_entry.pick({
          stepKey: true,
          title: true,
          lane: true,
          plannedMinutes: true,
          actualMinutes: true,
          note: true,
          paint: true,
        }).shape,
      })
      .parse(input);
    const { briefId, ...entry } = given;
    const ended = new Date();
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'bench');
      const [known] = await rows(client, 'select 1 from log_entry where brief_id = $1 and step_key = $2', [
        briefId,
        entry.stepKey,
      ]);
      if (known) throw new Refused('', 'This step is in the log already.');
      await insertRecord(client, act, 'log_entry', {
        ...entry,
        startedAt: new Date(ended.getTime() - entry.actualMinutes * 60_000).toISOString(),
        endedAt: ended.toISOString(),
      });
    });
    return null;
  });
}
