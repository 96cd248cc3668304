import { randomUUID } from 'node:crypto';
import type { ActAnswer, Stamp } from '@/core/kept/act';
import { codeBook } from '@/core/codes/official';
import { briefTitle, type BriefState, type ColourShelf } from '@/core/kept/state';
import type { BriefFile } from '@/core/interchange/brief-file';
import { briefFileSchema, PICTURED, renamed, stateOfFile, toBriefFile } from '@/core/interchange/brief-file';
import { repairedFile } from '@/core/interchange/repair';
import { codesRead } from '@/core/interchange/codes-read';
import { plain } from '@/core/interchange/dossier';
import { renameIn, withStepKeys } from '@/core/interchange/step-keys';
import { newAct, perform, type ActWriter } from './acts';
import { isId } from './read-brief';
import { insertDossier, keepPictures, picturesInJson, type FilePictures } from './dossier';
import { addToShelf } from './catalogue';
import { picturesThere, readPicture } from './pictures';
import { loadShelf } from './shelf';
import { lookAt, wholeBrief } from './snapshot';

/** The whole brief as a file without the bytes of its pictures, and which those are; null when there is none of that id. */
export async function exportBrief(id: string): Promise<{ file: BriefFile; pictureIds: string[] } | null> {
  if (!isId(id)) return null;
  return lookAt(id, async (at) => {
    const found = await wholeBrief(at);
    if (!found) return null;
    const { state, shelf } = found;
    const wanted = [
      ...new Set(
        [
          ...state.sources,
          ...PICTURED.flatMap((list) => [...state[list]]),
          ...state.underlays,
          ...state.markings.map(({ design }) => design),
        ].flatMap(({ pictureId }) => pictureId ?? []),
      ),
    ];
    // A picture that is named and not there would be missed by whoever takes the file in.
    const pictureIds = await picturesThere(at.client, wanted);
    return { file: repairedFile(toBriefFile(state, shelf, pictureIds), pictureIds), pictureIds };
  });
}

/**
 * Makes a new brief of a checked file: pictures, shelf and brief in one transaction, all of it or nothing. Codes and paints that are already
 * known stay as they are here. Answers with the new id.
 */
export async function importBrief(
  file: BriefFile,
  { pictures = picturesInJson(file.pictures), stamp }: { pictures?: FilePictures; stamp?: Stamp } = {},
): Promise<ActAnswer<string>> {
  const briefId = randomUUID();
  return perform({ ...newAct(briefId, 'import'), ...stamp, briefId }, async (writer) => {
    const pictureIds = await keepPictures(writer, pictures);
    await addToShelf(writer, {
      systems: file.systems,
      codes: file.codes.map(({ chips, ...code }) => ({ code, chips })),
      relations: file.relations,
      lines: file.lines.map(({ paints, ...line }) => ({
        line,
        paints: paints.map(({ bottle, ...paint }) => ({ paint, bottle })),
      })),
    });
    const shelf = await loadShelf(writer.client);
    const known = stateOfFile(file, shelf);
    await writer.insert('brief', file.brief, briefId);
    await writer.insert('airframe', file.airframe);
    await insertDossier(writer, codesRead(file, [codeBook(file), codeBook(shelf)]), pictureIds);
    const markingIds = await insertMarkings(writer, file, shelf.decalSheets, known, pictureIds);
    const keyed = <T>(records: readonly T[]) =>
      withStepKeys(
        records,
        renameIn((part) => markingIds.get(part)),
      ) as T[];
    await writer.insertMany('weekly_session', file.sessions);
    await writer.insertMany('evening', file.evenings);
    await insertKit(writer, known);
    await writer.insertMany('route_edit', keyed(file.edits));
    await writer.insertMany('accepted_plan', keyed(file.plans));
    const pictured = <T extends { pictureId: string | null }>(records: readonly T[]): T[] =>
      records.map((record) => ({ ...record, pictureId: record.pictureId && pictureIds.get(record.pictureId)! }));
    await writer.insertMany('log_entry', pictured(keyed(file.log)));
    await writer.insertMany('mishap', pictured(keyed(file.mishaps)));
    await writer.insertMany('work_run', keyed(file.runs));
    await writer.insertMany('spray_out', pictured(keyed(file.sprayOuts)));
    await writer.insertMany('timer', keyed(file.timers));
    await insertColours(writer, known);
    return briefId;
  });
}

