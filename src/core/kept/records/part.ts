import { z } from 'zod';
import { choice, id, line, needed, number, optionalDay, prose } from '../fields';
import { PAINTED_ON, PART_CONDITIONS, PART_ORIGINS } from '@/core/kit/parts';

export const partFields = z.strictObject({
  sprue: line('Sprue', 10),
  number: needed('Number', 12),
  name: line('Name', 80),
  count: number('Count')
    .int('Count: a whole number')
    .min(1, 'Count: at least 1')
    .max(500, 'Count: at most 500')
    .default(1),
  /** Of the kit's instructions. */
  instructionStep: line('Instruction step', 20),
  zone: line('Zone', 60),
  origin: choice('Origin', PART_ORIGINS),
  replacesId: id.nullable(),
  condition: choice('Condition', PART_CONDITIONS),
  codes: z.array(needed('Colour code', 60)).max(6, 'Colours: at most six'),
  painted: choice('Painted', PAINTED_ON),
  /** The day on which it is expected; null where it is there. */
  orderedUntil: optionalDay('Ordered until'),
  note: prose('Note', 500),
});
