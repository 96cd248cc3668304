import { randomUUID } from 'node:crypto';
import type { BriefFile } from '@/core/interchange/brief-file';
import { toBriefFile } from '@/core/interchange/brief-file';
import { loadBrief } from './briefs';
import { addToShelf, loadShelf } from './colours';
import { inTransaction, rows } from './database';
import { insertRecord, newAct } from './history';
import { insertDossier, keepPictures, picturesOf } from './dossier';

/** The whole brief as a file, pictures and all; null when there is none of that id. */
export async function exportBrief(id: string): Promise<BriefFile | null> {
  const state = await loadBrief(id);
  if (!state) return null;
  return toBriefFile(state, await loadShelf(), await picturesOf(state));
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
  const pictureIds = await keepPictures(file.pictures);

  return inTransaction(async (client) => {
    const briefId = randomUUID();
    const act = newAct(briefId, 'import');
    await insertRecord(client, act, 'brief', file.brief, briefId);
    await insertRecord(client, act, 'airframe', file.airframe);
    await insertDossier(client, act, file, pictureIds);
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
