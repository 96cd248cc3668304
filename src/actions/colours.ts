'use server';

import { z } from 'zod';
import {
  bottleFields,
  chipFields,
  colourCodeFields,
  colourDataFields,
  paintFields,
  paintLineFields,
  recipeFields,
  type Fields,
} from '@/core/kept/records';
import { codeBook } from '@/core/codes/official';
import { ambiguity, canonicalIn } from '@/core/codes/system';
import { ORIGIN_SD } from '@/core/colour/chips';
import { readCatalogue } from '@/core/interchange/catalogue-csv';
import { colourOfRow } from '@/core/interchange/colour-cells';
import type { Result } from '@/core/interchange/result';
import { readStandard, systemAsked } from '@/core/interchange/standard-csv';
import { RowReader, type RowFault } from '@/core/interchange/table';
import { parseTriple } from '@/core/units/number';
import { addToShelf, catalogueAddition, loadShelf, mergePaints, standardAddition, type Added } from '@/data/shelf';
import { inTransaction, rows } from '@/data/database';
import { deleteRecord, insertRecord, newAct, updateRecord, type Act } from '@/data/acts';
import type { PoolClient } from 'pg';
import { answered, lookedUp, Refused } from './answer';

/** Server actions of the Colours station: what is on the shelf, and what a brief takes from it. */

export type { Added };

const ofBrief = z.object({ briefId: z.uuid() });

/** What makes a colour: a paint of the catalogue, a kept recipe, or a recipe to keep. */
const made = z.union([
  z.object({ paintId: z.uuid() }),
  z.object({ recipeId: z.uuid() }),
  z.object({ recipe: recipeFields.omit({ codeId: true }) }),
]);

async function choose(
  client: PoolClient,
  act: Act,
  codeId: string,
  by: z.infer<typeof made> | null,
): Promise<string | null> {
  const [known] = await rows<{ id: string; version: number }>(
    client,
    'select id, version from colour_choice where brief_id = $1 and code_id = $2 for update',
    [act.briefId, codeId],
  );
  if (!by) {
    if (known) await deleteRecord(client, act, 'colour_choice', known.id, known.version);
    return null;
  }
  const recipeId =
    'recipe' in by
      ? (await insertRecord(client, act, 'recipe', { ...by.recipe, codeId })).id
      : 'recipeId' in by
        ? by.recipeId
        : null;
  const fields = { codeId, paintId: 'paintId' in by ? by.paintId : null, recipeId };
  if (known) await updateRecord(client, act, 'colour_choice', known.id, known.version, fields);
  else await insertRecord(client, act, 'colour_choice', fields);
  return recipeId;
}

/** Chooses what makes a colour code in this brief; null takes the choice away. Returns the recipe that was chosen, where it is one. */
export async function chooseColour(input: unknown): Promise<Result<string | null>> {
  return answered(async () => {
    const { briefId, codeId, by } = ofBrief.extend({ codeId: z.uuid(), by: made.nullable() }).parse(input);
    return inTransaction((client) => choose(client, newAct(briefId, 'colours'), codeId, by));
  });
}

/** Chooses for several codes at once, as one act. */
export async function chooseColours(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, choices } = ofBrief
      .extend({
        choices: z
          .array(z.object({ codeId: z.uuid(), by: made }))
          .min(1, 'Nothing was chosen')
          .max(200),
      })
      .parse(input);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'colours');
      for (const { codeId, by } of choices) await choose(client, act, codeId, by);
    });
    return null;
  });
}

/** Keeps recipes of a brief, as one act. Returns their ids. */
export async function keepRecipes(input: unknown): Promise<Result<string[]>> {
  return answered(async () => {
    const { briefId, recipes } = ofBrief.extend({ recipes: z.array(recipeFields).min(1).max(40) }).parse(input);
    return inTransaction(async (client) => {
      const act = newAct(briefId, 'colours');
      const ids: string[] = [];
      for (const recipe of recipes) ids.push((await insertRecord(client, act, 'recipe', recipe)).id);
      return ids;
    });
  });
}

