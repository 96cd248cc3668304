import { z } from 'zod';
import { choice, id, labFields, line, number, prose } from '../fields';
import { CHIP_ORIGINS } from '@/core/colour/chips';

export const chipFields = z.strictObject({
  codeId: id,
  lab: labFields,
  origin: choice('Origin', CHIP_ORIGINS),
  sd: number('Uncertainty').min(0, 'Uncertainty: never below 0').max(30, 'Uncertainty: at most 30'),
  instrument: line('Instrument', 80).default(''),
  batch: line('Batch', 40).default(''),
  leftOut: z.boolean().default(false),
  note: prose('Note', 300),
});
