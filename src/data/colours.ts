import type { Fields } from '@/core/brief/records';
import type { ColourShelf } from '@/core/brief/state';
import type { Paint } from '@/core/paint/catalogue';
import { inTransaction, pool, rows, type Client } from './database';
import { fromRow, insertRecord, newAct } from './history';

/** All official codes, their chips, and the catalogue with what the drawer holds of each paint. */
export async function loadShelf(): Promise<ColourShelf> {
  const client = pool();
  const [codes, chips, paints] = await Promise.all([
    rows<{ row: Record<string, unknown> }>(client, 'select to_jsonb(t) as row from colour_code t order by code'),
    rows<{ row: Record<string, unknown> }>(
      client,
      'select to_jsonb(t) as row from chip t order by sd, lab, origin, note, id',
    ),
    loadPaints(client),
  ]);
  return {
    codes: codes.map(({ row }) => fromRow('colour_code', row)),
    chips: chips.map(({ row }) => fromRow('chip', row)),
    paints,
  };
}

async function loadPaints(client: Client): Promise<Paint[]> {
  return rows<Paint>(
    client,
    `select p.id, l.name as line, p.number, p.name, l.chemistry, p.kind, p.finish, p.opacity, p.lab, p.sd, p.size_ml as "sizeMl",
            p.price_cents as "priceCents", p.claims, coalesce(sum(b.ml_left), 0) as "ownedMl"
     from paint p join paint_line l on l.id = p.line_id left join bottle b on b.paint_id = p.id
     group by p.id, l.id
     order by l.name, p.number`,
  );
}

/** A catalogue to add: lines with their paints and, for some, a bottle in the drawer; official codes with their chips. */
export interface ShelfAddition {
  codes: { code: Fields<'colour_code'>; chips: Omit<Fields<'chip'>, 'codeId'>[] }[];
  lines: {
    line: Fields<'paint_line'>;
    paints: { paint: Omit<Fields<'paint'>, 'lineId'>; bottle: Omit<Fields<'bottle'>, 'paintId'> | null }[];
  }[];
}

/** Adds what is not there yet, by code, line name and number; what is there stays as it is. One act. */
export async function addToShelf(
  addition: ShelfAddition,
  briefId: string | null,
  station: string,
): Promise<{ codes: number; paints: number }> {
  return inTransaction(async (client) => {
    const act = newAct(briefId, station);
    let [codes, paints] = [0, 0];
    const knownCodes = new Set(
      (await rows<{ code: string }>(client, 'select code from colour_code')).map(({ code }) => code),
    );
    for (const { code, chips } of addition.codes) {
      if (knownCodes.has(code.code)) continue;
      const made = await insertRecord(client, act, 'colour_code', code);
      for (const chip of chips) await insertRecord(client, act, 'chip', { ...chip, codeId: made.id });
      codes += 1;
    }
    for (const { line, paints: list } of addition.lines) {
      const [known] = await rows<{ id: string }>(client, 'select id from paint_line where name = $1', [line.name]);
      const lineId = known?.id ?? (await insertRecord(client, act, 'paint_line', line)).id;
      const numbers = new Set(
        (await rows<{ number: string }>(client, 'select number from paint where line_id = $1', [lineId])).map(
          ({ number }) => number,
        ),
      );
      for (const { paint, bottle } of list) {
        if (numbers.has(paint.number)) continue;
        const made = await insertRecord(client, act, 'paint', { ...paint, lineId });
        if (bottle) await insertRecord(client, act, 'bottle', { ...bottle, paintId: made.id });
        paints += 1;
      }
    }
    return { codes, paints };
  });
}
