import { bottleFields, paintFields, paintLineFields, paintSetFields, type Fields } from '@/core/kept/records';
import type { PaintSet } from '@/core/match/sets';
import type { Paint } from '@/core/paint/catalogue';
import { counted } from '@/core/units/words';
import { colourOfRow } from './colour-cells';
import { readTable, RowReader, writeTable, type RowFault } from './table';

/** The catalogue of paints, with what the drawer holds, as a table: see docs/formats/catalogue.md. */

export interface CatalogueRow {
  row: number;
  line: Fields<'paint_line'>;
  paint: Omit<Fields<'paint'>, 'lineId'>;
  bottle: Omit<Fields<'bottle'>, 'paintId'> | null;
}
/** Paints that are sold together: a row of the kind `set`. */
export interface SetRow {
  row: number;
  line: Fields<'paint_line'>;
  set: Omit<Fields<'paint_set'>, 'lineId'>;
}
export interface CatalogueRead {
  rows: CatalogueRow[];
  sets: SetRow[];
  faults: RowFault[];
  understood: string[];
}

/** Reads a catalogue; rows with faults are named and left out. */
export function readCatalogue(text: string): CatalogueRead {
  const table = readTable(text);
  const faults = [...table.faults];
  for (const head of ['line', 'number'])
    if (!table.heads.includes(head))
      faults.push({
        row: 1,
        field: head,
        says: `there is no column "${head}"; the columns are ${table.heads.join(', ') || 'none'}`,
      });
  const seen = new Map<string, number>();
  const lines = new Map<string, Fields<'paint_line'>>();
  const sets: SetRow[] = [];
  const rows = table.rows.flatMap(({ row, cells }): CatalogueRow[] => {
    const reader = new RowReader(row, cells);
    const isSet = reader.text('kind').toLowerCase() === 'set';
    const made = isSet ? readSet(reader, lines) : readRow(reader, lines);
    if (made) {
      const key = `${made.line.name} ${'set' in made ? made.set.number : made.paint.number}`;
      const first = seen.get(key);
      if (first) reader.fault('number', `${key} is in row ${first} already`);
      else seen.set(key, row);
    }
    faults.push(...reader.faults);
    if (!made || reader.faults.length > 0) return [];
    if (!('set' in made)) return [made];
    sets.push(made);
    return [];
  });
  const without = rows.filter(({ paint }) => paint.lab === null && paint.kind === 'solid').length;
  return {
    rows,
    sets,
    faults: faults.sort((a, b) => a.row - b.row),
    understood: [
      `${counted(rows.length, 'paint')} of ${counted(new Set(rows.map(({ line }) => line.name)).size, 'line')}`,
      ...(sets.length > 0 ? [counted(sets.length, 'set')] : []),
      ...(without > 0 ? [`${without} without a colour: kept, but never matched until they have one`] : []),
      ...(rows.some(({ bottle }) => bottle)
        ? [`${counted(rows.filter(({ bottle }) => bottle).length, 'bottle')} for the drawer`]
        : []),
    ],
  };
}

// Made once: a schema made for each row costs more than all else that is done with it.
const paintInTable = paintFields.omit({ lineId: true });
const bottleInTable = bottleFields.omit({ paintId: true });

const setInTable = paintSetFields.omit({ lineId: true });

/** In cents, by either of the two columns; 0 where none is given. */
const priceOf = (row: RowReader): number =>
  (row.has('price_cents')
    ? row.number('price_cents')
    : row.has('price')
      ? Math.round((row.number('price') ?? 0) * 100)
      : 0) ?? 0;

const lineOf = (row: RowReader, lines: ReadonlyMap<string, Fields<'paint_line'>>) =>
  paintLineFields.safeParse({
    name: row.text('line'),
    chemistry: row.text('chemistry', lines.get(row.text('line'))?.chemistry ?? 'WA').toUpperCase(),
    thinner: row.text('thinner'),
    thinRatio: row.number('thin_ratio'),
    recoatMin: row.number('recoat_min'),
    maskMin: row.number('mask_min'),
    cureMin: row.number('cure_min'),
  });

function readSet(row: RowReader, lines: Map<string, Fields<'paint_line'>>): SetRow | null {
  const line = lineOf(row, lines);
  const set = setInTable.safeParse({
    number: row.text('number'),
    name: row.text('name'),
    scheme: row.text('scheme'),
    contents: row.list('contents'),
    priceCents: priceOf(row),
    currency: row.text('currency', 'EUR').toUpperCase(),
  });
  if (!line.success) row.complain(line.error);
  if (!set.success) row.complain(set.error);
  if (!line.success || !set.success) return null;
  if (!lines.has(line.data.name)) lines.set(line.data.name, line.data);
  return { row: row.row, line: lines.get(line.data.name)!, set: set.data };
}

