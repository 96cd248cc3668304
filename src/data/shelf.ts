import type { Kept, RecordName } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import { codeBook } from '@/core/codes/official';
import { type CodeBook } from '@/core/codes/system';
import type { Paint } from '@/core/paint/catalogue';
import { pool, rows, type Client } from './database';
import { fromRow } from './rows';

async function all<N extends RecordName>(client: Client, name: N, order: string): Promise<Kept<N>[]> {
  const found = await rows<{ row: Record<string, unknown> }>(
    client,
    `select to_jsonb(t) as row from ${name} t order by ${order}`,
  );
  return found.map(({ row }) => fromRow(name, row));
}

/** All official codes, their chips, and the catalogue with what the drawer holds of each paint. */
export async function loadShelf(client: Client = pool()): Promise<ColourShelf> {
  // One after the other: within a transaction there is one connection.
  return {
    systems: await all(client, 'colour_system', 'name'),
    codes: await all(client, 'colour_code', 'code'),
    relations: await all(client, 'code_relation', 'from_day nulls first, kind, id'),
    chips: await all(client, 'chip', 'sd, lab, origin, note, id'),
    paints: await loadPaints(client),
  };
}

async function loadPaints(client: Client): Promise<Paint[]> {
  return rows<Paint>(
    client,
    `select p.id, p.version, p.line_id as "lineId", l.version as "lineVersion", l.name as line, p.number, p.name, l.chemistry, p.kind, p.finish, p.opacity, p.lab, p.sd,
            p.size_ml as "sizeMl", p.price_cents as "priceCents", p.currency, p.claims, p.ground, p.flop, p.formerly, p.data,
            l.thinner, l.thin_ratio as "thinRatio",
            jsonb_strip_nulls(jsonb_build_object('recoat', l.recoat_min, 'mask', l.mask_min, 'cure', l.cure_min)) as dries, coalesce(b.bottles, '[]') as bottles, coalesce(b.owned, 0) as "ownedMl"
     from paint p
     join paint_line l on l.id = p.line_id
     left join (
       select paint_id, sum(ml_left) as owned,
              jsonb_agg(jsonb_build_object('id', id, 'version', version, 'mlLeft', ml_left, 'openedOn', opened_on,
                                           'condition', condition, 'strength', strength) order by opened_on nulls last, id) as bottles
       from bottle group by paint_id
     ) b on b.paint_id = p.id
     order by l.name, p.number`,
  );
}

/** How the codes of the house are written, and which there are. */
export async function loadCodeBook(client: Client = pool()): Promise<CodeBook> {
  return codeBook({
    systems: await all(client, 'colour_system', 'name'),
    codes: await rows<Pick<Kept<'colour_code'>, 'system' | 'code'>>(
      client,
      'select system, code from colour_code order by code',
    ),
  });
}