/** What a test spray showed: kept with its recipe, and with the bottles it taught about. One act. */
export async function keepTestSpray(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, recipe, bottles } = ofBrief
      .extend({
        recipe: z.object({
          id: z.uuid(),
          version: z.number().int(),
          fields: recipeFields.pick({
            parts: true,
            predicted: true,
            sd: true,
            observed: true,
            observedSd: true,
            note: true,
          }),
        }),
        bottles: z
          .array(z.object({ id: z.uuid(), version: z.number().int(), strength: bottleFields.shape.strength }))
          .max(8),
      })
      .parse(input);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'colours');
      await updateRecord(client, act, 'recipe', recipe.id, recipe.version, recipe.fields);
      for (const { id, version, strength } of bottles)
        await updateRecord(client, act, 'bottle', id, version, { strength });
    });
    return null;
  });
}

/** A colour in any of the forms that a person may have it in. */
const colourGiven = z.object({
  hex: z.string().optional(),
  munsell: z.string().optional(),
  reflectance: z.string().optional(),
  L: z.number().optional(),
  a: z.number().optional(),
  b: z.number().optional(),
});

/** The form's field for each cell that colours are read from. */
const FIELD_OF_CELL: Record<string, string> = { white: 'L' };

function colourFrom(given: z.infer<typeof colourGiven>) {
  const text = (value: number | undefined) => (value === undefined ? '' : String(value));
  const row = new RowReader(1, {
    hex: given.hex ?? '',
    munsell: given.munsell ?? '',
    reflectance: given.reflectance ?? '',
    l: text(given.L),
    a: text(given.a),
    b: text(given.b),
  });
  const colour = colourOfRow(row);
  const [fault] = row.faults;
  if (fault) throw new Refused(FIELD_OF_CELL[fault.field] ?? fault.field, fault.says);
  return colour;
}

/** Gives a code a colour: makes the code when it is new, and adds a chip to it. */
export async function addChip(input: unknown): Promise<Result> {
  return answered(async () => {
    const given = ofBrief
      .extend({
        code: colourCodeFields.shape.code,
        name: colourCodeFields.shape.name,
        finish: colourCodeFields.shape.finish,
        kind: colourCodeFields.shape.kind,
        origin: chipFields.shape.origin.optional(),
        sd: chipFields.shape.sd.nullish(),
        instrument: chipFields.shape.instrument,
        batch: chipFields.shape.batch,
        note: chipFields.shape.note.default(''),
        ...colourGiven.shape,
      })
      .parse(input);
    const colour = colourFrom(given);
    if (!colour)
      throw new Refused('L', 'Give L*, a* and b*, a Munsell notation, a curve of 31 values, or a screen colour');
    const shelf = await loadShelf();
    const book = codeBook(shelf);
    const known = new Map(shelf.codes.map((record) => [record.code, record]));
    const asks = ambiguity(book, given.code);
    if (asks) throw new Refused('code', asks);
    const code = canonicalIn(book, given.code);
    await inTransaction(async (client) => {
      const act = newAct(given.briefId, 'colours');
      const system =
        book.systems.find(({ prefix }) => code.startsWith(`${prefix} `))?.name ??
        (code.replace(/[\s\d-]+$/, '') || 'own');
      const codeId =
        known.get(code)?.id ??
        (
          await insertRecord(client, act, 'colour_code', {
            system,
            code,
            name: given.name,
            finish: given.finish,
            kind: given.kind,
            ground: '',
            flop: '',
          })
        ).id;
      // A screen colour was judged by eye, whatever else is said of it.
      const origin = colour.form === 'hex' ? 'eyeballed' : (given.origin ?? colour.origin);
      await insertRecord(client, act, 'chip', {
        codeId,
        lab: [...colour.lab],
        origin,
        sd: given.sd ?? ORIGIN_SD[origin].sd,
        instrument: given.instrument,
        batch: given.batch,
        leftOut: false,
        note: given.note,
      });
    });
    return null;
  });
}

