import { z } from 'zod';
import { colourOfRow } from '@/core/interchange/colour-cells';
import { RowReader } from '@/core/interchange/table';
import { Refused } from './answer';

/** A colour in any of the forms that a person may have it in. */
export const colourGiven = z.object({
  hex: z.string().optional(),
  munsell: z.string().optional(),
  reflectance: z.string().optional(),
  L: z.number().optional(),
  a: z.number().optional(),
  b: z.number().optional(),
});

/** The form's field for each cell that colours are read from. */
const FIELD_OF_CELL: Record<string, string> = { white: 'L' };

/** The colour that was given; null where none was. Throws Refused at the field that cannot be read. */
export function colourFrom(given: z.infer<typeof colourGiven>) {
  const text = (value: number | undefined) => (value === undefined ? '' : String(value));
  const row = new RowReader(1, {
    hex: given.hex ?? '',
    munsell: given.munsell ?? '',
    reflectance: given.reflectance ?? '',
    l: text(given.L),
    a: text(given.a),
    b: text(given.b),
  });
  const colour = colourOfRow(row);
  const [fault] = row.faults;
  if (fault) throw new Refused(FIELD_OF_CELL[fault.field] ?? fault.field, fault.says);
  return colour;
}
