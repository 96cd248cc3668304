import { randomUUID } from 'node:crypto';
import type { PoolClient } from 'pg';
import type { BriefFile } from '@/core/interchange/brief-file';
import { toBriefFile } from '@/core/interchange/brief-file';
import { loadBrief } from './briefs';
import { addToShelf, loadShelf } from './colours';
import { inTransaction, rows } from './database';
import { insertRecord, newAct, type Act } from './history';
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
      systems: file.systems,
      codes: file.codes.map(({ chips, ...code }) => ({ code, chips })),
      relations: file.relations,
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
    await insertColours(client, act, file);
    return briefId;
  });
}

/** Recipes, choices and logged use; what names a code or paint that is not known here is left out. */
async function insertColours(client: PoolClient, act: Act, file: BriefFile) {
  const codeIds = new Map(
    (await rows<{ code: string; id: string }>(client, 'select code, id from colour_code')).map(({ code, id }) => [
      code,
      id,
    ]),
  );
  const paintIds = new Map(
    (
      await rows<{ line: string; number: string; id: string }>(
        client,
        'select l.name as line, p.number, p.id from paint p join paint_line l on l.id = p.line_id',
      )
    ).map(({ line, number, id }) => [`${line} ${number}`, id]),
  );
  const recipeIds = new Map<string, string>();
  for (const { ref, code, parts, ...recipe } of file.recipes) {
    const codeId = codeIds.get(code);
    const known = parts.flatMap(({ line, number, drops }) => {
      const paintId = paintIds.get(`${line} ${number}`);
      return paintId ? [{ paintId, drops }] : [];
    });
    if (!codeId || known.length === 0) continue;
    recipeIds.set(ref, (await insertRecord(client, act, 'recipe', { ...recipe, codeId, parts: known })).id);
  }
  for (const choice of file.choices) {
    const codeId = codeIds.get(choice.code);
    const recipeId = 'recipe' in choice ? (recipeIds.get(choice.recipe) ?? null) : null;
    const paintId = 'recipe' in choice ? null : (paintIds.get(`${choice.line} ${choice.number}`) ?? null);
    if (codeId && (recipeId || paintId))
      await insertRecord(client, act, 'colour_choice', { codeId, paintId, recipeId });
  }
  for (const { code, ...use } of file.uses) {
    const codeId = codeIds.get(code);
    if (codeId) await insertRecord(client, act, 'paint_use', { ...use, codeId });
  }
}
