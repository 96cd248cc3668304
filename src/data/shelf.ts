import type { Kept, RecordName } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import { codeBook } from '@/core/codes/official';
import { type CodeBook } from '@/core/codes/system';
import type { PaintSet } from '@/core/match/sets';
import type { Paint } from '@/core/paint/catalogue';
import { pool, rows, type Client } from './database';
import { shelfRevision, type Revision } from './revisions';
import { fromRow } from './rows';

async function all<N extends RecordName>(client: Client, name: N, order: string): Promise<Kept<N>[]> {
  const found = await rows<{ row: Record<string, unknown> }>(
    client,
    `select to_jsonb(t) as row from ${name} t order by ${order}`,
  );
  return found.map(({ row }) => fromRow(name, row));
}

/** The shelf as it was read, with the revision that it was read at. */
export interface LoadedShelf {
  shelf: ColourShelf;
  revision: Revision;
}

/** All official codes, their chips, and the catalogue with what the drawer holds of each paint. */
export const loadShelf = async (client: Client = pool()): Promise<ColourShelf> =>
  (await loadShelfSince(await shelfRevision(client), null, client)).shelf;

/** The shelf at a revision: of what was read before, only the kinds that changed since are read again. */
export async function loadShelfSince(
  revision: Revision,
  before: LoadedShelf | null,
  client: Client = pool(),
): Promise<LoadedShelf> {
  const changed = (...kinds: RecordName[]) =>
    !before || kinds.some((kind) => (revision.kinds[kind] ?? 0) > before.revision.number);
  const known = before?.shelf;
  // One after the other: within a transaction there is one connection.
  return {
    shelf: {
      systems: changed('colour_system') ? await all(client, 'colour_system', 'name') : known!.systems,
      codes: changed('colour_code') ? await all(client, 'colour_code', 'code') : known!.codes,
      relations: changed('code_relation')
        ? await all(client, 'code_relation', 'from_day nulls first, kind, id')
        : known!.relations,
      chips: changed('chip') ? await all(client, 'chip', 'sd, lab, origin, note, id') : known!.chips,
      paints: changed('paint_line', 'paint', 'bottle') ? await loadPaints(client) : known!.paints,
      sets: changed('paint_line', 'paint_set') ? await loadSets(client) : known!.sets,
      decalSheets: changed('decal_sheet') ? await all(client, 'decal_sheet', 'title, id') : known!.decalSheets,
      techniques: changed('technique') ? await all(client, 'technique', 'title, id') : known!.techniques,
      tools: changed('tool') ? await all(client, 'tool', 'kind, name, id') : known!.tools,
    },
    revision,
  };
}

const loadSets = (client: Client): Promise<PaintSet[]> =>
  rows<PaintSet>(
    client,
    `select s.id, s.version, s.line_id as "lineId", l.name as line, s.number, s.name, s.scheme, s.contents,
            s.price_cents as "priceCents", s.currency
     from paint_set s join paint_line l on l.id = s.line_id order by l.name, s.number`,
  );

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
    codes: await rows<Pick<Kept<'colour_code'>, 'system' | 'code' | 'name'>>(
      client,
      'select system, code, name from colour_code order by code',
    ),
  });
}
