import type { Fields, Kept } from '@/core/kept/records';
import { canonicalCode, canonicalList } from '@/core/codes/system';
import type { Chemistry } from '@/core/paint/chemistry';
import type { Added } from '@/core/interchange/added';
import { asTableSays, type CatalogueRow, type PaintField, type SetRow } from '@/core/interchange/catalogue-csv';
import type { StandardRead } from '@/core/interchange/standard-csv';
import { ChangedElsewhere, type ActWriter } from './acts';
import { rows } from './database';
import { fromRow } from './rows';
import { loadCodeBook } from './shelf';

export async function lineCalled(
  writer: ActWriter,
  name: string,
): Promise<{ id: string; chemistry: Chemistry } | null> {
  const [found] = await rows<{ id: string; chemistry: Chemistry }>(
    writer.client,
    'select id, chemistry from paint_line where name = $1',
    [name],
  );
  return found ?? null;
}

/** What a full bottle of each paint holds, ml. */
export async function bottleSizes(writer: ActWriter, paintIds: readonly string[]): Promise<Map<string, number>> {
  const found = await rows<{ id: string; size_ml: number }>(
    writer.client,
    'select id, size_ml from paint where id = any($1)',
    [paintIds],
  );
  return new Map(found.map(({ id, size_ml }) => [id, size_ml]));
}

