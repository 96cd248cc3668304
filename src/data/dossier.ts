import { randomUUID } from 'node:crypto';
import type { PoolClient } from 'pg';
import { checkSource } from '@/core/kept/check-source';
import type { BriefState } from '@/core/kept/state';
import { toDossier, type Dossier, type DossierParts } from '@/core/interchange/dossier';
import { resolveSources, type ReadTable, type RowFault } from '@/core/interchange/evidence-csv';
import { loadBrief } from './briefs';
import { inTransaction } from './database';
import { insertRecord, newAct, type Act } from './acts';
import { keepExportedPicture, readPicture } from './pictures';

/** Evidence in and out: a dossier merged into what is known, tables row by row. */

/** How many of each were added; what was there already stays as it is. */
export type Added = Record<'sources' | 'questions' | 'sightings' | 'rulings' | 'events' | 'mirrors', number>;

/** The pictures of a brief's sources in base64, by their id. */
export async function picturesOf(state: BriefState): Promise<Record<string, string>> {
  const pictures: Record<string, string> = {};
  for (const { pictureId } of state.sources) {
    const picture = pictureId && !pictures[pictureId] ? await readPicture(pictureId, 'full') : null;
    if (picture) pictures[pictureId!] = picture.bytes.toString('base64');
  }
  return pictures;
}

/** Keeps the pictures of a file; answers with their ids here by their names in the file. Throws PictureFault. */
export async function keepPictures(pictures: Record<string, string>): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  for (const [name, base64] of Object.entries(pictures))
    ids.set(name, (await keepExportedPicture(Buffer.from(base64, 'base64'))).id);
  return ids;
}

export async function exportDossier(briefId: string): Promise<{ dossier: Dossier; state: BriefState } | null> {
  const state = await loadBrief(briefId);
  return state && { dossier: toDossier(state, await picturesOf(state)), state };
}

const NOTHING: Pick<BriefState, 'sources' | 'questions' | 'sightings' | 'rulings' | 'events' | 'mirrors'> = {
  sources: [],
  questions: [],
  sightings: [],
  rulings: [],
  events: [],
  mirrors: [],
};

/**
 * Adds the parts of a dossier to a brief. What is known already (a source by kind and title, a question, an event, what a source says
 * of a question, any ruling) is left as it stands, and what refers to it refers to what is known.
 */
export async function insertDossier(
  client: PoolClient,
  act: Act,
  file: DossierParts,
  pictureIds: ReadonlyMap<string, string>,
  known: typeof NOTHING = NOTHING,
): Promise<Added> {
  const added: Added = { sources: 0, questions: 0, sightings: 0, rulings: 0, events: 0, mirrors: 0 };
  /** The id here of each part of the file: a known one of the same name, or a new one that is still to be written. */
  const idsBy = <T extends { ref: string }, K extends { id: string }>(
    parts: readonly T[],
    here: readonly K[],
    nameOf: (part: T | K) => string,
  ) => {
    const names = new Map(here.map((record) => [nameOf(record), record.id]));
    const ids = new Map<string, string>();
    const fresh: T[] = [];
    for (const part of parts) {
      const here = names.get(nameOf(part));
      if (!here) fresh.push(part);
      ids.set(part.ref, here ?? randomUUID());
    }
    return { ids, fresh };
  };
  type Named<N extends keyof typeof NOTHING & keyof DossierParts> =
    DossierParts[N][number] | (typeof NOTHING)[N][number];
  const events = idsBy(file.events, known.events, (e: Named<'events'>) => `${e.zone} ${e.kind} ${e.onDay} ${e.value}`);
  const sources = idsBy(file.sources, known.sources, (s: Named<'sources'>) => `${s.kind} ${s.title}`);
  const questions = idsBy(
    file.questions,
    known.questions,
    (q: Named<'questions'>) => `${q.zone} ${q.aspect} ${q.item}`,
  );

  for (const { ref, ...event } of events.fresh) {
    await insertRecord(client, act, 'paint_event', event, events.ids.get(ref));
    added.events += 1;
  }
  for (const { ref, derivedFrom, pictureId, afterEventId, beforeEventId, ...source } of sources.fresh) {
    const fields = {
      ...source,
      afterEventId: afterEventId && events.ids.get(afterEventId)!,
      beforeEventId: beforeEventId && events.ids.get(beforeEventId)!,
      derivedFrom: derivedFrom.map((origin) => sources.ids.get(origin)!),
      pictureId: pictureId && pictureIds.get(pictureId)!,
    };
    await insertRecord(client, act, 'source', fields, sources.ids.get(ref));
    added.sources += 1;
  }
  for (const { ref, ...question } of questions.fresh) {
    await insertRecord(client, act, 'question', question, questions.ids.get(ref));
    added.questions += 1;
  }
  const said = new Set(known.sightings.map((s) => `${s.questionId} ${s.sourceId} ${s.sense} ${s.value}`));
  for (const { question, source, ...sighting } of file.sightings) {
    const [questionId, sourceId] = [questions.ids.get(question)!, sources.ids.get(source)!];
    if (said.has(`${questionId} ${sourceId} ${sighting.sense} ${sighting.value}`)) continue;
    await insertRecord(client, act, 'sighting', { ...sighting, questionId, sourceId });
    added.sightings += 1;
  }
  const ruled = new Set(known.rulings.map((ruling) => ruling.questionId));
  for (const { question, ...ruling } of file.rulings) {
    const questionId = questions.ids.get(question)!;
    if (ruled.has(questionId)) continue;
    ruled.add(questionId);
    await insertRecord(client, act, 'ruling', { ...ruling, questionId });
    added.rulings += 1;
  }
  const mirrored = new Set(known.mirrors.map((m) => `${m.zone} ${m.aspect} ${m.item}`));
  for (const mirror of file.mirrors) {
    if (mirrored.has(`${mirror.zone} ${mirror.aspect} ${mirror.item}`)) continue;
    await insertRecord(client, act, 'mirror', mirror);
    added.mirrors += 1;
  }
  return added;
}

