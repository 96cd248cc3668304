'use server';

import { z } from 'zod';
import { checkSource } from '@/core/kept/check-source';
import { otherSide, withoutSide } from '@/core/outline/zones';
import { paintEventFields, RECORDS, sightingFields, sourceFields } from '@/core/kept/records';
import { readCell } from '@/core/evidence/cell-entry';
import { clarityOf } from '@/core/evidence/shown';
import type { Result } from '@/core/interchange/result';
import { ChangedElsewhere, perform, readRecord, stampedAct } from '@/data/acts';
import { askedQuestion, saidOf } from '@/data/evidence';
import { readSources } from '@/core/interchange/sources-table';
import { outlineOf } from '@/core/kept/state';
import { addSourceRows } from '@/data/dossier';
import { lookAt } from '@/data/snapshot';
import { answered, lookedUp, ofBrief, Refused } from './answer';
import { bookOf, briefOf } from './brief-of';
import { checkValue, onItsSide, settledRulings } from './check-evidence';
import { performTelling } from './telling';
import { asRead, readingAsked, tableText, type TableRead } from './table-read';

/** Acts at the Evidence station that write more than one record, or read what was typed. */

const { zone, aspect, item } = RECORDS.question.shape;

/** A sighting by zone and aspect: the question is asked with it when nobody asked it yet. */
export async function addSighting(input: unknown): Promise<Result<{ questionId: string }>> {
  return answered(async () => {
    const { briefId, act, ...given } = ofBrief
      .extend({ zone, aspect, item: item.default(''), ...sightingFields.omit({ questionId: true }).shape })
      .parse(input);
    const { zone: onZone, aspect: about, item: which, ...said } = given;
    return performTelling(
      stampedAct(act, briefId, 'evidence'),
      async (writer) => {
        const read = checkValue(await bookOf(writer), about, said.value);
        const source = await readRecord(writer, 'source', said.sourceId);
        if (!source) throw new Refused('sourceId', 'This source is gone.');
        const shown = onItsSide(said, source, onZone);
        const questionId = await askedQuestion(writer, { zone: onZone, aspect: about, item: which });
        await writer.insert('sighting', { ...shown, value: read.value, sd: read.sd ?? said.sd, questionId });
        return { questionId };
      },
      'rulings',
    );
  });
}

/**
 * What was typed into a cell of the ledger: adds, changes or (when empty) removes what one source says of one question. Answers with what
 * stands there now.
 */
export async function enterCell(input: unknown): Promise<Result<{ standing: { id: string; version: number } | null }>> {
  return answered(async () => {
    const { briefId, act, questionId, sourceId, text, standing } = ofBrief
      .extend({
        questionId: z.uuid(),
        sourceId: z.uuid(),
        text: z.string().max(300, 'At most 300 signs'),
        /** The sighting that the cell showed, in the version it showed; null for an empty cell. */
        standing: z.object({ id: z.uuid(), version: z.number().int() }).nullable(),
      })
      .parse(input);
    return performTelling(
      stampedAct(act, briefId, 'evidence'),
      async (writer) => {
        const [question, source] = [
          await readRecord(writer, 'question', questionId),
          await readRecord(writer, 'source', sourceId),
        ];
        if (!question || !source) throw new Refused('', 'This question or source is gone.');
        const entry = readCell(question.aspect, text, clarityOf(source, question.zone, question.aspect));
        if (entry && 'fault' in entry) throw new Refused('', entry.fault);
        if (entry) entry.value = checkValue(await bookOf(writer), question.aspect, entry.value, '').value;
        const said = entry && onItsSide({ ...entry, note: '' }, source, question.zone, '');
        // The cell was empty when it was typed into: what stands there now was said elsewhere meanwhile.
        const other = standing ? null : await saidOf(writer, questionId, sourceId);
        if (other) throw new ChangedElsewhere('sighting', other.id, other);
        if (standing && !said) await writer.remove('sighting', standing.id, standing.version);
        if (!said) return { standing: null };
        const { note, ...typed } = said;
        const { id, version } = standing
          ? await writer.update('sighting', standing.id, standing.version, {
              ...typed,
              marks: null,
              ...(note ? { note } : {}),
            })
          : await writer.insert('sighting', { ...typed, note, marks: null, questionId, sourceId });
        return { standing: { id, version } };
      },
      'rulings',
    );
  });
}

