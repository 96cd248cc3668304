import { randomUUID } from 'node:crypto';
import { resolveCode } from '@/core/codes/resolve';
import { aspectOf, type Aspect } from '@/core/evidence/aspects';
import { asInferred } from '@/core/evidence/shown';
import { checkSource } from '@/core/kept/check-source';
import { outlineOf, type BriefState } from '@/core/kept/state';
import { questionKey } from '@/core/evidence/question-key';
import { HUNG_ZONES } from '@/core/outline/hung';
import { withoutSide } from '@/core/outline/zones';
import { toDossier, type Dossier, type DossierParts } from '@/core/interchange/dossier';
import { codesRead } from '@/core/interchange/codes-read';
import { resolveSources, type ReadTable, type RowFault } from '@/core/interchange/evidence-csv';
import { loadBrief } from './read-brief';
import { pool } from './database';
import { revisionsOf } from './revisions';
import { newAct, perform, type ActWriter } from './acts';
import type { Stamp } from '@/core/kept/act';
import type { Fields } from '@/core/kept/records';
import { keepExportedPicture, readPicture } from './pictures';
import { codeBook } from '@/core/codes/official';

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

/** Pictures that come with a file, by their names in it; each is read when its turn comes. */
export interface FilePictures {
  names: readonly string[];
  read: (name: string) => Promise<Buffer>;
}

export const picturesInJson = (pictures: Readonly<Record<string, string>>): FilePictures => ({
  names: Object.keys(pictures),
  read: async (name) => Buffer.from(pictures[name]!, 'base64'),
});

/** Keeps the pictures of a file, one after the other; answers with their ids here by their names in the file. Throws PictureFault. */
export async function keepPictures(writer: ActWriter, pictures: FilePictures): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  for (const name of pictures.names)
    ids.set(name, (await keepExportedPicture(await pictures.read(name), writer.client)).id);
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
  writer: ActWriter,
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
  const questions = idsBy(file.questions, known.questions, questionKey);

  const insert = async <N extends 'paint_event' | 'source' | 'question' | 'sighting' | 'ruling' | 'mirror'>(
    name: N,
    records: readonly Fields<N>[],
    ids?: readonly string[],
  ) => (await writer.insertMany(name, records, ids)).length;
  const eventIds = events.fresh.map(({ ref }) => events.ids.get(ref)!);
  added.events = await insert(
    'paint_event',
    events.fresh.map(({ ref: _, ...event }) => event),
    eventIds,
  );
  added.sources = await insert(
    'source',
    sources.fresh.map(({ ref: _, derivedFrom, pictureId, afterEventId, beforeEventId, ...source }) => ({
      ...source,
      afterEventId: afterEventId && events.ids.get(afterEventId)!,
      beforeEventId: beforeEventId && events.ids.get(beforeEventId)!,
      derivedFrom: derivedFrom.map((origin) => sources.ids.get(origin)!),
      pictureId: pictureId && pictureIds.get(pictureId)!,
    })),
    sources.fresh.map(({ ref }) => sources.ids.get(ref)!),
  );
  added.questions = await insert(
    'question',
    questions.fresh.map(({ ref: _, ...question }) => question),
    questions.fresh.map(({ ref }) => questions.ids.get(ref)!),
  );
  const said = new Set(known.sightings.map((s) => `${s.questionId} ${s.sourceId} ${s.sense} ${s.value}`));
  added.sightings = await insert(
    'sighting',
    file.sightings.flatMap(({ question, source, ...sighting }) => {
      const [questionId, sourceId] = [questions.ids.get(question)!, sources.ids.get(source)!];
      const key = `${questionId} ${sourceId} ${sighting.sense} ${sighting.value}`;
      return said.has(key) ? [] : [{ ...sighting, questionId, sourceId }];
    }),
  );
  const ruled = new Set(known.rulings.map((ruling) => ruling.questionId));
  added.rulings = await insert(
    'ruling',
    file.rulings.flatMap(({ question, ...ruling }) => {
      const questionId = questions.ids.get(question)!;
      if (ruled.has(questionId)) return [];
      ruled.add(questionId);
      return [{ ...ruling, questionId }];
    }),
  );
  const mirrored = new Set(known.mirrors.map(questionKey));
  added.mirrors = await insert(
    'mirror',
    file.mirrors.filter((mirror) => !mirrored.has(questionKey(mirror))),
  );
  return added;
}

