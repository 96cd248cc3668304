'use server';

import { z } from 'zod';
import { canonicalIn } from '@/core/codes/system';
import { systemsOf } from '@/core/codes/shelf';
import { ORIGIN_SD } from '@/core/colour/chips';
import { hexToLab } from '@/core/colour/spaces';
import {
  airframeFields,
  briefFields,
  paintFields,
  paintLineFields,
  RECORDS,
  weeklySessionFields,
} from '@/core/brief/records';
import { createBrief as makeBrief } from '@/data/briefs';
import { loadShelf } from '@/data/colours';
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
} from '@/data/history';
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

/** Chooses the paint of a colour code in this brief; null takes the choice away. */
export async function chooseColour(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, codeId, paintId } = z
      .object({ briefId: z.uuid(), codeId: z.uuid(), paintId: z.uuid().nullable() })
      .parse(input);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'colours');
      const [known] = await rows<{ id: string; version: number }>(
        client,
        'select id, version from colour_choice where brief_id = $1 and code_id = $2',
        [briefId, codeId],
      );
      if (known && paintId) await updateRecord(client, act, 'colour_choice', known.id, known.version, { paintId });
      else if (known) await deleteRecord(client, act, 'colour_choice', known.id, known.version);
      else if (paintId) await insertRecord(client, act, 'colour_choice', { codeId, paintId });
    });
    return null;
  });
}

const labOrHex = z.object({
  hex: z.string().optional(),
  L: z.number().optional(),
  a: z.number().optional(),
  b: z.number().optional(),
});

function colourFrom(input: z.infer<typeof labOrHex>): [number, number, number] {
  if (input.hex) {
    try {
      return [...hexToLab(input.hex)] as [number, number, number];
    } catch (error) {
      throw new Refused('hex', (error as Error).message);
    }
  }
  const { L, a, b } = input;
  if (L === undefined || a === undefined || b === undefined)
    throw new Refused('L', 'Give L*, a* and b*, or a screen colour');
  if (L < 0 || L > 100) throw new Refused('L', 'L* must lie between 0 and 100');
  if (Math.abs(a) > 128 || Math.abs(b) > 128) throw new Refused('a', 'a* and b* must lie between -128 and 128');
  return [L, a, b];
}

/** Gives a code a colour: makes the code when it is new, and adds a chip to it. */
export async function addChip(input: unknown): Promise<Result> {
  return answered(async () => {
    const given = z
      .object({
        briefId: z.uuid(),
        code: RECORDS.colour_code.shape.code,
        name: RECORDS.colour_code.shape.name,
        finish: RECORDS.colour_code.shape.finish,
        kind: RECORDS.colour_code.shape.kind,
        origin: RECORDS.chip.shape.origin,
        ...labOrHex.shape,
      })
      .parse(input);
    const lab = colourFrom(given);
    const shelf = await loadShelf();
    const code = canonicalIn(systemsOf(shelf.codes), given.code);
    await inTransaction(async (client) => {
      const act = newAct(given.briefId, 'colours');
      const known = shelf.codes.find((candidate) => candidate.code === code);
      const system = code.replace(/[\s\d-]+$/, '') || 'own';
      const codeId =
        known?.id ??
        (
          await insertRecord(client, act, 'colour_code', {
            system,
            code,
            name: given.name,
            finish: given.finish,
            kind: given.kind,
          })
        ).id;
      const origin = given.hex ? 'eyeballed' : given.origin;
      await insertRecord(client, act, 'chip', { codeId, lab, origin, sd: ORIGIN_SD[origin].sd, note: '' });
    });
    return null;
  });
}

/** Adds a paint, its line when that is new, and a bottle of it when some is owned. */
export async function addPaint(input: unknown): Promise<Result> {
  return answered(async () => {
    const given = z
      .object({
        briefId: z.uuid(),
        line: paintLineFields.shape.name,
        chemistry: paintLineFields.shape.chemistry,
        mlLeft: RECORDS.bottle.shape.mlLeft,
        ...paintFields.omit({ lineId: true, lab: true, sd: true, claims: true }).shape,
        ...labOrHex.shape,
      })
      .parse(input);
    const { briefId, line, chemistry, mlLeft, hex, L, a, b, ...paint } = given;
    const lab = colourFrom({ hex, L, a, b });
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'colours');
      const [known] = await rows<{ id: string }>(client, 'select id from paint_line where name = $1', [line]);
      const lineId = known?.id ?? (await insertRecord(client, act, 'paint_line', { name: line, chemistry })).id;
      const made = await insertRecord(client, act, 'paint', {
        ...paint,
        lineId,
        lab,
        sd: hex ? ORIGIN_SD.eyeballed.sd : ORIGIN_SD.published.sd,
        claims: [],
      });
      if (mlLeft > 0)
        await insertRecord(client, act, 'bottle', { paintId: made.id, mlLeft, openedOn: null, condition: '' });
    });
    return null;
  });
}

/** The invented standard, catalogue and drawer of the demo, for whoever starts from an empty house. */
export async function addSampleShelf(): Promise<Result<{ codes: number; paints: number }>> {
  return answered(async () => {
    const { loadDemoShelf } = await import('@demo/shelf');
    return loadDemoShelf();
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
