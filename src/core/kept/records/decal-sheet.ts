import { z } from 'zod';
import { choice, needed, number, prose } from '../fields';
import { SHEET_CONDITIONS, sheetItem } from '@/core/markings/decal-sheet';
import { FIRST_YEAR, LAST_YEAR } from '@/core/units/day';

/** A sheet of decals that the house owns. */
export const decalSheetFields = z.strictObject({
  title: needed('Title', 80),
  denominator: number('Scale')
    .int('Scale: a whole number is needed')
    .min(4, 'Scale: from 1/4')
    .max(700, 'Scale: to 1/700'),
  printedOn: number('Year')
    .int('Year: a whole number is needed')
    .min(FIRST_YEAR, `Year: from ${FIRST_YEAR}`)
    .max(LAST_YEAR, `Year: to ${LAST_YEAR}`)
    .nullable()
    .default(null),
  filmUm: number('Film').gt(0, 'Film: above 0').max(500, 'Film: at most 500 µm').nullable().default(null),
  condition: choice('Condition', SHEET_CONDITIONS),
  note: prose('Note', 500),
  items: z
    .array(sheetItem)
    .max(300, 'Items: at most 300')
    .refine((items) => new Set(items.map(({ key }) => key)).size === items.length, 'Items: each needs a key of its own')
    .default([]),
});
