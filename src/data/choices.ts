import { BLANK_LAYING } from '@/core/kept/blank';
import type { Fields, Laying } from '@/core/kept/records';
import type { ActWriter } from './acts';
import { rows } from './database';

/** What makes a colour: a paint of the catalogue, a kept recipe, or a recipe to keep. */
export type MadeBy = { paintId: string } | { recipeId: string } | { recipe: Omit<Fields<'recipe'>, 'codeId'> };

/** Chooses what makes a code in a brief; null takes the choice away. Answers with the recipe that was chosen, where it is one. */
export async function choose(writer: ActWriter, codeId: string, by: MadeBy | null): Promise<string | null> {
  const [known] = await rows<{ id: string; version: number }>(
    writer.client,
    'select id, version from colour_choice where brief_id = $1 and code_id = $2 for update',
    [writer.act.briefId, codeId],
  );
  if (!by) {
    if (known) await writer.remove('colour_choice', known.id, known.version);
    return null;
  }
  const recipeId =
    'recipe' in by
      ? (await writer.insert('recipe', { ...by.recipe, codeId })).id
      : 'recipeId' in by
        ? by.recipeId
        : null;
  const made = { paintId: 'paintId' in by ? by.paintId : null, recipeId };
  // Ground and filter belong to the colour; how many coats it takes belongs to the paint.
  if (known) await writer.update('colour_choice', known.id, known.version, { ...made, coats: null });
  else await writer.insert('colour_choice', { ...BLANK_LAYING, codeId, ...made });
  return recipeId;
}

/** Says how a colour is laid for which something is chosen; false where nothing is. */
export async function lay(writer: ActWriter, codeId: string, laying: Partial<Laying>): Promise<boolean> {
  const [known] = await rows<{ id: string; version: number }>(
    writer.client,
    'select id, version from colour_choice where brief_id = $1 and code_id = $2 for update',
    [writer.act.briefId, codeId],
  );
  if (known) await writer.update('colour_choice', known.id, known.version, laying);
  return known !== undefined;
}
