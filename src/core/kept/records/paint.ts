import { z } from 'zod';
import { choice, id, labFields, line, needed, number } from '../fields';
import { FINISHES, FLOPS, METAL_GROUNDS, OPACITIES, PAINT_KINDS } from '@/core/paint/catalogue';

const curve = (title: string) =>
  z
    .array(
      number(title).min(0, `${title}: reflectance runs from 0 to 1`).max(1, `${title}: reflectance runs from 0 to 1`),
    )
    .length(31, `${title}: 31 values are needed, 400 to 700 nm by 10`);
const constants = (title: string) =>
  z.array(number(title).min(0, `${title}: never below 0`)).length(31, `${title}: 31 values are needed`);

/** What is known of a paint's colour beyond its Lab: any of these. */
export const colourDataFields = z.strictObject({
  contrastRatio: number('Contrast ratio')
    .min(0.01, 'Contrast ratio: above 0')
    .max(1, 'Contrast ratio: at most 1')
    .optional(),
  /** One part of the paint in four of white. */
  tint14: labFields.optional(),
  reflectance: curve('Curve').optional(),
  overBlack: curve('Over black').optional(),
  overWhite: curve('Over white').optional(),
  K: constants('K').optional(),
  S: constants('S').optional(),
});

export const paintFields = z.strictObject({
  lineId: id,
  /** Its number, or what it is called where it has none. */
  number: needed('Number', 60),
  name: line('Name', 60),
  kind: choice('Kind', PAINT_KINDS),
  finish: choice('Finish', FINISHES),
  opacity: choice('Opacity', OPACITIES),
  lab: labFields.nullable(),
  sd: number('Uncertainty').min(0, 'Uncertainty: never below 0').max(30, 'Uncertainty: at most 30'),
  sizeMl: number('Bottle').min(1, 'Bottle: at least 1 ml').max(1000, 'Bottle: at most 1000 ml'),
  priceCents: number('Price')
    .int('Price: whole cents')
    .min(0, 'Price: never below 0')
    .max(100_000, 'Price: at most 1000')
    .nullable()
    .default(null),
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'Currency: three capital letters')
    .default('EUR'),
  claims: z.array(needed('Claim', 60)).max(40),
  ground: choice('Ground', METAL_GROUNDS).default(''),
  flop: choice('Flop', FLOPS).default(''),
  /** Numbers it had before: a renamed or merged paint is found by them. */
  formerly: z.array(needed('Former number', 60)).max(40).default([]),
  data: colourDataFields.nullable().default(null),
});
