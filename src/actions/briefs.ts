'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { canonicalIn } from '@/core/codes/system';
import { systemsOf } from '@/core/codes/shelf';
import { ORIGIN_SD } from '@/core/colour/chips';
import { hexToLab } from '@/core/colour/spaces';
import { ASPECT_NAMES, ASPECTS } from '@/core/evidence/aspects';
import { derivationCircle } from '@/core/evidence/independence';
import {
  airframeFields,
  briefFields,
  paintFields,
  paintLineFields,
  RECORDS,
  sightingFields,
  weeklySessionFields,
  type RecordName,
} from '@/core/brief/records';
import { parseNumber } from '@/core/units/number';
import { createBrief as makeBrief, loadBrief } from '@/data/briefs';
import { loadShelf } from '@/data/colours';
import { inTransaction, rows } from '@/data/database';
import {
  ChangedElsewhere,
  deleteRecord,
  insertRecord,
  newAct,
  undoLast,
  updateRecord,
  type Undone,
} from '@/data/history';
import type { Result } from '@/core/interchange/result';

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
  'repaint',
  'marking',
  'weekly_session',
  'log_entry',
  'timer',
] as const;

async function answered<T>(work: () => Promise<T>): Promise<Result<T>> {
  try {
    const value = await work();
    revalidatePath('/briefs/[id]', 'layout');
    return { ok: true, value };
  } catch (error) {
    if (error instanceof z.ZodError)
      return { ok: false, faults: error.issues.map((issue) => ({ field: issue.path.join('.'), says: issue.message })) };
    if (error instanceof Refused) return { ok: false, faults: [{ field: error.field, says: error.message }] };
    if (error instanceof ChangedElsewhere) {
      revalidatePath('/briefs/[id]', 'layout');
      return { ok: false, conflict: { entity: error.entity, id: error.rowId, theirs: error.theirs } };
    }
    const refused = constraintInWords(error);
    if (refused) return { ok: false, faults: [{ field: '', says: refused }] };
    console.error(error);
    return { ok: false, faults: [{ field: '', says: 'The server could not do it; nothing was changed. Try again.' }] };
  }
}

class Refused extends Error {
  constructor(
    readonly field: string,
    says: string,
  ) {
    super(says);
  }
}

/** Constraints of the database that a reader can run into, in words. */
function constraintInWords(error: unknown): string | null {
  const code = (error as { code?: string }).code;
  if (code === '23505') return 'This is there already.';
  if (code === '23503') return 'What it refers to is gone.';
  return null;
}

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
    const checked = RECORDS[entity].parse(fields) as never;
    await checkTogether(briefId, entity, id, checked);
    return inTransaction(async (client) => {
      const act = newAct(briefId, at);
      const kept =
        id && version !== null
          ? await updateRecord(client, act, entity, id, version, checked)
          : await insertRecord(client, act, entity, checked);
      return { id: kept.id, version: kept.version };
    });
  });
}

/** What one record alone cannot tell: circles of sources, lengths that are no numbers. */
async function checkTogether(briefId: string, entity: RecordName, id: string | null, fields: Record<string, unknown>) {
  if (entity !== 'source' && entity !== 'sighting' && entity !== 'ruling') return;
  const state = await loadBrief(briefId);
  if (!state) throw new Refused('', 'This brief is gone.');
  if (entity === 'source') {
    const own = { id: id ?? 'new', derivedFrom: fields.derivedFrom as string[] };
    const circle = derivationCircle([...state.sources.filter((source) => source.id !== id), own]);
    const title = (ref: string) =>
      ref === own.id ? String(fields.title) : (state.sources.find((source) => source.id === ref)?.title ?? ref);
    if (circle) throw new Refused('derivedFrom', `Derived from: goes in a circle, ${circle.map(title).join(' from ')}`);
    return;
  }
  const question = state.questions.find((candidate) => candidate.id === fields.questionId);
  if (!question) throw new Refused('', 'This question is gone.');
  checkValue(question.aspect, String(fields.value));
}

function checkValue(aspect: (typeof ASPECT_NAMES)[number], value: string) {
  if (ASPECTS[aspect].type !== 'length') return;
  const mm = parseNumber(value);
  if (mm === null || mm <= 0)
    throw new Refused('value', `"${value}" is no length: give millimetres on the real machine, such as 412`);
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

/** A sighting by zone and aspect: the question is asked with it when nobody asked it yet. */
export async function addSighting(input: unknown): Promise<Result<{ questionId: string }>> {
  return answered(async () => {
    const { briefId, zone, aspect, ...rest } = z
      .object({
        briefId: z.uuid(),
        zone: RECORDS.question.shape.zone,
        aspect: RECORDS.question.shape.aspect,
        ...sightingFields.omit({ questionId: true }).shape,
      })
      .parse(input);
    checkValue(aspect, rest.value);
    return inTransaction(async (client) => {
      const act = newAct(briefId, 'evidence');
      const [known] = await rows<{ id: string }>(
        client,
        'select id from question where brief_id = $1 and zone = $2 and aspect = $3',
        [briefId, zone, aspect],
      );
      const [source] = await rows(client, 'select 1 from source where id = $1 and brief_id = $2', [
        rest.sourceId,
        briefId,
      ]);
      if (!source) throw new Refused('sourceId', 'This source is gone.');
      const questionId = known?.id ?? (await insertRecord(client, act, 'question', { zone, aspect })).id;
      await insertRecord(client, act, 'sighting', { ...rest, questionId });
      return { questionId };
    });
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
