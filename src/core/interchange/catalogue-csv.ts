import { bottleFields, paintFields, paintLineFields, paintSetFields, type Fields } from '@/core/kept/records';
import type { PaintSet } from '@/core/match/sets';
import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { counted } from '@/core/units/words';
import { colourOfRow } from './colour-cells';
import { differencesOf } from '@/core/kept/act-words';
import {
  CHEMISTRY_WORDS,
  FINISH_WORDS,
  KIND_WORDS,
  meant,
  OPACITY_WORDS,
  priceWritten,
  shareLeft,
  wordOf,
} from './cell-words';
import { CATALOGUE_COLUMNS } from './column-kinds';
import type { Reading } from './columns';
import { readAs, RowReader, writeTable, type RowFault, type TableAsk, type TableShape } from './table';

/** The catalogue of paints, with what the drawer holds, as a table: see docs/formats/catalogue.md. */

export interface CatalogueRow {
  row: number;
  line: Fields<'paint_line'>;
  paint: Omit<Fields<'paint'>, 'lineId'>;
  /** What the table says of the paint; the rest stands as it is with new paints. */
  given: readonly PaintField[];
  bottle: Omit<Fields<'bottle'>, 'paintId'> | null;
}
/** Paints that are sold together: a row of the kind `set`. */
export interface SetRow {
  row: number;
  line: Fields<'paint_line'>;
  set: Omit<Fields<'paint_set'>, 'lineId'>;
}
export type PaintField = keyof Omit<Fields<'paint'>, 'lineId'>;
export interface CatalogueRead {
  shape: TableShape;
  rows: CatalogueRow[];
  sets: SetRow[];
  faults: RowFault[];
  understood: string[];
}

/** What a list of paints often leaves out, since it is the same for all of them. */
const ASKS: readonly TableAsk[] = [
  {
    field: 'chemistry',
    title: 'Their chemistry',
    options: CHEMISTRY_NAMES.map((value) => ({ value, label: CHEMISTRIES[value].title })),
  },
  { field: 'drawer_ml', title: 'they are in the drawer', options: [] },
];

/** Under which a paint stands of which no line is said. */
export const NO_LINE = 'My paints';

/**
 * Reads a catalogue, or any list of paints; rows with faults are named and left out. Columns are guessed, or read as `reading` says. A paint
 * without a number is known by its name.
 */
