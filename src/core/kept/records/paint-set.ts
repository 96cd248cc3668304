import { z } from 'zod';
import { id, line, needed } from '../fields';
import { paintFields } from './paint';

/** Paints of one line that are sold together, and the scheme that they are meant for. */
export const paintSetFields = z.strictObject({
  lineId: id,
  number: needed('Number', 20),
  name: line('Name', 60),
  scheme: line('Scheme', 120),
  /** Numbers of its paints in the line. */
  contents: z
    .array(needed('Contents', 20))
    .min(1, 'Contents: at least one number')
    .max(40, 'Contents: at most 40 numbers'),
  priceCents: paintFields.shape.priceCents.unwrap().unwrap(),
  currency: paintFields.shape.currency,
});
