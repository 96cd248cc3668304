import { capped } from '@/core/units/words';
import { z } from 'zod';
import type { RowFault } from '@/core/interchange/table';

/** A table on its way in: what was understood, what was not, and what taking it would do. */
export interface TableRead {
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

export const asRead = ({
  understood,
  faults,
  rows: read,
}: {
  understood: string[];
  faults: RowFault[];
  rows: unknown[];
}): TableRead => ({
  understood,
  rows: read.length,
  faults: capped(faults, MOST_FAULTS, (left) => ({ row: 0, field: '', says: `and ${left} more` })),
});
