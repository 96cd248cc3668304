import { RECORDS, type Kept, type RecordName } from '@/core/kept/records';

/** A row of the database as plain values, under its column names. */
export type Row = Record<string, unknown>;

/** The columns of each record that its fields fill, beside id, version and brief. */
const columnOf = (field: string) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const fieldOf = (column: string) => column.replace(/_([a-z])/g, (_, letter: string) => letter.toUpperCase());

export const columnsOf = (name: RecordName): string[] => Object.keys(RECORDS[name].shape).map(columnOf);

export const toRow = (fields: object): Row =>
  Object.fromEntries(Object.entries(fields).map(([key, value]) => [columnOf(key), value]));

/** A database row as the record it holds: camel case, and only its known fields with identity and version. */
export function fromRow<N extends RecordName>(name: N, row: Row): Kept<N> {
  const known = new Set(['id', 'version', ...columnsOf(name)]);
  return Object.fromEntries(
    Object.entries(row)
      .filter(([column]) => known.has(column))
      .map(([column, value]) => [fieldOf(column), value]),
  ) as Kept<N>;
}

/** Records that belong to the house rather than to one brief. */
export const SHARED: ReadonlySet<RecordName> = new Set([
  'colour_system',
  'colour_code',
  'code_relation',
  'chip',
  'paint_line',
  'paint',
  'paint_set',
  'bottle',
  'tool',
  'decal_sheet',
  'technique',
]);
export const isShared = (name: RecordName): boolean => SHARED.has(name);

/** The brief that a row belongs to; null for what all share. */
export const briefOfRow = (name: RecordName, row: Row): string | null =>
  isShared(name) ? null : ((name === 'brief' ? row.id : row.brief_id) as string);
