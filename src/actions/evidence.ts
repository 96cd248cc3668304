'use server';

import { z } from 'zod';
import { checkSource } from '@/core/kept/check-source';
import { otherSide, withoutSide } from '@/core/brief/questions';
import { paintEventFields, RECORDS, sightingFields, sourceFields } from '@/core/kept/records';
import { readCell } from '@/core/evidence/cell-entry';
import { clarityOn } from '@/core/evidence/film';
import { readValue } from '@/core/evidence/value';
import type { Result } from '@/core/interchange/result';
import { loadBrief } from '@/data/briefs';
import { inTransaction, rows } from '@/data/database';
import { deleteRecord, insertRecord, newAct, updateRecord } from '@/data/acts';
import { answered, Refused } from './answer';

/** Acts at the Evidence station that write more than one record, or read what was typed. */

const { zone, aspect, item } = RECORDS.question.shape;
const ofBrief = z.object({ briefId: z.uuid() });

async function briefOf(briefId: string) {
  const state = await loadBrief(briefId);
  if (!state) throw new Refused('', 'This brief is gone.');
  return state;
}

/** A sighting by zone and aspect: the question is asked with it when nobody asked it yet. */
export async function addSighting(input: unknown): Promise<Result<{ questionId: string }>> {
  return answered(async () => {
    const { briefId, ...given } = ofBrief
      .extend({ zone, aspect, item: item.default(''), ...sightingFields.omit({ questionId: true }).shape })
      .parse(input);
    const { zone: onZone, aspect: about, item: which, ...said } = given;
    const read = readValue(about, said.value);
    if ('fault' in read) throw new Refused('value', read.fault);
    return inTransaction(async (client) => {
      const act = newAct(briefId, 'evidence');
      const [known] = await rows<{ id: string }>(
        client,
        'select id from question where brief_id = $1 and zone = $2 and aspect = $3 and item = $4',
        [briefId, onZone, about, which],
      );
      const [source] = await rows(client, 'select 1 from source where id = $1 and brief_id = $2', [
        said.sourceId,
        briefId,
      ]);
      if (!source) throw new Refused('sourceId', 'This source is gone.');
      const questionId =
        known?.id ?? (await insertRecord(client, act, 'question', { zone: onZone, aspect: about, item: which })).id;
      await insertRecord(client, act, 'sighting', { ...said, value: read.value, sd: read.sd ?? said.sd, questionId });
      return { questionId };
    });
  });
}

/** What was typed into a cell of the ledger: adds, changes or (when empty) removes what one source says of one question. */
export async function enterCell(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, questionId, sourceId, text, standing } = ofBrief
      .extend({
        questionId: z.uuid(),
        sourceId: z.uuid(),
        text: z.string().max(300, 'At most 300 signs'),
        /** The sighting that the cell showed, in the version it showed; null for an empty cell. */
        standing: z.object({ id: z.uuid(), version: z.number().int() }).nullable(),
      })
      .parse(input);
    const state = await briefOf(briefId);
    const question = state.questions.find((candidate) => candidate.id === questionId);
    const source = state.sources.find((candidate) => candidate.id === sourceId);
    if (!question || !source) throw new Refused('', 'This question or source is gone.');
    const entry = readCell(question.aspect, text, clarityOn(source.film, question.aspect));
    if (entry && 'fault' in entry) throw new Refused('', entry.fault);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'evidence');
      if (standing && entry)
        await updateRecord(client, act, 'sighting', standing.id, standing.version, { ...entry, marks: null });
      else if (standing) await deleteRecord(client, act, 'sighting', standing.id, standing.version);
      else if (entry)
        await insertRecord(client, act, 'sighting', { ...entry, note: '', marks: null, questionId, sourceId });
    });
    return null;
  });
}

/** Several sources at once, one act: pictures dropped together. Answers with their ids in the same order. */
export async function addSources(input: unknown): Promise<Result<{ ids: string[] }>> {
  return answered(async () => {
    const { briefId, sources } = ofBrief.extend({ sources: z.array(sourceFields).min(1).max(100) }).parse(input);
    const state = await briefOf(briefId);
    sources.forEach((source, i) => {
      const [fault] = checkSource(source, null, state);
      if (fault) throw new Refused(`${i}.${fault.field}`, `${source.title}: ${fault.says}`);
    });
    const ids = await inTransaction(async (client) => {
      const act = newAct(briefId, 'evidence');
      const made: string[] = [];
      for (const source of sources) made.push((await insertRecord(client, act, 'source', source)).id);
      return made;
    });
    return { ids };
  });
}

/** What happened to the paint of one or more zones on a day, one act. */
export async function addEvents(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, zones, ...event } = ofBrief
      .extend({
        zones: z.array(zone).min(1, 'Zones: choose at least one').max(100),
        ...paintEventFields.omit({ zone: true }).shape,
      })
      .parse(input);
    await briefOf(briefId);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'evidence');
      for (const name of zones) await insertRecord(client, act, 'paint_event', { ...event, zone: name });
    });
    return null;
  });
}

/** Rules that both sides of a zone mirror one another in what a question asks; asks it of the other side where nobody did. */
export async function mirrorQuestion(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, questionId, reason } = ofBrief
      .extend({ questionId: z.uuid(), reason: RECORDS.mirror.shape.reason })
      .parse(input);
    const state = await briefOf(briefId);
    const question = state.questions.find((candidate) => candidate.id === questionId);
    const base = question && withoutSide(question.zone);
    if (!question || !base) throw new Refused('reason', 'This zone has no other side.');
    const opposite = otherSide(question.zone)!;
    const { aspect: about, item: which } = question;
    const asked = state.questions.some((q) => q.zone === opposite && q.aspect === about && q.item === which);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'evidence');
      if (!asked) await insertRecord(client, act, 'question', { zone: opposite, aspect: about, item: which });
      await insertRecord(client, act, 'mirror', { zone: base, aspect: about, item: which, reason });
    });
    return null;
  });
}