const paintGiven = ofBrief.extend({
  line: paintLineFields.shape.name,
  chemistry: paintLineFields.shape.chemistry,
  thinner: paintLineFields.shape.thinner,
  thinRatio: paintLineFields.shape.thinRatio,
  mlLeft: bottleFields.shape.mlLeft.nullable().default(0),
  sd: paintFields.shape.sd.nullish(),
  claims: z.string().default(''),
  contrastRatio: colourDataFields.shape.contrastRatio.nullable(),
  tint: z.string().default(''),
  ...paintFields.pick({
    number: true,
    name: true,
    kind: true,
    finish: true,
    opacity: true,
    sizeMl: true,
    priceCents: true,
    currency: true,
    ground: true,
    flop: true,
  }).shape,
  ...colourGiven.shape,
});

/** What a form says of a paint, as its record. */
function paintRecord(given: z.infer<typeof paintGiven>): Omit<Fields<'paint'>, 'lineId' | 'formerly'> {
  const colour = colourFrom(given);
  if (!colour && given.kind === 'solid')
    throw new Refused('L', 'Give L*, a* and b*, a Munsell notation, a curve of 31 values, or a screen colour');
  const tint = parseTriple(given.tint);
  if (!tint && given.tint.trim() !== '') throw new Refused('tint', 'The tint is three numbers: L* a* b*');
  const data = {
    ...(given.contrastRatio ? { contrastRatio: given.contrastRatio } : {}),
    ...(colour?.reflectance ? { reflectance: colour.reflectance } : {}),
    ...(tint ? { tint14: tint } : {}),
  };
  const { number, name, kind, finish, opacity, sizeMl, priceCents, currency, ground, flop } = given;
  return {
    number,
    name,
    kind,
    finish,
    opacity,
    sizeMl,
    priceCents,
    currency,
    ground,
    flop,
    lab: colour ? [...colour.lab] : null,
    sd: given.sd ?? colour?.sd ?? 0,
    claims: given.claims
      .split(/[;,]/)
      .map((claim) => claim.trim())
      .filter(Boolean),
    data: Object.keys(data).length > 0 ? data : null,
  };
}

/** Adds a paint, its line when that is new, and a bottle of it when some is owned. */
export async function addPaint(input: unknown): Promise<Result> {
  return answered(async () => {
    const given = paintGiven.parse(input);
    const record = paintRecord(given);
    await inTransaction(async (client) => {
      const act = newAct(given.briefId, 'colours');
      const [known] = await rows<{ id: string; chemistry: string }>(
        client,
        'select id, chemistry from paint_line where name = $1',
        [given.line],
      );
      if (known && known.chemistry !== given.chemistry)
        throw new Refused(
          'chemistry',
          `The line ${given.line} is known as ${known.chemistry}: a line has one chemistry.`,
        );
      const { line: name, chemistry, thinner, thinRatio } = given;
      const lineId =
        known?.id ??
        (await insertRecord(client, act, 'paint_line', paintLineFields.parse({ name, chemistry, thinner, thinRatio })))
          .id;
      const { id: paintId } = await insertRecord(client, act, 'paint', { ...record, lineId, formerly: [] });
      if (given.mlLeft)
        await insertRecord(
          client,
          act,
          'bottle',
          bottleFields.parse({ paintId, mlLeft: given.mlLeft, openedOn: null, condition: '' }),
        );
    });
    return null;
  });
}

/** Changes a paint of the catalogue; its line stays. */
export async function changePaint(input: unknown): Promise<Result> {
  return answered(async () => {
    const { id, version, ...rest } = z.object({ id: z.uuid(), version: z.number().int() }).loose().parse(input);
    const given = paintGiven.parse(rest);
    const record = paintRecord(given);
    await inTransaction((client) =>
      updateRecord(client, newAct(given.briefId, 'colours'), 'paint', id, version, record),
    );
    return null;
  });
}

const versioned = z.object({ id: z.uuid(), version: z.number().int() });

