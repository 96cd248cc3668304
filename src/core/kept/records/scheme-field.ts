import { z } from 'zod';
import { choice, needed, number } from '../fields';
import { FIELD_EDGES } from '@/core/scheme/field';
import { fieldShape } from '@/core/scheme/field-shape';

/** An area of one colour of the scheme, drawn in a view. */
export const schemeFieldFields = z.strictObject({
  title: needed('Title', 80),
  code: needed('Colour code', 60),
  shape: fieldShape,
  mirrored: z.boolean(),
  keptTo: z.array(needed('Zone', 60)).max(100, 'Zones: at most 100').default([]),
  edge: choice('Edge', FIELD_EDGES),
  softMm: number('Soft edge').min(0, 'Soft edge: never below 0').max(3000, 'Soft edge: at most 3 m').default(0),
  rank: number('Rank').int('Rank: a whole number is needed').min(0).max(10_000).default(0),
});