/** Merges a dossier into a brief, as one act; null when the brief is gone. Sources that contradict this airframe are named and refuse it all. */
export async function mergeDossier(
  briefId: string,
  dossier: Dossier,
): Promise<{ added: Added; faults: RowFault[] } | null> {
  const state = await loadBrief(briefId);
  if (!state) return null;
  const faults = dossier.sources.flatMap((source, i) =>
    checkSource({ ...source, derivedFrom: [], afterEventId: null, beforeEventId: null }, source.ref, {
      sources: [],
      events: [],
      airframe: state.airframe,
    }).map(({ says }) => ({ row: 0, says: `sources[${i}]: ${says}` })),
  );
  const none: Added = { sources: 0, questions: 0, sightings: 0, rulings: 0, events: 0, mirrors: 0 };
  if (faults.length > 0) return { added: none, faults };
  const pictureIds = await keepPictures(dossier.pictures);
  const added = await inTransaction((client) =>
    insertDossier(client, newAct(briefId, 'evidence'), dossier, pictureIds, state),
  );
  return { added, faults: [] };
}

/** Adds the good rows of a table, as one act, and names the others; null when the brief is gone. */
export async function addTable(
  briefId: string,
  read: ReadTable,
): Promise<{ added: number; faults: RowFault[] } | null> {
  const state = await loadBrief(briefId);
  if (!state) return null;
  return inTransaction(async (client) => {
    const act = newAct(briefId, 'evidence');
    const faults = [...read.faults];
    let added = 0;
    if (read.table === 'sources') {
      const ids = new Map(read.rows.map((row) => [row.row, randomUUID() as string]));
      const resolved = resolveSources(read.rows, state, (row) => ids.get(row.row)!);
      for (const { id, source } of resolved.added) await insertRecord(client, act, 'source', source, id);
      added = resolved.added.length;
      faults.push(...resolved.faults);
    } else {
      const questionIds = new Map(state.questions.map((q) => [`${q.zone} ${q.aspect} ${q.item}`, q.id]));
      const questionOf = async ({
        zone,
        aspect,
        item,
      }: {
        zone: string;
        aspect: (typeof state.questions)[number]['aspect'];
        item: string;
      }) => {
        const key = `${zone} ${aspect} ${item}`;
        const id = questionIds.get(key) ?? (await insertRecord(client, act, 'question', { zone, aspect, item })).id;
        questionIds.set(key, id);
        return id;
      };
      if (read.table === 'sightings') {
        const sourceIds = new Map(state.sources.map((source) => [source.title.toLowerCase(), source.id]));
        for (const { row, sighting } of read.rows) {
          const { zone, aspect, item, sourceTitle, ...said } = sighting;
          const sourceId = sourceIds.get(sourceTitle.toLowerCase());
          if (!sourceId) {
            faults.push({ row, says: `there is no source "${sourceTitle}": add it first` });
            continue;
          }
          const questionId = await questionOf({ zone, aspect, item });
          if (
            state.sightings.some(
              (s) => s.questionId === questionId && s.sourceId === sourceId && s.value === said.value,
            )
          ) {
            faults.push({ row, says: 'this is said already' });
            continue;
          }
          await insertRecord(client, act, 'sighting', { ...said, marks: null, questionId, sourceId });
          added += 1;
        }
      } else {
        const ruled = new Set(state.rulings.map((ruling) => ruling.questionId));
        for (const { row, ruling } of read.rows) {
          const { zone, aspect, item, ...fields } = ruling;
          const questionId = await questionOf({ zone, aspect, item });
          if (ruled.has(questionId)) {
            faults.push({ row, says: 'this question is ruled already: change the ruling by hand' });
            continue;
          }
          ruled.add(questionId);
          await insertRecord(client, act, 'ruling', { ...fields, questionId });
          added += 1;
        }
      }
    }
    return { added, faults: faults.sort((a, b) => a.row - b.row) };
  });
}
