import { z } from 'zod';

/** Film that a printer at home prints on. */
export const FILMS = ['clear', 'white'] as const;
/** What is white under a print on clear film, which lets the ground through. */
export const WHITES = ['none', 'painted', 'printed', 'spare decal'] as const;

/** How a marking is printed at home. */
export const printingFields = z.strictObject({
  film: z.enum(FILMS, { error: `Film: one of ${FILMS.join(', ')}` }).default('clear'),
  white: z.enum(WHITES, { error: `White under it: one of ${WHITES.join(', ')}` }).default('none'),
  /** Printed beside those that are placed. */
  spares: z
    .number({ error: 'Spares: a number is needed' })
    .int('Spares: a whole number')
    .min(0, 'Spares: never below 0')
    .max(40, 'Spares: at most 40')
    .default(1),
  /** A transfer is printed as in a mirror, and laid face down. */
  mirrored: z.boolean().default(false),
});
export type Printing = z.infer<typeof printingFields>;
export const PLAIN_PRINTING: Printing = printingFields.parse({});