/** Several sources at once, one act: pictures dropped together. Answers with their ids in the same order. */
export async function addSources(input: unknown): Promise<Result<{ ids: string[] }>> {
  return answered(async () => {
    const { briefId, act, sources } = ofBrief.extend({ sources: z.array(sourceFields).min(1).max(100) }).parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const state = await briefOf(writer);
      sources.forEach((source, i) => {
        const [fault] = checkSource(source, null, state);
        if (fault) throw new Refused(`${i}.${fault.field}`, `${source.title}: ${fault.says}`);
      });
      return { ids: [...(await writer.insertMany('source', sources))] };
    });
  });
}

/** What happened to the paint of one or more zones on a day, one act. */
export async function addEvents(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, zones, ...event } = ofBrief
      .extend({
        zones: z.array(zone).min(1, 'Zones: choose at least one').max(100),
        ...paintEventFields.omit({ zone: true }).shape,
      })
      .parse(input);
    return performTelling(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const value =
        event.kind === 'addition' || !event.value
          ? event.value
          : checkValue(await bookOf(writer), 'colour', event.value).value;
      await writer.insertMany(
        'paint_event',
        zones.map((name) => ({ ...event, value, zone: name })),
      );
      return null;
    });
  });
}

/** Rules that both sides of a zone mirror one another in what a question asks; asks it of the other side where nobody did. */
export async function mirrorQuestion(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, questionId, reason } = ofBrief
      .extend({ questionId: z.uuid(), reason: RECORDS.mirror.shape.reason })
      .parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const question = await readRecord(writer, 'question', questionId);
      const base = question && withoutSide(question.zone);
      if (!question || !base) throw new Refused('reason', 'This zone has no other side.');
      const opposite = otherSide(question.zone)!;
      const { aspect: about, item: which } = question;
      await askedQuestion(writer, { zone: opposite, aspect: about, item: which });
      await writer.insert('mirror', { zone: base, aspect: about, item: which, reason });
      return null;
    });
  });
}

/** Rules questions as the sources settle them, as one act: no reason has to be typed. */
export async function ruleAsSettled(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, questionIds } = ofBrief
      .extend({ questionIds: z.array(z.uuid()).min(1, 'Nothing was chosen').max(500) })
      .parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const rulings = await settledRulings(writer, questionIds, act.by);
      for (const { standing, fields } of rulings)
        if (standing) await writer.update('ruling', standing.id, standing.version, fields);
        else await writer.insert('ruling', fields);
      return null;
    });
  });
}

/** What a list of sources would bring. */
export async function lookAtSources(input: unknown): Promise<Result<TableRead>> {
  return lookedUp(async () => {
    const { briefId, text, reading } = z
      .object({ briefId: z.uuid(), text: tableText, reading: readingAsked })
      .parse(input);
    const { zones } = outlineOf(await lookAt(briefId, briefOf));
    return asRead(readSources(text, zones, reading));
  });
}

/** Takes every source of a list that can be taken, as one act; answers with how many, and what was left out. */
export async function takeSources(input: unknown): Promise<Result<{ sources: number; left: number }>> {
  return answered(async () => {
    const { briefId, act, text, reading } = ofBrief.extend({ text: tableText, reading: readingAsked }).parse(input);
    const { zones } = outlineOf(await lookAt(briefId, briefOf));
    const { rows } = readSources(text, zones, reading);
    if (rows.length === 0) throw new Refused('', 'There is no row that could be taken.');
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const { added, faults } = await addSourceRows(writer, rows, await briefOf(writer));
      return { sources: added, left: faults.length };
    });
  });
}
