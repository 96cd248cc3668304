import { capped } from '@/core/units/words';
import { z } from 'zod';
import type { PaintChange } from '@/core/interchange/catalogue-csv';
import { readingSchema } from '@/core/interchange/columns';
import type { RowFault, TableShape } from '@/core/interchange/table';

/** A table on its way in: what was understood, what was not, and what taking it would do. */
export interface TableRead {
  /** Its columns and what each is taken for; null where they are not to be chosen. */
  shape: TableShape | null;
  /** What it would change of what is there. */
  changes: PaintChange[];
  understood: string[];
  faults: RowFault[];
  rows: number;
}

const MOST_TEXT = 8_000_000;
export const tableText = z
  .string()
  .min(1, 'The file is empty')
  .max(MOST_TEXT, 'At most 8 MB of text are taken at once');
const MOST_FAULTS = 100;
const MOST_CHANGES = 200;

/** How the reader wants a table to be read; null as it is guessed. */
export const readingAsked = readingSchema.nullable().default(null);

export const asRead = ({
  shape,
  changes = [],
  understood,
  faults,
  rows: read,
}: {
  shape: TableShape | null;
  changes?: PaintChange[];
  understood: string[];
  faults: RowFault[];
  rows: unknown[];
}): TableRead => ({
  shape,
  changes: changes.slice(0, MOST_CHANGES),
  understood: [
    ...understood,
    ...(changes.length > MOST_CHANGES
      ? [`${changes.length} changes, of which the first ${MOST_CHANGES} are shown`]
      : []),
  ],
  rows: read.length,
  faults: capped(faults, MOST_FAULTS, (left) => ({ row: 0, field: '', says: `and ${left} more` })),
});
