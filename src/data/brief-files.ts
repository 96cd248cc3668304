import { randomUUID } from 'node:crypto';
import type { BriefFile } from '@/core/interchange/brief-file';
import { toBriefFile } from '@/core/interchange/brief-file';
import { loadBrief } from './briefs';
import { addToShelf, loadShelf } from './colours';
import { inTransaction, rows } from './database';
import { insertRecord, newAct } from './history';
import { keepExportedPicture, readPicture } from './pictures';

/** The whole brief as a file, pictures and all; null when there is none of that id. */
export async function exportBrief(id: string): Promise<BriefFile | null> {
  const state = await loadBrief(id);
  if (!state) return null;
  const pictures: Record<string, string> = {};
  for (const { pictureId } of state.sources) {
    const picture = pictureId && !pictures[pictureId] ? await readPicture(pictureId, 'full') : null;
    if (picture) pictures[pictureId!] = picture.bytes.toString('base64');
  }
  return toBriefFile(state, await loadShelf(), pictures);
}

/** Makes a new brief of a checked file. Codes and paints that are already known stay as they are here. Returns the new id. */
export async function importBrief(file: BriefFile): Promise<string> {
  await addToShelf(
    {
      codes: file.codes.map(({ chips, ...code }) => ({ code, chips })),
      lines: file.lines.map(({ paints, ...line }) => ({
        line,
        paints: paints.map(({ bottle, ...paint }) => ({ paint, bottle })),
      })),
    },
    null,
    'import',
  );
  const pictureIds = new Map<string, string>();
  for (const [name, base64] of Object.entries(file.pictures))
    pictureIds.set(name, (await keepExportedPicture(Buffer.from(base64, 'base64'))).id);

  return inTransaction(async (client) => {
    const briefId = randomUUID();
    const act = newAct(briefId, 'import');
    await insertRecord(client, act, 'brief', file.brief, briefId);
    await insertRecord(client, act, 'airframe', file.airframe);
    const sourceIds = new Map(file.sources.map((source) => [source.ref, randomUUID() as string]));
    const questionIds = new Map(file.questions.map((question) => [question.ref, randomUUID() as string]));
    for (const { ref, derivedFrom, pictureId, ...source } of file.sources) {
      const fields = {
        ...source,
        derivedFrom: derivedFrom.map((origin) => sourceIds.get(origin)!),
        pictureId: pictureId && pictureIds.get(pictureId)!,
      };
      await insertRecord(client, act, 'source', fields, sourceIds.get(ref));
    }
    for (const { ref, ...question } of file.questions)
      await insertRecord(client, act, 'question', question, questionIds.get(ref));
    for (const { question, source, ...sighting } of file.sightings) {
      await insertRecord(client, act, 'sighting', {
        ...sighting,
        questionId: questionIds.get(question)!,
        sourceId: sourceIds.get(source)!,
      });
    }
    for (const { question, ...ruling } of file.rulings)
      await insertRecord(client, act, 'ruling', { ...ruling, questionId: questionIds.get(question)! });
    for (const repaint of file.repaints) await insertRecord(client, act, 'repaint', repaint);
    for (const marking of file.markings) await insertRecord(client, act, 'marking', marking);
    for (const session of file.sessions) await insertRecord(client, act, 'weekly_session', session);
    for (const entry of file.log) await insertRecord(client, act, 'log_entry', entry);
    for (const timer of file.timers) await insertRecord(client, act, 'timer', timer);
    for (const choice of file.choices) {
      const [found] = await rows<{ code: string; paint: string }>(
        client,
        `select c.id as code, p.id as paint from colour_code c, paint p join paint_line l on l.id = p.line_id
         where c.code = $1 and l.name = $2 and p.number = $3`,
        [choice.code, choice.line, choice.number],
      );
      if (found) await insertRecord(client, act, 'colour_choice', { codeId: found.code, paintId: found.paint });
    }
    return briefId;
  });
}
