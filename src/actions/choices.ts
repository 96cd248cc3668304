'use server';

import { z } from 'zod';
import { bottleFields, colourCodeFields, layingFields, recipeFields } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { choose, lay } from '@/data/choices';
import { answered, ofBrief, Refused, versioned } from './answer';
import { shelfOf } from './brief-of';
import { codesCalled } from './codes-called';

/** Acts that choose what makes the colours of a brief, and keep its recipes. */

/** Only what is named: a default would take the rest away. */
const givenLaying = z.strictObject({
  ground: layingFields.shape.ground.unwrap().optional(),
  coats: layingFields.shape.coats.unwrap().optional(),
  filter: layingFields.shape.filter.unwrap().optional(),
  way: layingFields.shape.way.unwrap().optional(),
});

const made = z.union([
  z.object({ paintId: z.uuid() }),
  z.object({ recipeId: z.uuid() }),
  z.object({ recipe: recipeFields.omit({ codeId: true }) }),
]);

/** Chooses what makes a colour code in this brief; null takes the choice away. Returns the recipe that was chosen, where it is one. */
export async function chooseColour(input: unknown): Promise<Result<string | null>> {
  return answered(async () => {
    const { briefId, act, codeId, by } = ofBrief.extend({ codeId: z.uuid(), by: made.nullable() }).parse(input);
    return perform(stampedAct(act, briefId, 'colours'), (writer) => choose(writer, codeId, by));
  });
}

/** Chooses bottles for colours by their names: a colour that no standard knows is written down as it is called. */
export async function thisIsIt(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, bottles } = ofBrief
      .extend({
        bottles: z
          .array(z.object({ code: colourCodeFields.shape.code, paintId: z.uuid() }))
          .min(1, 'Nothing was chosen')
          .max(200),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => {
      const shelf = await shelfOf(writer);
      const paints = new Map(shelf.paints.map((paint) => [paint.id, paint]));
      const said = bottles.map(({ code, paintId }) => {
        const paint = paints.get(paintId);
        if (!paint) throw new Refused('', 'This paint is gone from the catalogue.');
        return { code, name: '', finish: paint.finish, kind: paint.kind };
      });
      const codeIds = await codesCalled(writer, shelf, said);
      for (const [i, { paintId }] of bottles.entries()) await choose(writer, codeIds[i]!, { paintId });
      return null;
    });
  });
}

/** Chooses for several codes at once, as one act. */
export async function chooseColours(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, choices } = ofBrief
      .extend({
        choices: z
          .array(z.object({ codeId: z.uuid(), by: made }))
          .min(1, 'Nothing was chosen')
          .max(200),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => {
      for (const { codeId, by } of choices) await choose(writer, codeId, by);
      return null;
    });
  });
}

/** Says how a colour is laid: its ground, its coats, a filter over it; what is not named stays. */
export async function layColour(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, codeId, laying } = ofBrief.extend({ codeId: z.uuid(), laying: givenLaying }).parse(input);
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => {
      if (!(await lay(writer, codeId, laying))) throw new Refused('', 'Choose what makes the colour first.');
      return null;
    });
  });
}

/** Keeps recipes of a brief, as one act. Returns their ids. */
export async function keepRecipes(input: unknown): Promise<Result<string[]>> {
  return answered(async () => {
    const { briefId, act, recipes } = ofBrief.extend({ recipes: z.array(recipeFields).min(1).max(40) }).parse(input);
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => [
      ...(await writer.insertMany('recipe', recipes)),
    ]);
  });
}

/** What a test spray showed: kept with its recipe, and with the bottles it taught about. One act. */
export async function keepTestSpray(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, recipe, bottles } = ofBrief
      .extend({
        recipe: versioned.extend({
          fields: recipeFields.pick({
            parts: true,
            predicted: true,
            sd: true,
            observed: true,
            observedSd: true,
            note: true,
          }),
        }),
        bottles: z.array(versioned.extend({ strength: bottleFields.shape.strength })).max(8),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => {
      await writer.update('recipe', recipe.id, recipe.version, recipe.fields);
      for (const { id, version, strength } of bottles) await writer.update('bottle', id, version, { strength });
      return null;
    });
  });
}