/** Makes one paint of two: what is there of the first goes over to the second. */
export async function mergePaint(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, from, into } = ofBrief.extend({ from: versioned, into: versioned }).parse(input);
    if (from.id === into.id) throw new Refused('into', 'A paint is not merged with itself.');
    await mergePaints(newAct(briefId, 'colours'), from, into);
    return null;
  });
}

/** What was bought stands in the drawer: full bottles, unopened. */
export async function putInDrawer(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, bottles } = ofBrief
      .extend({
        bottles: z
          .array(z.object({ paintId: z.uuid(), count: z.number().int().min(1).max(50) }))
          .min(1)
          .max(200),
      })
      .parse(input);
    await inTransaction(async (client) => {
      const act = newAct(briefId, 'colours');
      for (const { paintId, count } of bottles) {
        const [paint] = await rows<{ size_ml: number }>(client, 'select size_ml from paint where id = $1', [paintId]);
        if (!paint) throw new Refused('', 'A paint of the list is gone from the catalogue.');
        for (let i = 0; i < count; i += 1)
          await insertRecord(
            client,
            act,
            'bottle',
            bottleFields.parse({ paintId, mlLeft: paint.size_ml, openedOn: null, condition: 'new' }),
          );
      }
    });
    return null;
  });
}

/** A table on its way in: what was understood, what was not, and what taking it would do. */
export interface TableRead {
  understood: string[];
  faults: RowFault[];
  rows: number;
}

const MOST_TEXT = 8_000_000;
const tableText = z.string().min(1, 'The file is empty').max(MOST_TEXT, 'At most 8 MB of text are taken at once');
const MOST_FAULTS = 200;

const asRead = ({
  understood,
  faults,
  rows: read,
}: {
  understood: string[];
  faults: RowFault[];
  rows: unknown[];
}): TableRead => ({
  understood,
  rows: read.length,
  faults:
    faults.length > MOST_FAULTS
      ? [...faults.slice(0, MOST_FAULTS), { row: 0, field: '', says: `and ${faults.length - MOST_FAULTS} more` }]
      : faults,
});

/** Reads a standard without keeping anything. */
export async function lookAtStandard(input: unknown): Promise<Result<TableRead>> {
  return lookedUp(async () => {
    const { text, system } = z.object({ text: tableText, system: systemAsked }).parse(input);
    return asRead(readStandard(text, system));
  });
}

/** Takes the rows of a standard that could be read; known codes get the chips they lack. */
export async function takeStandard(input: unknown): Promise<Result<Added>> {
  return answered(async () => {
    const { briefId, text, system } = ofBrief.extend({ text: tableText, system: systemAsked }).parse(input);
    const read = readStandard(text, system);
    if (read.rows.length === 0) throw new Refused('', 'There is no row that could be taken.');
    const shelf = await loadShelf();
    const clash = shelf.systems.find((kept) => kept.prefix === system.prefix && kept.name !== system.name);
    if (clash) throw new Refused('prefix', `The prefix ${system.prefix} is that of ${clash.name} already.`);
    return addToShelf(standardAddition(read), briefId, 'colours', { update: true });
  });
}

export async function lookAtCatalogue(input: unknown): Promise<Result<TableRead>> {
  return lookedUp(async () => asRead(readCatalogue(z.object({ text: tableText }).parse(input).text)));
}

/** Takes the rows of a catalogue that could be read, as one act: all of them or none. */
export async function takeCatalogue(input: unknown): Promise<Result<Added>> {
  return answered(async () => {
    const { briefId, text } = ofBrief.extend({ text: tableText }).parse(input);
    const read = readCatalogue(text);
    if (read.rows.length === 0) throw new Refused('', 'There is no row that could be taken.');
    return addToShelf(catalogueAddition(read.rows), briefId, 'colours', { update: true });
  });
}

/** The invented standard, catalogue and drawer of the demo, for whoever starts from an empty house. */
export async function addSampleShelf(): Promise<Result<Added>> {
  return answered(async () => {
    const { loadDemoShelf } = await import('@demo/shelf');
    return loadDemoShelf();
  });
}
