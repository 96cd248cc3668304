import { randomUUID } from 'node:crypto';
import type { PoolClient } from 'pg';
import type { BriefState } from '@/core/kept/state';
import type { BriefFile } from '@/core/interchange/brief-file';
import { stateOfFile, toBriefFile } from '@/core/interchange/brief-file';
import { plain } from '@/core/interchange/dossier';
import { loadBrief } from './briefs';
import { addToShelf, loadShelf } from './shelf';
import { inTransaction } from './database';
import { insertRecord, newAct, type Act } from './acts';
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
  const known = stateOfFile(file, await loadShelf());

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
    await insertColours(client, act, known);
    return briefId;
  });
}

/** Recipes, choices and logged use, with the identities that codes and paints have here. */
async function insertColours(client: PoolClient, act: Act, { recipes, choices, uses }: BriefState) {
  const recipeIds = new Map<string, string>();
  for (const recipe of recipes) recipeIds.set(recipe.id, (await insertRecord(client, act, 'recipe', plain(recipe))).id);
  for (const choice of choices) {
    const recipeId = choice.recipeId && (recipeIds.get(choice.recipeId) ?? null);
    if (choice.paintId || recipeId) await insertRecord(client, act, 'colour_choice', { ...plain(choice), recipeId });
  }
  for (const use of uses) await insertRecord(client, act, 'paint_use', plain(use));
}