function readRow(row: RowReader, lines: Map<string, Fields<'paint_line'>>): CatalogueRow | null {
  const colour = colourOfRow(row);
  const data = {
    contrastRatio: row.number('contrast_ratio') ?? undefined,
    reflectance: colour?.reflectance ?? undefined,
    overBlack: row.curve('over_black') ?? undefined,
    overWhite: row.curve('over_white') ?? undefined,
    tint14: tintOf(row),
  };
  const line = lineOf(row, lines);
  const paint = paintInTable.safeParse({
    number: row.text('number'),
    name: row.text('name'),
    kind: row.text('kind', 'solid').toLowerCase(),
    finish: row.text('finish', 'matt').toLowerCase(),
    opacity: opacityOf(row.text('opacity', 'opaque').toLowerCase(), row.text('kind', 'solid').toLowerCase()),
    lab: colour ? [...colour.lab] : null,
    sd: row.number('sd') ?? colour?.sd ?? 0,
    sizeMl: row.number('size_ml') ?? 17,
    priceCents: priceOf(row),
    currency: row.text('currency', 'EUR').toUpperCase(),
    claims: row.list('claims'),
    ground: row.text('ground').toLowerCase(),
    flop: row.text('flop').toLowerCase(),
    formerly: row.list('formerly'),
    data: Object.values(data).some((value) => value !== undefined) ? data : null,
  });
  if (!line.success) row.complain(line.error);
  if (!paint.success) row.complain(paint.error);
  const ml = row.number('drawer_ml');
  const bottle =
    ml === null
      ? null
      : bottleInTable.safeParse({
          mlLeft: ml,
          openedOn: row.text('opened_on') || null,
          condition: row.text('condition'),
        });
  if (bottle && !bottle.success) row.complain(bottle.error);
  if (!line.success || !paint.success || (bottle && !bottle.success)) return null;
  const known = lines.get(line.data.name);
  if (known && known.chemistry !== line.data.chemistry)
    row.fault('chemistry', `${line.data.name} is ${known.chemistry} in the rows before: a line has one chemistry`);
  if (!known) lines.set(line.data.name, line.data);
  return { row: row.row, line: line.data, paint: paint.data, bottle: bottle?.data ?? null };
}

/** Catalogues call a solid colour of poor hiding transparent; what lets the ground through by intent is an ink, a clear or a glaze. */
const opacityOf = (word: string, kind: string): string =>
  word === 'ink' || word === 'glaze' ? 'transparent' : word === 'transparent' && kind === 'solid' ? 'weak' : word;

function tintOf(row: RowReader): [number, number, number] | undefined {
  const values = ['tint14_l', 'tint14_a', 'tint14_b'].map((field) => row.number(field));
  return values.every((value) => value !== null) ? (values as [number, number, number]) : undefined;
}

/** Writes the catalogue so that reading it again gives the same paints; a paint with several bottles shows what they hold together. */
export function writeCatalogue(paints: readonly Paint[], sets: readonly PaintSet[] = []): string {
  const rows = [
    ...paints.map((paint) => ({
      line: paint.line,
      chemistry: paint.chemistry,
      number: paint.number,
      name: paint.name,
      kind: paint.kind,
      finish: paint.finish,
      opacity: paint.opacity,
      L: paint.lab?.[0] ?? '',
      a: paint.lab?.[1] ?? '',
      b: paint.lab?.[2] ?? '',
      sd: paint.sd,
      contrast_ratio: paint.data?.contrastRatio ?? '',
      tint14_L: paint.data?.tint14?.[0] ?? '',
      tint14_a: paint.data?.tint14?.[1] ?? '',
      tint14_b: paint.data?.tint14?.[2] ?? '',
      reflectance: paint.data?.reflectance?.join(' ') ?? '',
      over_black: paint.data?.overBlack?.join(' ') ?? '',
      over_white: paint.data?.overWhite?.join(' ') ?? '',
      size_ml: paint.sizeMl,
      price_cents: paint.priceCents,
      currency: paint.currency,
      claims: paint.claims.join(';'),
      ground: paint.ground,
      flop: paint.flop,
      formerly: paint.formerly.join(';'),
      thinner: paint.thinner,
      thin_ratio: paint.thinRatio ?? '',
      recoat_min: paint.dries.recoat ?? '',
      mask_min: paint.dries.mask ?? '',
      cure_min: paint.dries.cure ?? '',
      drawer_ml: paint.bottles.length > 0 ? paint.ownedMl : '',
      opened_on: paint.bottles[0]?.openedOn ?? '',
      condition: paint.bottles[0]?.condition ?? '',
    })),
    ...sets.map((set) => ({
      line: set.line,
      number: set.number,
      name: set.name,
      kind: 'set',
      price_cents: set.priceCents,
      currency: set.currency,
      scheme: set.scheme,
      contents: set.contents.join(';'),
    })),
  ];
  return writeTable([...new Set(rows.flatMap((row) => Object.keys(row)))], rows);
}
