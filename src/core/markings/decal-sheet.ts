import { z } from 'zod';
import { inOneLine, isPlainText } from '@/core/units/text';
import { MARKING_KINDS } from './kinds';

export const SHEET_CONDITIONS = ['good', 'yellowed', 'brittle', 'untried'] as const;
export type SheetCondition = (typeof SHEET_CONDITIONS)[number];

const text = (title: string, most: number) =>
  z
    .string()
    .refine(isPlainText, `${title}: it holds signs that are no text`)
    .overwrite(inOneLine)
    .trim()
    .max(most, `${title}: at most ${most} signs`);

/** Something that is printed on a sheet, in a number of equal pieces. */
export const sheetItem = z.strictObject({
  key: z.string().min(1).max(40),
  kind: z.enum(MARKING_KINDS, { error: `Kind: one of ${MARKING_KINDS.join(', ')}` }),
  title: text('Title', 80).min(1, 'Title is needed'),
  letters: text('Letters', 40).default(''),
  /** As measured on the sheet. */
  heightMm: z.number().gt(0, 'Height: above 0').max(1000, 'Height: at most 1 m'),
  count: z.number().int().min(0, 'Count: never below 0').max(500, 'Count: at most 500'),
  spoiled: z.number().int().min(0, 'Spoiled: never below 0').max(500).default(0),
  /** The colour that it was printed in, Lab; null where nobody measured it. */
  lab: z
    .tuple([
      z.number().min(0, 'L*: 0 to 100').max(100, 'L*: 0 to 100'),
      z.number().min(-150, 'a*: -150 to 150').max(150, 'a*: -150 to 150'),
      z.number().min(-150, 'b*: -150 to 150').max(150, 'b*: -150 to 150'),
    ])
    .nullable()
    .default(null),
});
export type SheetItem = z.infer<typeof sheetItem>;
