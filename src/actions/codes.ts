'use server';

import { z } from 'zod';
import { chipFields, colourCodeFields } from '@/core/kept/records';
import { ORIGIN_SD } from '@/core/colour/chips';
import type { Added } from '@/core/interchange/added';
import type { Result } from '@/core/interchange/result';
import { systemAsked } from '@/core/interchange/standard-csv';
import { perform, stampedAct } from '@/data/acts';
import { addToShelf, standardAddition } from '@/data/catalogue';
import { shelfOf } from './brief-of';
import { codesCalled } from './codes-called';
import { answered, lookedUp, ofBrief, Refused } from './answer';
import { colourFrom, colourGiven } from './colour-given';
import { read } from './reading';
import { asRead, readingAsked, tableText, type TableRead } from './table-read';

/** Acts on official codes: their chips by hand, and whole standards by table. */

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
    return perform(stampedAct(given.act, given.briefId, 'colours'), async (writer) => {
      const [codeId] = await codesCalled(writer, await shelfOf(writer), [given]);
      // A screen colour was judged by eye, whatever else is said of it.
      const origin = colour.form === 'hex' ? 'eyeballed' : (given.origin ?? colour.origin);
      await writer.insert('chip', {
        codeId: codeId!,
        lab: [...colour.lab],
        origin,
        sd: given.sd ?? ORIGIN_SD[origin].sd,
        instrument: given.instrument,
        batch: given.batch,
        leftOut: false,
        note: given.note,
      });
      return null;
    });
  });
}

/** Reads a standard without keeping anything. */
export async function lookAtStandard(input: unknown): Promise<Result<TableRead>> {
  return lookedUp(async () => {
    const { text, system, reading } = z
      .object({ text: tableText, system: systemAsked, reading: readingAsked })
      .parse(input);
    return asRead(await read({ table: 'standard', text, system, reading }));
  });
}

/** Takes the rows of a standard that could be read; known codes get the chips they lack. */
export async function takeStandard(input: unknown): Promise<Result<Added>> {
  return answered(async () => {
    const { briefId, act, text, system, reading } = ofBrief
      .extend({ text: tableText, system: systemAsked, reading: readingAsked })
      .parse(input);
    const table = await read({ table: 'standard', text, system, reading });
    if (table.rows.length === 0) throw new Refused('', 'There is no row that could be taken.');
    return perform(stampedAct(act, briefId, 'colours'), async (writer) => {
      const { systems } = await shelfOf(writer);
      const clash = systems.find((kept) => kept.prefix === system.prefix && kept.name !== system.name);
      if (clash)
        throw new Refused('prefix', `The letters ${system.prefix} stand before the numbers of ${clash.name} already.`);
      return addToShelf(writer, standardAddition(table), { update: true });
    });
  });
}