/** Makes a new brief that begins as one stands, under the name of a copy; null where there is none of that id. */
export async function copyOf(id: string, stamp?: Stamp): Promise<ActAnswer<string> | null> {
  const found = await exportBrief(id);
  if (!found) return null;
  const { brief, airframe } = found.file;
  const title = `Copy of ${briefTitle(brief.title, airframe)}`.slice(0, 80);
  const pictures: FilePictures = {
    names: found.pictureIds,
    read: async (name) => (await readPicture(name, 'full'))!.bytes,
  };
  // As it would come from its file: what a file holds besides is the bytes of its pictures.
  const inFile = Object.fromEntries(found.pictureIds.map((name) => [name, '']));
  const file = briefFileSchema.parse({ ...found.file, pictures: inFile });
  return importBrief({ ...file, brief: { ...file.brief, title } }, { pictures, ...(stamp ? { stamp } : {}) });
}

/** Sheets that the house does not have yet, markings with the identities that they get here, the fields that hang on them, and drawings. */
async function insertMarkings(
  writer: ActWriter,
  { decalSheets }: BriefFile,
  owned: ColourShelf['decalSheets'],
  { markings, fields, underlays }: BriefState,
  pictureIds: ReadonlyMap<string, string>,
): Promise<ReadonlyMap<string, string>> {
  const sheets = new Map(owned.map(({ id, title }) => [title, id]));
  const missing = decalSheets.filter(({ title }) => !sheets.has(title));
  const ids = await writer.insertMany('decal_sheet', missing);
  missing.forEach(({ title }, i) => sheets.set(title, ids[i]!));
  const idOf = new Map(markings.map((marking) => [marking.id, randomUUID()]));
  await writer.insertMany(
    'marking',
    markings.map((marking) => ({
      ...plain(marking),
      design: { ...marking.design, pictureId: pictureIds.get(marking.design.pictureId ?? '') ?? null },
      sheetId: sheets.get(marking.sheetId ?? '') ?? null,
    })),
    markings.map((marking) => idOf.get(marking.id)!),
  );
  await writer.insertMany(
    'scheme_field',
    fields.map((field) => renamed(plain(field), (name) => idOf.get(name) ?? name)),
  );
  await writer.insertMany(
    'underlay',
    underlays.flatMap((own) => {
      const pictureId = pictureIds.get(own.pictureId);
      return pictureId ? [{ ...plain(own), pictureId }] : [];
    }),
  );
  return idOf;
}

/** Parts with the identities that they get here, measures, subjects and days of their own. */
async function insertKit(writer: ActWriter, { parts, measures, subjects, zoneDays }: BriefState) {
  const idOf = new Map(parts.map((part) => [part.id, randomUUID()]));
  await writer.insertMany(
    'part',
    parts.map((part) => ({ ...plain(part), replacesIds: part.replacesIds.map((old) => idOf.get(old)!) })),
    parts.map((part) => idOf.get(part.id)!),
  );
  await writer.insertMany(
    'kit_measure',
    measures.map((measure) => plain(measure)),
  );
  await writer.insertMany(
    'subject',
    subjects.map((subject) => plain(subject)),
  );
  await writer.insertMany(
    'zone_day',
    zoneDays.map((own) => plain(own)),
  );
}

/** Recipes, choices and logged use, with the identities that codes and paints have here. */
async function insertColours(writer: ActWriter, { recipes, choices, coats, uses }: BriefState) {
  const ids = await writer.insertMany(
    'recipe',
    recipes.map((recipe) => plain(recipe)),
  );
  const recipeIds = new Map(recipes.map((recipe, i) => [recipe.id, ids[i]!]));
  await writer.insertMany(
    'colour_choice',
    choices.flatMap((choice) => {
      const recipeId = choice.recipeId && (recipeIds.get(choice.recipeId) ?? null);
      return choice.paintId || recipeId ? [{ ...plain(choice), recipeId }] : [];
    }),
  );
  await writer.insertMany(
    'general_coat',
    coats.map((coat) => plain(coat)),
  );
  await writer.insertMany(
    'paint_use',
    uses.map((use) => plain(use)),
  );
}
