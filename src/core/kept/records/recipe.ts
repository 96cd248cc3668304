import { z } from 'zod';
import { choice, id, labFields, number, optionalDay, prose } from '../fields';
import { TONES } from '@/core/match/mix/tones';

export const recipePart = z.strictObject({
  paintId: id,
  drops: number('Drops').int('Drops: a whole number').min(1, 'Drops: at least 1').max(500, 'Drops: at most 500'),
});
/** A mixture of a brief for a code, or for a tone of it. */
export const recipeFields = z.strictObject({
  codeId: id,
  tone: choice('Tone', TONES),
  parts: z.array(recipePart).min(1, 'Parts: at least one paint').max(8, 'Parts: at most eight'),
  predicted: labFields,
  sd: number('Uncertainty').min(0).max(60),
  observed: labFields.nullable(),
  observedSd: number('Uncertainty').min(0).max(60).nullable(),
  ml: number('Millilitres').min(0.05, 'Millilitres: above 0').max(1000, 'Millilitres: at most 1000').nullable(),
  madeOn: optionalDay('Made'),
  note: prose('Note', 500),
});
