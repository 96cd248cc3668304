'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { notAsked, raisedBy } from '@/core/workshop/born';
import type { Result } from '@/core/interchange/result';
import { readPartsCsv } from '@/core/interchange/parts-csv';
import { BLANK_PART } from '@/core/kept/blank';
import { partFields } from '@/core/kept/records';
import { outlineOf, type BriefState } from '@/core/kept/state';
import {
  inBoxOrder,
  keyOfNumber,
  keyOfPart,
  MOST_PARTS,
  partName,
  partNumber,
  readBulk,
  type BulkLine,
} from '@/core/kit/parts';
import { partJobs } from '@/core/kit/part-work';
import { RULES } from '@/core/route/rules';
import { perform, stampedAct } from '@/data/acts';
import { answered, lookedUp, ofBrief, Refused, versioned } from './answer';
import { bookOf, briefOf } from './brief-of';
import { optionOf, takeOption } from './record-work';
import { performTelling } from './telling';
import { checkValue } from './check-evidence';
import { checkParts } from './check-kit';
import { lookAt } from '@/data/snapshot';
import { asRead, readingAsked, tableText, type TableRead } from './table-read';

/** Acts at the Kit station that write more than one record, or read what was typed. */

/** Takes a choice of an option. Zones that come into sight by it are asked about in the same act, where the brief asks at all. */
export async function chooseOption(input: unknown): Promise<Result<{ asked: number }>> {
  return answered(async () => {
    const { briefId, act, ...chosen } = optionOf.parse(input);
    return performTelling(stampedAct(act, briefId, 'kit'), (writer, before) => takeOption(writer, chosen, before));
  });
}

/** Asks all that this build raises and nobody asked yet. */
export async function askAll(input: unknown): Promise<Result<{ asked: number }>> {
  return answered(async () => {
    const { briefId, act } = ofBrief.parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const state = await briefOf(writer);
      const fresh = notAsked(raisedBy(state), state.questions);
      await writer.insertMany('question', fresh);
      return { asked: fresh.length };
    });
  });
}

/** Leaves out the work of a rule that nobody will see, or takes it up again. */
export async function leaveOut(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, version, rule, left } = ofBrief
      .extend({ version: z.number().int(), rule: z.string().max(120), left: z.boolean() })
      .parse(input);
    return perform(stampedAct(act, briefId, 'kit'), async (writer) => {
      const { brief, parts } = await briefOf(writer);
      const isWork =
        brief.leftOut.includes(rule) || [...RULES, ...partJobs(parts, brief.options)].some(({ key }) => key === rule);
      if (!isWork) throw new Refused('rule', 'There is no such step.');
      const others = brief.leftOut.filter((key) => key !== rule);
      await writer.update('brief', briefId, version, { leftOut: left ? [...others, rule] : others });
      return null;
    });
  });
}

/** "sprue C: 1-24 sound": parts that are not in the register are added, those that are are changed. */
export async function sayOfParts(input: unknown): Promise<Result<{ added: number; changed: number }>> {
  return answered(async () => {
    const { briefId, act, text } = ofBrief
      .extend({ text: z.string().trim().min(1, 'Say which parts').max(500) })
      .parse(input);
    const { sprue, numbers, ...says } = bulkOf(text);
    return perform(stampedAct(act, briefId, 'kit'), async (writer) => {
      const state = await briefOf(writer);
      const known = new Map(state.parts.map((part) => [keyOfPart(part), part]));
      const of = numbers.map((number) => ({ number, part: known.get(keyOfPart({ sprue, number })) }));
      const fresh = of.filter(({ part }) => !part);
      if (state.parts.length + fresh.length > MOST_PARTS)
        throw new Refused('text', `A register holds at most ${MOST_PARTS} parts.`);
      await writer.insertMany(
        'part',
        fresh.map(({ number }) => ({ ...BLANK_PART, sprue, number, ...says })),
      );
      const changes = of.flatMap(({ part }) => part ?? []);
      for (const part of changes) await writer.update('part', part.id, part.version, says);
      return { added: fresh.length, changed: changes.length };
    });
  });
}
function bulkOf(text: string): BulkLine {
  try {
    return readBulk(text);
  } catch (error) {
    throw new Refused('text', (error as Error).message);
  }
}