export function readCatalogue(text: string, reading: Reading | null = null): CatalogueRead {
  const table = readAs(text, CATALOGUE_COLUMNS, reading);
  const faults = [...table.faults];
  if (!table.heads.includes('name') && !table.heads.includes('number'))
    faults.push({
      row: 1,
      field: '',
      says: `which column is the name or the number of a paint? There are ${table.shape.heads.join(', ') || 'none'}`,
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
  const said = (field: string) => table.heads.includes(field);
  return {
    shape: { ...table.shape, asks: ASKS.filter(({ field }) => !table.shape.reading.columns.includes(field)) },
    rows,
    sets,
    faults: faults.sort((a, b) => a.row - b.row),
    understood: [
      `${counted(rows.length, 'paint')} of ${counted(new Set(rows.map(({ line }) => line.name)).size, 'line')}`,
      ...(sets.length > 0 ? [counted(sets.length, 'set')] : []),
      ...(without > 0
        ? [`${without} without a colour: chosen by name, and neither compared nor mixed until measured`]
        : []),
      ...(rows.length > 0 && !said('chemistry') ? ['no chemistry is said: taken as water-based acrylic'] : []),
      ...(rows.length > 0 && !said('line') ? [`no line is said: taken as “${NO_LINE}”`] : []),
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

/** In cents, by either of the two columns, with its currency where it stands beside it; null where none is given. */
function priceOf(row: RowReader): { cents: number | null; currency: string } {
  const currency = row.text('currency').toUpperCase();
  if (row.has('price_cents')) return { cents: row.number('price_cents'), currency: currency || 'EUR' };
  const written = row.has('price') ? priceWritten(row.text('price')) : null;
  if (row.has('price') && !written) row.fault('price', `"${row.text('price')}" is no number`);
  const price = written && row.numberIn('price', written.figure);
  return {
    cents: typeof price === 'number' ? Math.round(price * 100) : null,
    currency: currency || written?.currency || 'EUR',
  };
}

const lineOf = (row: RowReader, lines: ReadonlyMap<string, Fields<'paint_line'>>) =>
  paintLineFields.safeParse({
    name: row.says('line') ? row.text('line') : NO_LINE,
    chemistry: row.has('chemistry')
      ? (meant(CHEMISTRY_WORDS, row.text('chemistry')) ?? row.text('chemistry').toUpperCase())
      : (lines.get(row.text('line', NO_LINE))?.chemistry ?? 'WA'),
    thinner: row.text('thinner'),
    thinRatio: row.number('thin_ratio'),
    recoatMin: row.number('recoat_min'),
    maskMin: row.number('mask_min'),
    cureMin: row.number('cure_min'),
  });

function readSet(row: RowReader, lines: Map<string, Fields<'paint_line'>>): SetRow | null {
  const line = lineOf(row, lines);
  const price = priceOf(row);
  const set = setInTable.safeParse({
    number: row.text('number'),
    name: row.text('name'),
    scheme: row.text('scheme'),
    contents: row.list('contents'),
    priceCents: price.cents ?? 0,
    currency: price.currency,
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
  const kind = wordOf(KIND_WORDS, row.text('kind'), 'solid');
  const price = priceOf(row);
  const sizeMl = row.millilitres('size_ml') ?? USUAL_ML;
  const number = row.text('number', row.says('number') && !row.has('name') ? '' : row.text('name'));
  const paint = paintInTable.safeParse({
    number,
    // What is known by its name alone is not called by it twice.
    name: row.has('number') ? row.text('name') : '',
    kind,
    finish: wordOf(FINISH_WORDS, row.text('finish'), 'matt'),
    opacity: opacityOf(wordOf(OPACITY_WORDS, row.text('opacity'), 'opaque'), kind),
    lab: colour ? [...colour.lab] : null,
    sd: row.number('sd') ?? colour?.sd ?? 0,
    sizeMl,
    priceCents: price.cents,
    currency: price.currency,
    claims: row.list('claims'),
    ground: row.text('ground').toLowerCase(),
    flop: row.text('flop').toLowerCase(),
    formerly: row.list('formerly'),
    data: Object.values(data).some((value) => value !== undefined) ? data : null,
  });
  if (!line.success) row.complain(line.error);
  if (!paint.success) row.complain(paint.error);
  const ml = drawerMl(row, sizeMl);
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
  return {
    row: row.row,
    line: line.data,
    paint: paint.data,
    given: givenBy(row, paint.data),
    bottle: bottle?.data ?? null,
  };
}

/** A bottle where nobody says how large it is, ml. */
const USUAL_ML = 17;

/** What is owned: millilitres, a word ("half", "yes"), or bottles by their number; null where none is, or nothing is said. */
function drawerMl(row: RowReader, sizeMl: number): number | null {
  if (row.has('drawer_ml')) {
    const share = shareLeft(row.text('drawer_ml'));
    if (share !== null) return share > 0 ? share * sizeMl : null;
    return row.millilitres('drawer_ml');
  }
  if (!row.has('bottles')) return null;
  const share = shareLeft(row.text('bottles'));
  const count = share ?? row.number('bottles');
  return count ? count * sizeMl : null;
}

/** Which cells say which fields of a paint. */
const FIELD_OF: readonly (readonly [cell: string, field: PaintField])[] = [
  ['kind', 'kind'],
  ['finish', 'finish'],
  ['opacity', 'opacity'],
  ['sd', 'sd'],
  ['size_ml', 'sizeMl'],
  ['claims', 'claims'],
  ['ground', 'ground'],
  ['flop', 'flop'],
  ['formerly', 'formerly'],
];

function givenBy(row: RowReader, paint: CatalogueRow['paint']): PaintField[] {
  return [
    'number',
    ...FIELD_OF.flatMap(([cell, field]) => (row.has(cell) ? [field] : [])),
    ...(paint.name ? (['name'] as const) : []),
    ...(paint.lab ? (['lab', 'sd'] as const) : []),
    ...(paint.priceCents === null ? [] : (['priceCents', 'currency'] as const)),
    ...(paint.data ? (['data'] as const) : []),
  ];
}

/** A paint that is there as a table says it: what the table does not say stays. */
export function asTableSays<P extends CatalogueRow['paint']>(
  now: P,
  { paint, given }: Pick<CatalogueRow, 'paint' | 'given'>,
): P {
  const said = Object.fromEntries(given.map((field) => [field, paint[field]]));
  const known = Object.entries(paint.data ?? {}).filter(([, value]) => value !== undefined);
  return {
    ...now,
    ...said,
    formerly: [...new Set([...now.formerly, ...paint.formerly])],
    data: paint.data ? { ...now.data, ...Object.fromEntries(known) } : now.data,
  };
}

/** One field of a paint that a table would change. */
export interface PaintChange {
  label: string;
  field: string;
  before: string;
  after: string;
}

/** What taking a table would change of the paints that are there, old beside new. */
export function catalogueChanges(
  read: readonly Pick<CatalogueRow, 'line' | 'paint' | 'given'>[],
  paints: readonly Paint[],
  asCodes: (claims: readonly string[]) => string[],
): PaintChange[] {
  const known = new Map(paints.map((paint) => [paintLabel(paint), paint]));
  return read.flatMap(({ line, paint, given }) => {
    const now = known.get(paintLabel({ line: line.name, number: paint.number }));
    if (!now) return [];
    const fields = paintInTable.safeParse(Object.fromEntries(PAINT_FIELDS.map((field) => [field, now[field]])));
    if (!fields.success) return [];
    const wanted = asTableSays(fields.data, { paint: { ...paint, claims: asCodes(paint.claims) }, given });
    return differencesOf({ entity: 'paint', before: fields.data, after: wanted }).map((difference) => ({
      label: paintLabel(now),
      ...difference,
    }));
  });
}
const PAINT_FIELDS = Object.keys(paintFields.omit({ lineId: true }).shape) as PaintField[];

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
      price_cents: paint.priceCents ?? '',
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