/** What of a dossier contradicts this airframe: sources from after its loss, zones that it does not have. */
function contradictions(dossier: Dossier, state: BriefState): RowFault[] {
  const { airframe } = state;
  // What is known of a tank stays known while none hangs.
  const zones = new Set([...outlineOf(state).zones.map(({ key }) => key), ...HUNG_ZONES]);
  const bases = new Set([...zones].flatMap((zone) => withoutSide(zone) ?? []));
  const faults: RowFault[] = [];
  const fault = (place: string, says: string) => faults.push({ row: 0, says: `${place}: ${says}` });
  const zoneAt = (place: string, zone: string, known: ReadonlySet<string>) =>
    known.has(zone) || fault(place, `this airframe has no zone "${zone}"`);
  dossier.sources.forEach((source, i) => {
    const alone = { ...source, derivedFrom: [], afterEventId: null, beforeEventId: null };
    for (const { says } of checkSource(alone, source.ref, { sources: [], events: [], airframe }))
      fault(`sources[${i}]`, says);
    source.zones.forEach((zone, k) => zoneAt(`sources[${i}].zones[${k}]`, zone, zones));
  });
  dossier.questions.forEach(({ zone }, i) => zoneAt(`questions[${i}].zone`, zone, zones));
  dossier.events.forEach(({ zone }, i) => zoneAt(`events[${i}].zone`, zone, zones));
  dossier.mirrors.forEach(({ zone }, i) => zoneAt(`mirrors[${i}].zone`, zone, bases));
  return faults;
}

/** Merges a dossier into a brief, as one act; null when the brief is gone. What contradicts this airframe is named and refuses it all. */
export async function mergeDossier(
  briefId: string,
  dossier: Dossier,
  stamp?: Stamp,
): Promise<{ added: Added; faults: RowFault[] } | null> {
  if (!(await revisionsOf(pool(), briefId))) return null;
  try {
    const { value: added } = await perform({ ...newAct(briefId, 'evidence'), ...stamp }, async (writer) => {
      const state = (await writer.brief())!;
      const faults = contradictions(dossier, state);
      if (faults.length > 0) throw new ContradictsAirframe(faults);
      return insertDossier(
        writer,
        codesRead(dossier, [codeBook(await writer.shelf())]),
        await keepPictures(writer, picturesInJson(dossier.pictures)),
        state,
      );
    });
    return { added, faults: [] };
  } catch (error) {
    if (!(error instanceof ContradictsAirframe)) throw error;
    return {
      added: { sources: 0, questions: 0, sightings: 0, rulings: 0, events: 0, mirrors: 0 },
      faults: error.faults,
    };
  }
}

class ContradictsAirframe extends Error {
  constructor(readonly faults: RowFault[]) {
    super('it contradicts this airframe');
  }
}

/** Adds the good rows of a table, as one act, and names the others; null when the brief is gone. */
export async function addTable(
  briefId: string,
  read: ReadTable,
  stamp?: Stamp,
): Promise<{ added: number; faults: RowFault[] } | null> {
  if (!(await revisionsOf(pool(), briefId))) return null;
  const { value } = await perform({ ...newAct(briefId, 'evidence'), ...stamp }, async (writer) => {
    // Read within the act: what somebody else adds meanwhile waits for it, or is known to it.
    const state = (await writer.brief())!;
    const faults: RowFault[] = [...read.faults];
    const book = codeBook(await writer.shelf());
    const clear = <R extends { row: number }>(table: R[], saidIn: (row: R) => { aspect: Aspect; value: string }): R[] =>
      table.filter((row) => {
        const said = saidIn(row);
        const code = aspectOf(said.aspect).type === 'code' ? resolveCode(book, said.value) : said;
        if ('says' in code) faults.push({ row: row.row, says: code.says });
        else said.value = code.value;
        return !('says' in code);
      });
    const done =
      read.table === 'sources'
        ? await addSourceRows(writer, read.rows, state)
        : read.table === 'sightings'
          ? await addSightings(
              writer,
              clear(read.rows, ({ sighting }) => sighting),
              state,
            )
          : await addRulings(
              writer,
              clear(read.rows, ({ ruling }) => ruling),
              state,
            );
    return { added: done.added, faults: [...faults, ...done.faults].sort((a, b) => a.row - b.row) };
  });
  return value;
}

