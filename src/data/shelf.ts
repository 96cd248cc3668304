import { shared } from '@/core/units/shared';
import type { RecordName } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import { codeBook } from '@/core/codes/official';
import { type CodeBook } from '@/core/codes/system';
import { pool, rows, type Client } from './database';
import type { Revision } from './revisions';
import { fromRow, type Row } from './rows';

/** The shelf as it was read, with the revision that it was read at. */
export interface LoadedShelf {
  shelf: ColourShelf;
  revision: Revision;
}

const SETS = `
  select to_jsonb(own) as row from (
    select s.id, s.version, s.line_id as "lineId", l.name as line, s.number, s.name, s.scheme, s.contents,
            s.price_cents as "priceCents", s.currency
     from paint_set s join paint_line l on l.id = s.line_id order by l.name, s.number
  ) own`;

const PAINTS = `
  select to_jsonb(own) as row from (
    select p.id, p.version, p.line_id as "lineId", l.version as "lineVersion", l.name as line, p.number, p.name, l.chemistry, p.kind, p.finish, p.opacity, p.lab, p.sd,
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
     order by l.name, p.number
  ) own`;

/** What the shelf is made of: which kinds of record change it, and how it is read, in an order that its contents alone decide. */
const PARTS: Record<keyof ColourShelf, { kinds: readonly RecordName[]; sql: string }> = {
  systems: plainly('colour_system', 'name'),
  codes: plainly('colour_code', 'code'),
  relations: plainly('code_relation', 'from_day nulls first, kind, id'),
  chips: plainly('chip', 'sd, lab, origin, note, id'),
  paints: { kinds: ['paint_line', 'paint', 'bottle'], sql: PAINTS },
  sets: { kinds: ['paint_line', 'paint_set'], sql: SETS },
  decalSheets: plainly('decal_sheet', 'title, id'),
  techniques: plainly('technique', 'title, id'),
  tools: plainly('tool', 'kind, name, id'),
  house: plainly('house', 'id'),
};

function plainly(kind: RecordName, order: string) {
  return { kinds: [kind], sql: `select to_jsonb(t) as row from ${kind} t order by ${order}` };
}

/** All official codes, their chips, and the catalogue with what the drawer holds of each paint. */
export const loadShelf = async (client: Client = pool()): Promise<ColourShelf> =>
  partsOf(client, Object.keys(PARTS) as (keyof ColourShelf)[]) as Promise<ColourShelf>;

/** The shelf at a revision: of what was read before, only the kinds that changed since are read again. */
export async function loadShelfSince(
  client: Client,
  revision: Revision,
  before: LoadedShelf | null,
): Promise<LoadedShelf> {
  const names = (Object.keys(PARTS) as (keyof ColourShelf)[]).filter(
    (name) => !before || PARTS[name].kinds.some((kind) => (revision.kinds[kind] ?? 0) > before.revision.number),
  );
  if (names.length === 0) return { shelf: before!.shelf, revision };
  const fresh = shared<Partial<ColourShelf>>(before?.shelf, await partsOf(client, names));
  return { shelf: { ...before?.shelf, ...fresh } as ColourShelf, revision };
}

/** Parts of the shelf, all in one statement: as of one moment. */
async function partsOf(client: Client, names: readonly (keyof ColourShelf)[]): Promise<Partial<ColourShelf>> {
  const found = await rows<{ name: keyof ColourShelf; records: Row[] }>(
    client,
    names
      .map(
        (name) =>
          `select '${name}' as name, (select coalesce(json_agg(p.row), '[]') from (${PARTS[name].sql}) p) as records`,
      )
      .join(' union all '),
  );
  return Object.fromEntries(
    found.map(({ name, records }) => {
      const [kind, more] = PARTS[name].kinds;
      // What is put together of several tables is named as it is used.
      return [name, more ? records : records.map((row) => fromRow(kind!, row))];
    }),
  );
}

/** What holds for the whole house, without all that lies on its shelf. */
export const loadHouse = async (client: Client = pool()): Promise<Pick<ColourShelf, 'house'>> =>
  (await partsOf(client, ['house'])) as Pick<ColourShelf, 'house'>;

/** How the codes of the house are written, and which there are. */
export async function loadCodeBook(client: Client = pool()): Promise<CodeBook> {
  const { systems, codes } = await partsOf(client, ['systems', 'codes']);
  return codeBook({ systems: systems!, codes: codes! });
}
