import { z } from 'zod';
import { choice, id, line, needed, number, optionalDay, prose } from '../fields';
import { OPTION_CHOICES, OPTION_NAMES, type OptionName } from '@/core/kit/options';
import { PAINTED_ON, PART_CONDITIONS, PART_ORIGINS } from '@/core/kit/parts';

/** One choice of an option. */
const onOptionFields = z
  .strictObject({ option: z.enum(OPTION_NAMES as [OptionName, ...OptionName[]]), choice: z.string().max(60) })
  .refine(({ option, choice: wanted }) => (OPTION_CHOICES[option].choices as readonly string[]).includes(wanted), {
    message: 'Only with: no such choice',
  });

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
  replacesIds: z
    .array(id)
    .max(20, 'Used instead of: at most 20 parts')
    .refine((ids) => new Set(ids).size === ids.length, 'Used instead of: each part once')
    .default([]),
  /** The set that it comes in; its number is that on the fret then. */
  setTitle: line('Set', 60).default(''),
  /** Wanted with this choice of an option only; null where always. */
  onOption: onOptionFields.nullable().default(null),
  condition: choice('Condition', PART_CONDITIONS),
  codes: z.array(needed('Colour code', 60)).max(6, 'Colours: at most six'),
  painted: choice('Painted', PAINTED_ON),
  /** The day on which it is expected; null where it is there. */
  orderedUntil: optionalDay('Ordered until'),
  note: prose('Note', 500),
});
