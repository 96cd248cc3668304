import type { PoolClient } from 'pg';
import type { Fields, Kept, RecordName } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import { canonicalCode } from '@/core/codes/system';
import type { CatalogueRow } from '@/core/interchange/catalogue-csv';
import type { StandardRead } from '@/core/interchange/standard-csv';
import type { Paint } from '@/core/paint/catalogue';
import { inTransaction, pool, rows } from './database';
import { ChangedElsewhere, deleteRecord, fromRow, insertRecords, newAct, updateRecord, type Act } from './acts';

async function all<N extends RecordName>(name: N, order: string): Promise<Kept<N>[]> {
  const found = await rows<{ row: Record<string, unknown> }>(
    pool(),
    `select to_jsonb(t) as row from ${name} t order by ${order}`,
  );
  return found.map(({ row }) => fromRow(name, row));
}

/** All official codes, their chips, and the catalogue with what the drawer holds of each paint. */
export async function loadShelf(): Promise<ColourShelf> {
  const [systems, codes, relations, chips, paints] = await Promise.all([
    all('colour_system', 'name'),
    all('colour_code', 'code'),
    all('code_relation', 'from_day nulls first, kind, id'),
    all('chip', 'sd, lab, origin, note, id'),
    loadPaints(),
  ]);
  return { systems, codes, relations, chips, paints };
}

