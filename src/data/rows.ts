import type { z } from 'zod';
import { asKept } from '@/core/kept/as-kept';
import { RECORDS, type Kept, type RecordName } from '@/core/kept/records';

/** A row of the database as plain values, under its column names. */
export type Row = Record<string, unknown>;

/** The columns of each record that its fields fill, beside id, version and brief. */
const columnOf = (field: string) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

export const columnsOf = (name: RecordName): string[] => Object.keys(RECORDS[name].shape).map(columnOf);

export const toRow = (fields: object): Row =>
  Object.fromEntries(Object.entries(fields).map(([key, value]) => [columnOf(key), value]));

/** A database row as the record it holds: camel case, and only its known fields with identity and version. */
export function fromRow<N extends RecordName>(name: N, row: Row): Kept<N> {
  const kept: Record<string, unknown> = { id: row.id, version: row.version };
  for (const [field, column, schema] of fieldsOf(name)) if (column in row) kept[field] = asKept(schema, row[column]);
  return kept as Kept<N>;
}

type Field = readonly [field: string, column: string, schema: z.ZodType];
const FIELDS = new Map<RecordName, readonly Field[]>();
function fieldsOf(name: RecordName): readonly Field[] {
  const known = FIELDS.get(name);
  if (known) return known;
  const fields = Object.entries(RECORDS[name].shape as Record<string, z.ZodType>).map(([field, schema]): Field => [
    field,
    columnOf(field),
    schema,
  ]);
  FIELDS.set(name, fields);
  return fields;
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
  'house',
  'decal_sheet',
  'technique',
]);
export const isShared = (name: RecordName): boolean => SHARED.has(name);

/** The brief that a row belongs to; null for what all share. */
export const briefOfRow = (name: RecordName, row: Row): string | null =>
  isShared(name) ? null : ((name === 'brief' ? row.id : row.brief_id) as string);
