import { z } from 'zod';
import { munsellToLab } from '@/core/colour/munsell';
import { MunsellFault, parseMunsell } from '@/core/colour/munsell-notation';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import { hexToLab, labFromWhite, labToHex, labToXyz, xyzToLab } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { finite } from './contract';

const labTriple = z
  .array(finite, { error: 'must be three numbers [L, a, b]' })
  .length(3, 'must be three numbers [L, a, b]')
  .refine(([L]) => L! >= 0 && L! <= 100, 'L must lie between 0 and 100')
  .refine(([, a, b]) => Math.abs(a!) <= 200 && Math.abs(b!) <= 200, 'a and b must lie between -200 and 200')
  .transform((lab) => lab as unknown as Lab);

const sd = finite.min(0, 'an uncertainty is never below 0').optional();

const labColour = z
  .strictObject({
    lab: labTriple,
    white: z.enum(['D65', 'D50', 'C', 'A'], { error: 'must be D65, D50, C or A' }).optional(),
    sd,
  })
  .transform((c) => ({ lab: labFromWhite(c.lab, c.white ?? 'D65'), sd: c.sd }));

const hexColour = z
  .strictObject({
    hex: z.string({ error: 'must be text' }).regex(/^#[0-9a-fA-F]{6}$/, 'must be # and six hexadecimal digits'),
    sd,
  })
  .transform((c) => ({ lab: hexToLab(c.hex), sd: c.sd }));

const munsellColour = z.strictObject({ munsell: z.string({ error: 'must be text' }), sd }).transform((c, context) => {
  try {
    return { lab: munsellToLab(parseMunsell(c.munsell)), sd: c.sd };
  } catch (error) {
    if (!(error instanceof MunsellFault)) throw error;
    context.addIssue({ code: 'custom', path: ['munsell'], message: error.message });
    return z.NEVER;
  }
});

const reflectanceColour = z
  .strictObject({
    reflectance: z
      .array(finite.min(0, 'a reflectance lies between 0 and 1').max(1, 'a reflectance lies between 0 and 1'), {
        error: 'must be a list of 31 numbers',
      })
      .length(31, 'must be 31 values, 400 to 700 nm by 10'),
    sd,
  })
  .transform((c) => ({ lab: xyzToLab(reflectanceToXyz(c.reflectance)), sd: c.sd }));

/** A colour in one of the ways of the contracts, read as Lab for D65 with its uncertainty where one was given. */
export interface ColourValue {
  lab: Lab;
  sd?: number;
}

const WAYS = { lab: labColour, hex: hexColour, munsell: munsellColour, reflectance: reflectanceColour } as const;

/** COLOUR of the contracts: exactly one way of stating a colour. */
export const colourValue: z.ZodType<ColourValue> = z.unknown().transform((raw, context): ColourValue => {
  const given =
    typeof raw === 'object' && raw !== null
      ? (Object.keys(WAYS) as (keyof typeof WAYS)[]).filter((way) => way in raw)
      : [];
  if (given.length !== 1) {
    context.addIssue({
      code: 'custom',
      message: 'must state a colour in exactly one way: lab, hex, munsell or reflectance',
    });
    return z.NEVER;
  }
  const parsed = WAYS[given[0]!].safeParse(raw);
  if (parsed.success) return parsed.data as ColourValue;
  for (const issue of parsed.error.issues) context.addIssue({ ...issue } as never);
  return z.NEVER;
}) as unknown as z.ZodType<ColourValue>;

/** VALUES of the contracts. */
export function valuesOf({ lab }: ColourValue) {
  const xyz = labToXyz(lab);
  return { lab: [...lab], xyz: [...xyz], ...labToHex(lab) };
}