async function loadPaints(): Promise<Paint[]> {
  return rows<Paint>(
    pool(),
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

/** A catalogue to add: lines with their paints and, for some, a bottle in the drawer; official codes with their chips. */
export interface ShelfAddition {
  systems: Fields<'colour_system'>[];
  codes: { code: Fields<'colour_code'>; chips: Omit<Fields<'chip'>, 'codeId'>[] }[];
  /** Between codes by their names. */
  relations: (Omit<Fields<'code_relation'>, 'codeId' | 'otherId'> & { code: string; other: string })[];
  lines: {
    line: Fields<'paint_line'>;
    paints: { paint: Omit<Fields<'paint'>, 'lineId'>; bottle: Omit<Fields<'bottle'>, 'paintId'> | null }[];
  }[];
}

/** A read standard as an addition: each code with all its chips, and what it says of other codes. */
export function standardAddition({ system, rows: read }: Pick<StandardRead, 'system' | 'rows'>): ShelfAddition {
  const codes = new Map<string, ShelfAddition['codes'][number]>();
  const relations: ShelfAddition['relations'] = [];
  for (const { code, chip, supersededBy, equivalents } of read) {
    const entry = codes.get(code.code) ?? { code, chips: [] };
    if (chip) entry.chips.push(chip);
    codes.set(code.code, entry);
    const relate = (kind: 'superseded' | 'equivalent', others: readonly string[]) =>
      relations.push(
        ...others.map((other) => ({
          code: code.code,
          other: canonicalCode(system, other) ?? other,
          kind,
          fromDay: null,
          toDay: null,
          note: '',
        })),
      );
    relate('superseded', supersededBy);
    relate('equivalent', equivalents);
  }
  return { systems: [system], codes: [...codes.values()], relations, lines: [] };
}

/** Read paints as an addition, by line. */
export function catalogueAddition(read: readonly CatalogueRow[]): ShelfAddition {
  const lines = new Map<string, ShelfAddition['lines'][number]>();
  for (const { line, paint, bottle } of read) {
    const entry = lines.get(line.name) ?? { line, paints: [] };
    entry.paints.push({ paint, bottle });
    lines.set(line.name, entry);
  }
  return { systems: [], codes: [], relations: [], lines: [...lines.values()] };
}

export interface Added {
  codes: number;
  /** Chips for codes that were known. */
  chips: number;
  paints: number;
  /** Paints that were there and are now as the table says. */
  changed: number;
}

/**
 * Adds what is not there yet, by code, line name and number (or a former number). With `update`, paints that are there become what the
 * addition says, and known codes get the chips they lack. One act, one transaction: all of it or nothing.
 */
export async function addToShelf(
  addition: ShelfAddition,
  briefId: string | null,
  station: string,
  { update = false }: { update?: boolean } = {},
): Promise<Added> {
  return inTransaction(async (client) => {
    const act = newAct(briefId, station);
    const codes = await addCodes(client, act, addition, update);
    return { ...codes, ...(await addPaints(client, act, addition.lines, update)) };
  });
}

async function addCodes(
  client: PoolClient,
  act: Act,
  addition: ShelfAddition,
  update: boolean,
): Promise<Pick<Added, 'codes' | 'chips'>> {
  const systems = new Set(
    (await rows<{ name: string }>(client, 'select name from colour_system')).map(({ name }) => name),
  );
  await insertRecords(
    client,
    act,
    'colour_system',
    addition.systems.filter(({ name }) => !systems.has(name)),
  );
  const known = new Map(
    (await rows<{ code: string; id: string }>(client, 'select code, id from colour_code')).map(({ code, id }) => [
      code,
      id,
    ]),
  );
  const before = new Set(known.keys());
  const fresh = addition.codes.filter(({ code }) => !before.has(code.code));
  const ids = await insertRecords(
    client,
    act,
    'colour_code',
    fresh.map(({ code }) => code),
  );
  fresh.forEach(({ code }, i) => known.set(code.code, ids[i]!));
  const kept = new Set(
    (await rows<{ code_id: string; lab: number[]; batch: string }>(client, 'select code_id, lab, batch from chip')).map(
      ({ code_id, lab, batch }) => chipKey(code_id, lab, batch),
    ),
  );
  const chips = addition.codes
    .filter(({ code }) => update || !before.has(code.code))
    .flatMap(({ code, chips: own }) => own.map((chip) => ({ ...chip, codeId: known.get(code.code)! })))
    .filter((chip) => !kept.has(chipKey(chip.codeId, chip.lab, chip.batch)));
  await insertRecords(client, act, 'chip', chips);
  const related = new Set(
    (
      await rows<{ code_id: string; other_id: string; kind: string }>(
        client,
        'select code_id, other_id, kind from code_relation',
      )
    ).map((row) => `${row.code_id} ${row.other_id} ${row.kind}`),
  );
  const relations = addition.relations.flatMap(({ code, other, ...relation }) => {
    const [codeId, otherId] = [known.get(code), known.get(other)];
    if (!codeId || !otherId || codeId === otherId || related.has(`${codeId} ${otherId} ${relation.kind}`)) return [];
    related.add(`${codeId} ${otherId} ${relation.kind}`);
    return [{ ...relation, codeId, otherId }];
  });
  await insertRecords(client, act, 'code_relation', relations);
  return { codes: fresh.length, chips: chips.filter(({ codeId }) => !ids.includes(codeId)).length };
}

const chipKey = (codeId: string, lab: readonly number[], batch: string) =>
  `${codeId} ${batch} ${lab.map((value) => value.toFixed(3)).join(' ')}`;

interface StandingPaint {
  row: Record<string, unknown>;
  line: string;
}

async function addPaints(
  client: PoolClient,
  act: Act,
  lines: ShelfAddition['lines'],
  update: boolean,
): Promise<Pick<Added, 'paints' | 'changed'>> {
  const lineIds = new Map(
    (await rows<{ name: string; id: string }>(client, 'select name, id from paint_line')).map(({ name, id }) => [
      name,
      id,
    ]),
  );
  const newLines = lines.filter(({ line }) => !lineIds.has(line.name));
  const ids = await insertRecords(
    client,
    act,
    'paint_line',
    newLines.map(({ line }) => line),
  );
  newLines.forEach(({ line }, i) => lineIds.set(line.name, ids[i]!));
  const standing = new Map<string, Kept<'paint'>>();
  for (const { row, line } of await rows<StandingPaint>(
    client,
    'select to_jsonb(p) as row, l.name as line from paint p join paint_line l on l.id = p.line_id',
  )) {
    const paint = fromRow('paint', row);
    for (const number of [paint.number, ...paint.formerly]) standing.set(`${line} ${number}`, paint);
  }
  const fresh: { paint: Fields<'paint'>; bottle: Omit<Fields<'bottle'>, 'paintId'> | null }[] = [];
  let changed = 0;
  for (const { line, paints } of lines)
    for (const { paint, bottle } of paints) {
      const there = standing.get(`${line.name} ${paint.number}`);
      const lineId = lineIds.get(line.name)!;
      if (!there) fresh.push({ paint: { ...paint, lineId }, bottle });
      else if (update && there.number === paint.number) {
        const { id, version, ...now } = there;
        const wanted = { ...now, ...paint, formerly: [...new Set([...now.formerly, ...paint.formerly])] };
        if (sameValues(now, wanted)) continue;
        await updateRecord(client, act, 'paint', id, version, wanted);
        changed += 1;
      }
    }
  const paintIds = await insertRecords(
    client,
    act,
    'paint',
    fresh.map(({ paint }) => paint),
  );
  await insertRecords(
    client,
    act,
    'bottle',
    fresh.flatMap(({ bottle }, i) => (bottle ? [{ ...bottle, paintId: paintIds[i]! }] : [])),
  );
  return { paints: fresh.length, changed };
}

/** Alike whatever the order of their fields; what is undefined is not there. */
function sameValues(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  const fields = (value: object) =>
    Object.entries(value)
      .filter(([, item]) => item !== undefined)
      .map(([field]) => field);
  const [one, other] = [fields(a), fields(b)];
  return (
    one.length === other.length &&
    one.every((field) => sameValues((a as Record<string, unknown>)[field], (b as Record<string, unknown>)[field]))
  );
}

/**
 * Makes one paint of two: bottles, choices and recipes of `fromId` go over to `intoId`, its claims and numbers are added, and it is removed.
 * One act. Throws ChangedElsewhere when either was changed or removed meanwhile.
 */
export async function mergePaints(
  act: Act,
  from: { id: string; version: number },
  into: { id: string; version: number },
): Promise<void> {
  await inTransaction(async (client) => {
    const read = async ({ id, version }: { id: string; version: number }) => {
      const [found] = await rows<StandingPaint>(
        client,
        'select to_jsonb(p) as row, l.name as line from paint p join paint_line l on l.id = p.line_id where p.id = $1 for update of p',
        [id],
      );
      const paint = found && { ...fromRow('paint', found.row), line: found.line };
      if (!paint || paint.version !== version) throw new ChangedElsewhere('paint', id, null);
      return paint;
    };
    const [gone, kept] = [await read(from), await read(into)];
    for (const name of ['bottle', 'colour_choice'] as const) {
      const moved = await rows<{ id: string; version: number; brief_id?: string }>(
        client,
        `select t.* from ${name} t where paint_id = $1 order by id`,
        [gone.id],
      );
      for (const { id, version, brief_id } of moved)
        await updateRecord(client, { ...act, briefId: brief_id ?? act.briefId }, name, id, version, {
          paintId: kept.id,
        });
    }
    const recipes = await rows<{ id: string; version: number; brief_id: string; parts: Fields<'recipe'>['parts'] }>(
      client,
      'select id, version, brief_id, parts from recipe where parts @> $1::jsonb order by id',
      [JSON.stringify([{ paintId: gone.id }])],
    );
    for (const { id, version, brief_id, parts } of recipes) {
      const drops = new Map<string, number>();
      for (const part of parts) {
        const paintId = part.paintId === gone.id ? kept.id : part.paintId;
        drops.set(paintId, (drops.get(paintId) ?? 0) + part.drops);
      }
      await updateRecord(client, { ...act, briefId: brief_id }, 'recipe', id, version, {
        parts: [...drops].map(([paintId, count]) => ({ paintId, drops: count })),
      });
    }
    const { id, version, line: _, ...fields } = kept;
    await updateRecord(client, act, 'paint', id, version, {
      ...fields,
      claims: [...new Set([...fields.claims, ...gone.claims])],
      formerly: [...new Set([...fields.formerly, gone.number, ...gone.formerly])].filter(
        (number) => number !== fields.number,
      ),
    });
    await deleteRecord(client, act, 'paint', gone.id, gone.version);
  });
}