/** A catalogue to add: lines with their paints and, for some, a bottle in the drawer; official codes with their chips. */
export interface ShelfAddition {
  systems: Fields<'colour_system'>[];
  codes: { code: Fields<'colour_code'>; chips: Omit<Fields<'chip'>, 'codeId'>[] }[];
  /** Between codes by their names. */
  relations: (Omit<Fields<'code_relation'>, 'codeId' | 'otherId'> & { code: string; other: string })[];
  lines: {
    line: Fields<'paint_line'>;
    paints: {
      paint: Omit<Fields<'paint'>, 'lineId'>;
      /** What is said of the paint; all of it where it is not named. */
      given?: readonly PaintField[];
      bottle: Omit<Fields<'bottle'>, 'paintId'> | null;
    }[];
    sets?: Omit<Fields<'paint_set'>, 'lineId'>[];
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
export function catalogueAddition(read: readonly CatalogueRow[], sets: readonly SetRow[] = []): ShelfAddition {
  const lines = new Map<string, ShelfAddition['lines'][number]>();
  for (const { line, paint, given, bottle } of read) {
    const entry = lines.get(line.name) ?? { line, paints: [] };
    entry.paints.push({ paint, given, bottle });
    lines.set(line.name, entry);
  }
  for (const { line, set } of sets) {
    const entry = lines.get(line.name) ?? { line, paints: [] };
    lines.set(line.name, { ...entry, sets: [...(entry.sets ?? []), set] });
  }
  return { systems: [], codes: [], relations: [], lines: [...lines.values()] };
}

/**
 * Adds what is not there yet, by code, line name and number (or a former number). With `update`, paints that are there become what the
 * addition says, and known codes get the chips they lack.
 */
export async function addToShelf(
  writer: ActWriter,
  addition: ShelfAddition,
  { update = false }: { update?: boolean } = {},
): Promise<Added> {
  const codes = await addCodes(writer, addition, update);
  return { ...codes, ...(await addPaints(writer, addition.lines, update)) };
}

async function addCodes(
  writer: ActWriter,
  addition: ShelfAddition,
  update: boolean,
): Promise<Pick<Added, 'codes' | 'chips'>> {
  const systems = new Set(
    (await rows<{ name: string }>(writer.client, 'select name from colour_system')).map(({ name }) => name),
  );
  await writer.insertMany(
    'colour_system',
    addition.systems.filter(({ name }) => !systems.has(name)),
  );
  const known = new Map(
    (await rows<{ code: string; id: string }>(writer.client, 'select code, id from colour_code')).map(
      ({ code, id }) => [code, id],
    ),
  );
  const before = new Set(known.keys());
  const fresh = addition.codes.filter(({ code }) => !before.has(code.code));
  const ids = await writer.insertMany(
    'colour_code',
    fresh.map(({ code }) => code),
  );
  fresh.forEach(({ code }, i) => known.set(code.code, ids[i]!));
  const kept = new Set(
    (
      await rows<{ code_id: string; lab: number[]; batch: string }>(
        writer.client,
        'select code_id, lab, batch from chip',
      )
    ).map(({ code_id, lab, batch }) => chipKey(code_id, lab, batch)),
  );
  const chips = addition.codes
    .filter(({ code }) => update || !before.has(code.code))
    .flatMap(({ code, chips: own }) => own.map((chip) => ({ ...chip, codeId: known.get(code.code)! })))
    .filter((chip) => !kept.has(chipKey(chip.codeId, chip.lab, chip.batch)));
  await writer.insertMany('chip', chips);
  const related = new Set(
    (
      await rows<{ code_id: string; other_id: string; kind: string }>(
        writer.client,
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
  await writer.insertMany('code_relation', relations);
  return { codes: fresh.length, chips: chips.filter(({ codeId }) => !ids.includes(codeId)).length };
}

const chipKey = (codeId: string, lab: readonly number[], batch: string) =>
  `${codeId} ${batch} ${lab.map((value) => value.toFixed(3)).join(' ')}`;

interface StandingPaint {
  row: Record<string, unknown>;
  line: string;
}

async function addPaints(
  writer: ActWriter,
  lines: ShelfAddition['lines'],
  update: boolean,
): Promise<Pick<Added, 'paints' | 'changed'>> {
  const lineIds = new Map(
    (await rows<{ name: string; id: string }>(writer.client, 'select name, id from paint_line')).map(({ name, id }) => [
      name,
      id,
    ]),
  );
  const newLines = lines.filter(({ line }) => !lineIds.has(line.name));
  const ids = await writer.insertMany(
    'paint_line',
    newLines.map(({ line }) => line),
  );
  newLines.forEach(({ line }, i) => lineIds.set(line.name, ids[i]!));
  const standing = new Map<string, Kept<'paint'>>();
  for (const { row, line } of await rows<StandingPaint>(
    writer.client,
    'select to_jsonb(p) as row, l.name as line from paint p join paint_line l on l.id = p.line_id',
  )) {
    const paint = fromRow('paint', row);
    for (const number of [paint.number, ...paint.formerly]) standing.set(`${line} ${number}`, paint);
  }
  const book = await loadCodeBook(writer.client);
  const fresh: { paint: Fields<'paint'>; bottle: Omit<Fields<'bottle'>, 'paintId'> | null }[] = [];
  const bottles: Fields<'bottle'>[] = [];
  const owned = new Set(
    (await rows<{ id: string }>(writer.client, 'select distinct paint_id as id from bottle')).map(({ id }) => id),
  );
  let changed = 0;
  for (const { line, paints } of lines)
    for (const { paint: own, given, bottle } of paints) {
      const paint = { ...own, claims: canonicalList(book, own.claims) };
      const there = standing.get(`${line.name} ${paint.number}`);
      const lineId = lineIds.get(line.name)!;
      if (!there) fresh.push({ paint: { ...paint, lineId }, bottle });
      else if (update && there.number === paint.number) {
        const { id, version, ...now } = there;
        // Who is in the drawer already is not poured into it again.
        if (bottle && !owned.has(id)) bottles.push({ ...bottle, paintId: id });
        const wanted = asTableSays(now, { paint, given: given ?? (Object.keys(paint) as PaintField[]) });
        if (sameValues(now, wanted)) continue;
        await writer.update('paint', id, version, wanted);
        changed += 1;
      }
    }
  const paintIds = await writer.insertMany(
    'paint',
    fresh.map(({ paint }) => paint),
  );
  await writer.insertMany('bottle', [
    ...bottles,
    ...fresh.flatMap(({ bottle }, i) => (bottle ? [{ ...bottle, paintId: paintIds[i]! }] : [])),
  ]);
  const sets = await addSets(writer, lines, lineIds, update);
  return { paints: fresh.length + sets.fresh, changed: changed + sets.changed };
}

async function addSets(
  writer: ActWriter,
  lines: ShelfAddition['lines'],
  lineIds: ReadonlyMap<string, string>,
  update: boolean,
): Promise<{ fresh: number; changed: number }> {
  const wanted = lines.flatMap(({ line, sets = [] }) =>
    sets.map((set) => ({ ...set, lineId: lineIds.get(line.name)! })),
  );
  if (wanted.length === 0) return { fresh: 0, changed: 0 };
  const standing = new Map(
    (await rows<{ row: Record<string, unknown> }>(writer.client, 'select to_jsonb(s) as row from paint_set s')).map(
      ({ row }) => {
        const set = fromRow('paint_set', row);
        return [`${set.lineId} ${set.number}`, set] as const;
      },
    ),
  );
  const fresh = wanted.filter(({ lineId, number }) => !standing.has(`${lineId} ${number}`));
  await writer.insertMany('paint_set', fresh);
  let changed = 0;
  for (const set of update ? wanted : []) {
    const there = standing.get(`${set.lineId} ${set.number}`);
    if (!there) continue;
    const { id, version, ...now } = there;
    if (sameValues(now, set)) continue;
    await writer.update('paint_set', id, version, set);
    changed += 1;
  }
  return { fresh: fresh.length, changed };
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
 * Makes one paint of two: bottles, choices and recipes of `from` go over to `into`, its claims and numbers are added, and it is removed.
 * Throws ChangedElsewhere when either was changed or removed meanwhile.
 */
export async function mergePaints(
  writer: ActWriter,
  from: { id: string; version: number },
  into: { id: string; version: number },
): Promise<void> {
  const { client } = writer;
  const read = async ({ id, version }: { id: string; version: number }) => {
    const row = await writer.current('paint', id);
    const paint = row && fromRow('paint', row);
    if (!paint || paint.version !== version) throw new ChangedElsewhere('paint', id, null);
    return paint;
  };
  const [gone, kept] = [await read(from), await read(into)];
  const elsewhere = { ofAnyBrief: true };
  for (const name of ['bottle', 'colour_choice', 'general_coat'] as const) {
    const moved = await rows<{ id: string; version: number }>(
      client,
      `select id, version from ${name} where paint_id = $1 order by id`,
      [gone.id],
    );
    for (const { id, version } of moved) await writer.update(name, id, version, { paintId: kept.id }, elsewhere);
  }
  const recipes = await rows<{ id: string; version: number; parts: Fields<'recipe'>['parts'] }>(
    client,
    'select id, version, parts from recipe where parts @> $1::jsonb order by id',
    [JSON.stringify([{ paintId: gone.id }])],
  );
  for (const { id, version, parts } of recipes) {
    const drops = new Map<string, number>();
    for (const part of parts) {
      const paintId = part.paintId === gone.id ? kept.id : part.paintId;
      drops.set(paintId, (drops.get(paintId) ?? 0) + part.drops);
    }
    const joined = [...drops].map(([paintId, count]) => ({ paintId, drops: count }));
    await writer.update('recipe', id, version, { parts: joined }, elsewhere);
  }
  const { id, version, ...fields } = kept;
  await writer.update('paint', id, version, {
    ...fields,
    claims: [...new Set([...fields.claims, ...gone.claims])],
    formerly: [...new Set([...fields.formerly, gone.number, ...gone.formerly])].filter(
      (number) => number !== fields.number,
    ),
  });
  await writer.remove('paint', gone.id, gone.version);
}