/** The same said of parts that were chosen in the table. */
export async function changeParts(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, parts, fields } = ofBrief
      .extend({
        parts: z.array(versioned).min(1, 'No part is chosen').max(MOST_PARTS),
        fields: z.strictObject({
          condition: partFields.shape.condition.optional(),
          origin: partFields.shape.origin.optional(),
          zone: partFields.shape.zone.optional(),
          painted: partFields.shape.painted.optional(),
          orderedUntil: partFields.shape.orderedUntil.optional(),
        }),
      })
      .parse(input);
    const chosen = new Set(parts.map(({ id }) => id));
    return perform(stampedAct(act, briefId, 'kit'), async (writer) => {
      const state = await briefOf(writer);
      checkParts(
        await bookOf(writer),
        state,
        state.parts.flatMap((part) => (chosen.has(part.id) ? [{ ...part, ...fields }] : [])),
      );
      for (const { id, version } of parts) await writer.update('part', id, version, fields);
      return null;
    });
  });
}

/** Takes a part out of the register; what replaces it has to let go of it first. */
export async function removeParts(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, parts } = ofBrief
      .extend({ parts: z.array(versioned).min(1, 'No part is chosen').max(MOST_PARTS) })
      .parse(input);
    const gone = new Set(parts.map(({ id }) => id));
    return perform(stampedAct(act, briefId, 'kit'), async (writer) => {
      const { parts: register } = await briefOf(writer);
      const user = register.find(({ id, replacesIds }) => !gone.has(id) && replacesIds.some((old) => gone.has(old)));
      if (user) {
        const old = register.find(({ id }) => gone.has(id) && user.replacesIds.includes(id))!;
        throw new Refused('', `${partName(user)} replaces ${partNumber(old)}: change that first.`);
      }
      for (const { id, version } of parts) await writer.remove('part', id, version);
      return null;
    });
  });
}

const partsTable = z.object({ briefId: z.uuid(), text: tableText, reading: readingAsked });
const readFor = (
  { parts, brief, ...state }: BriefState,
  { text, reading }: Pick<z.infer<typeof partsTable>, 'text' | 'reading'>,
) => readPartsCsv(text, outlineOf({ ...state, brief }).zones, parts, brief.boughtOn, reading);

/** What a table of parts would bring. */
export async function lookAtParts(input: unknown): Promise<Result<TableRead>> {
  return lookedUp(async () => {
    const table = partsTable.parse(input);
    return asRead(readFor(await lookAt(table.briefId, briefOf), table));
  });
}

/** Takes every row of a table of parts that can be taken. */
export async function takeParts(input: unknown): Promise<Result<{ parts: number }>> {
  return answered(async () => {
    const { briefId, act, ...table } = ofBrief.extend(partsTable.shape).parse(input);
    return perform(stampedAct(act, briefId, 'kit'), async (writer) => {
      const state = await briefOf(writer);
      const { rows } = readFor(state, table);
      if (state.parts.length + rows.length > MOST_PARTS)
        throw new Refused('', `A register holds at most ${MOST_PARTS} parts.`);
      const ids = new Map(state.parts.map((part) => [keyOfPart(part), part.id]));
      for (const { part } of rows) ids.set(keyOfPart(part), randomUUID());
      const book = await bookOf(writer);
      const ordered = inBoxOrder(rows.map(({ part, replaces }) => ({ ...part, replaces }))).map((part) => ({
        ...part,
        codes: part.codes.map((code) => checkValue(book, 'colour', code, 'codes').value),
      }));
      await writer.insertMany(
        'part',
        ordered.map(({ replaces, ...part }) => ({
          ...part,
          replacesIds: replaces.map((old) => ids.get(keyOfNumber(old))!),
        })),
        ordered.map((part) => ids.get(keyOfPart(part))!),
      );
      return { parts: rows.length };
    });
  });
}
