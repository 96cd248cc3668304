'use server';

import { z } from 'zod';
import { stampSchema } from '@/core/kept/act';
import { bottleFields, colourDataFields, paintFields, paintLineFields, type Fields } from '@/core/kept/records';
import { catalogueChanges } from '@/core/interchange/catalogue-csv';
import type { Added } from '@/core/interchange/added';
import type { Result } from '@/core/interchange/result';
import { parseTriple } from '@/core/units/number';
import { perform, stampedAct } from '@/data/acts';
import { resolveCode } from '@/core/codes/resolve';
import { codeBook } from '@/core/codes/official';
import { canonicalList, type CodeBook } from '@/core/codes/system';
import { bookOf } from './brief-of';
import { addToShelf, bottleSizes, catalogueAddition, lineCalled, mergePaints } from '@/data/catalogue';
import { loadShelf } from '@/data/shelf';
import { answered, lookedUp, ofBrief, Refused, versioned } from './answer';
import { colourFrom, colourGiven } from './colour-given';
import { read } from './reading';
import { asRead, readingAsked, tableText, type TableRead } from './table-read';

/** Acts on the catalogue and the drawer. */

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
function paintRecord(given: z.infer<typeof paintGiven>, book: CodeBook): Omit<Fields<'paint'>, 'lineId' | 'formerly'> {
  const colour = colourFrom(given);
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
      .filter(Boolean)
      .map((claim) => {
        const code = resolveCode(book, claim);
        if ('says' in code) throw new Refused('claims', code.says);
        return code.value;
      }),
    data: Object.keys(data).length > 0 ? data : null,
  };
}

/** Adds a paint, its line when that is new, and a bottle of it when some is owned. */
export async function addPaint(input: unknown): Promise<Result> {
  return answered(async () => {
    const given = paintGiven.parse(input);
    return perform(stampedAct(given.act, given.briefId, 'colours'), async (writer) => {
      const record = paintRecord(given, await bookOf(writer));
      const known = await lineCalled(writer, given.line);
      if (known && known.chemistry !== given.chemistry)
        throw new Refused(
          'chemistry',
          `The line ${given.line} is known as ${known.chemistry}: a line has one chemistry.`,
        );
      const { line: name, chemistry, thinner, thinRatio } = given;
      const lineId =
        known?.id ??
        (await writer.insert('paint_line', paintLineFields.parse({ name, chemistry, thinner, thinRatio }))).id;
      const { id: paintId } = await writer.insert('paint', { ...record, lineId, formerly: [] });
      if (given.mlLeft)
        await writer.insert(
          'bottle',
          bottleFields.parse({ paintId, mlLeft: given.mlLeft, openedOn: null, condition: '' }),
        );
      return null;
    });
  });
}

/** Changes a paint of the catalogue; its line stays. */
export async function changePaint(input: unknown): Promise<Result> {
  return answered(async () => {
    const { id, version, ...given } = paintGiven.extend(versioned.shape).parse(input);
    return perform(stampedAct(given.act, given.briefId, 'colours'), async (writer) => {
      const record = paintRecord(given, await bookOf(writer));
      await writer.update('paint', id, version, record);
      return null;
    });
  });
}

/** Makes one paint of two: what is there of the first goes over to the second. */
export async function mergePaint(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, from, into } = ofBrief.extend({ from: versioned, into: versioned }).parse(input);
    if (from.id === into.id) throw new Refused('into', 'A paint is not merged with itself.');
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => {
      await mergePaints(writer, from, into);
      return null;
    });
  });
}

/** What was bought stands in the drawer: full bottles, unopened. */
export async function putInDrawer(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, bottles } = ofBrief
      .extend({
        bottles: z
          .array(z.object({ paintId: z.uuid(), count: z.number().int().min(1).max(50) }))
          .min(1)
          .max(200),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => {
      const sizes = await bottleSizes(
        writer,
        bottles.map(({ paintId }) => paintId),
      );
      await writer.insertMany(
        'bottle',
        bottles.flatMap(({ paintId, count }) => {
          const mlLeft = sizes.get(paintId);
          if (mlLeft === undefined) throw new Refused('', 'A paint of the list is gone from the catalogue.');
          const full = bottleFields.parse({ paintId, mlLeft, openedOn: null, condition: 'new' });
          return Array.from({ length: count }, () => full);
        }),
      );
      return null;
    });
  });
}

export async function lookAtCatalogue(input: unknown): Promise<Result<TableRead>> {
  return lookedUp(async () => {
    const { text, reading } = z.object({ text: tableText, reading: readingAsked }).parse(input);
    const { sets, ...table } = await read({ table: 'catalogue', text, reading });
    const shelf = await loadShelf();
    const book = codeBook(shelf);
    const changes = catalogueChanges(table.rows, shelf.paints, (claims) => canonicalList(book, claims));
    return asRead({ ...table, changes, rows: [...table.rows, ...sets] });
  });
}

/** Takes the rows of a catalogue that could be read, as one act: all of them or none. */
export async function takeCatalogue(input: unknown): Promise<Result<Added>> {
  return answered(async () => {
    const { briefId, act, text, reading } = ofBrief.extend({ text: tableText, reading: readingAsked }).parse(input);
    const table = await read({ table: 'catalogue', text, reading });
    if (table.rows.length + table.sets.length === 0) throw new Refused('', 'There is no row that could be taken.');
    return perform(stampedAct(act, briefId, 'colours'), (writer) =>
      addToShelf(writer, catalogueAddition(table.rows, table.sets), { update: true }),
    );
  });
}

/** The invented standard, catalogue and drawer of the demo, for whoever starts from an empty house. */
export async function addSampleShelf(input: unknown): Promise<Result<Added>> {
  return answered(async () => {
    const { act } = z.object({ act: stampSchema }).parse(input);
    const { addDemoShelf } = await import('@demo/shelf');
    return perform(stampedAct(act, null, 'colours'), addDemoShelf);
  });
}