type Rows<T extends ReadTable['table']> = Extract<ReadTable, { table: T }>['rows'];
interface Taken {
  added: number;
  faults: RowFault[];
}

export async function addSourceRows(writer: ActWriter, table: Rows<'sources'>, state: BriefState): Promise<Taken> {
  const ids = new Map(table.map((row) => [row.row, randomUUID() as string]));
  const { added, faults } = resolveSources(table, state, (row) => ids.get(row.row)!);
  await writer.insertMany(
    'source',
    added.map(({ source }) => source),
    added.map(({ id }) => id),
  );
  return { added: added.length, faults };
}

/** The questions of a brief, and those that a table asks for the first time. */
class Asked {
  private readonly ids: Map<string, string>;
  private readonly fresh = new Map<string, Fields<'question'>>();

  constructor(questions: BriefState['questions']) {
    this.ids = new Map(questions.map((q) => [questionKey(q), q.id]));
  }

  idOf({ zone, aspect, item }: Fields<'question'>): string {
    const key = questionKey({ zone, aspect, item });
    const id = this.ids.get(key) ?? randomUUID();
    if (!this.ids.has(key)) this.fresh.set(id, { zone, aspect, item });
    this.ids.set(key, id);
    return id;
  }

  insert = (writer: ActWriter) => writer.insertMany('question', [...this.fresh.values()], [...this.fresh.keys()]);
}

async function addSightings(writer: ActWriter, table: Rows<'sightings'>, state: BriefState): Promise<Taken> {
  const faults: RowFault[] = [];
  const asked = new Asked(state.questions);
  const sources = new Map(state.sources.map((source) => [source.title.toLowerCase(), source]));
  const said = new Set(state.sightings.map((s) => `${s.questionId} ${s.sourceId} ${s.value}`));
  const sightings = table.flatMap(({ row, sighting }): Fields<'sighting'>[] => {
    const { zone, aspect, item, sourceTitle, ...rest } = sighting;
    const source = sources.get(sourceTitle.toLowerCase());
    if (!source) {
      faults.push({ row, says: `there is no source "${sourceTitle}": add it first` });
      return [];
    }
    const sourceId = source.id;
    const questionId = asked.idOf({ zone, aspect, item });
    if (said.has(`${questionId} ${sourceId} ${rest.value}`)) {
      faults.push({ row, says: 'this is said already' });
      return [];
    }
    // What lies on the side that it does not show is taken as inferred.
    const shown =
      asInferred(rest, source, zone) ?? asInferred({ ...rest, clarity: 'inferred' as const }, source, zone)!;
    return [{ ...shown, marks: null, questionId, sourceId }];
  });
  await asked.insert(writer);
  await writer.insertMany('sighting', sightings);
  return { added: sightings.length, faults };
}

async function addRulings(writer: ActWriter, table: Rows<'rulings'>, state: BriefState): Promise<Taken> {
  const faults: RowFault[] = [];
  const asked = new Asked(state.questions);
  const ruled = new Set(state.rulings.map((ruling) => ruling.questionId));
  const rulings = table.flatMap(({ row, ruling }): Fields<'ruling'>[] => {
    const { zone, aspect, item, ...fields } = ruling;
    const questionId = asked.idOf({ zone, aspect, item });
    if (ruled.has(questionId)) {
      faults.push({ row, says: 'this question is ruled already: change the ruling by hand' });
      return [];
    }
    ruled.add(questionId);
    return [{ ...fields, questionId, favoured: null }];
  });
  await asked.insert(writer);
  await writer.insertMany('ruling', rulings);
  return { added: rulings.length, faults };
}
