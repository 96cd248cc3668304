import { BLANK_SOURCE } from '@/core/kept/blank';
import { sourceFields, type Fields } from '@/core/kept/records';
import { readDates, type DateSpan } from '@/core/units/date-words';
import { counted } from '@/core/units/words';
import { meant, SOURCE_WORDS } from './cell-words';
import { SOURCE_COLUMN_KINDS } from './column-kinds';
import type { Reading } from './columns';
import { readAs, RowReader, type RowFault, type TableShape } from './table';

/** Sources as a list that somebody keeps: any table of them, or their titles one in a line. */

/** A source of a table with the titles that it derives from, which may stand further down in the same table. */
export interface SourceRow {
  row: number;
  source: Fields<'source'>;
  derivedFromTitles: string[];
}
export interface SourcesRead {
  shape: TableShape;
  rows: SourceRow[];
  faults: RowFault[];
  understood: string[];
}

/** Zones by what a table calls them, in small letters: their keys and their titles. */
export const zonesByName = (zones: readonly { key: string; title: string }[]): ReadonlyMap<string, string> =>
  new Map(zones.flatMap(({ key, title }) => [key, title].map((name) => [name.toLowerCase(), key] as const)));

/** Zones by key or title. Columns are guessed, or read as `reading` says; a source of which no kind is said is of another kind. */
export function readSources(
  text: string,
  zones: readonly { key: string; title: string }[],
  reading: Reading | null = null,
): SourcesRead {
  const table = readAs(text, SOURCE_COLUMN_KINDS, reading);
  const faults = [...table.faults];
  if (!table.heads.includes('title'))
    faults.push({
      row: 1,
      field: '',
      says: `which column is the title of a source? There are ${table.shape.heads.join(', ') || 'none'}`,
    });
  const byName = zonesByName(zones);
  const rows = table.rows.flatMap(({ row, cells }): SourceRow[] => {
    const reader = new RowReader(row, cells);
    const made = readRow(reader, byName);
    faults.push(...reader.faults);
    return made && reader.faults.length === 0 ? [made] : [];
  });
  const undated = rows.filter(({ source }) => !source.dateFrom && !source.dateTo).length;
  return {
    shape: table.shape,
    rows,
    faults: faults.sort((a, b) => a.row - b.row),
    understood: [counted(rows.length, 'source'), ...(undated > 0 ? [`${undated} undated`] : [])],
  };
}

const listOf = (cell: string) =>
  cell
    .split('|')
    .map((item) => item.trim())
    .filter(Boolean);

function readRow(row: RowReader, byName: ReadonlyMap<string, string>): SourceRow | null {
  const dates = datesOf(row);
  const kind = row.has('kind') ? (meant(SOURCE_WORDS, row.text('kind')) ?? row.text('kind')) : 'other';
  const source = sourceFields.safeParse({
    ...BLANK_SOURCE,
    title: row.text('title'),
    kind,
    dateFrom: dates.from,
    dateTo: dates.to,
    place: row.text('place'),
    citation: row.text('citation'),
    page: row.text('page'),
    film: row.text('film', 'unknown'),
    sides: listOf(row.text('sides')),
    zones: listOf(row.text('zones')).flatMap((name) => {
      const key = byName.get(name.toLowerCase());
      if (!key) row.fault('zones', `there is no zone "${name}" on this airframe`);
      return key ? [key] : [];
    }),
    grade: row.number('grade') ?? 1,
    gradeReason: row.text('grade_reason'),
  });
  if (!source.success) {
    row.complain(source.error);
    return null;
  }
  return { row: row.row, source: source.data, derivedFromTitles: listOf(row.text('derived_from')) };
}

/** By one column or by two; of two, each may say more than a day. */
function datesOf(row: RowReader): DateSpan {
  const read = (field: string): DateSpan | null => {
    const text = row.text(field);
    // A day that is written as one and is none is told as such.
    if (/^\d{4}-\d{2}-\d{2}$/.test(text)) return { from: text, to: text };
    const dates = readDates(text);
    if (!dates) row.fault(field, `"${text}" is no date that could be meant in one way`);
    return dates;
  };
  if (row.has('dated')) return read('dated') ?? { from: null, to: null };
  return { from: read('dated_from')?.from ?? null, to: read('dated_to')?.to ?? null };
}
