import { z } from 'zod';
import { choice, id, needed, number, prose } from '../fields';
import { marksSchema } from '@/core/evidence/picture/marks';
import { CLARITIES } from '@/core/evidence/weights';

export const sightingFields = z.strictObject({
  questionId: id,
  sourceId: id,
  value: needed('What it says', 200),
  sd: number('Plus or minus').min(0, 'Plus or minus: never below 0').nullable(),
  clarity: choice('Clarity', CLARITIES),
  sense: choice('Sense', ['for', 'against'] as const),
  note: prose('Note', 500),
  /** Where in the picture it was measured. */
  marks: marksSchema.nullable(),
});
