import { z } from 'zod';
import { deltaE00 } from '@/core/colour/difference';
import { labToHex } from '@/core/colour/spaces';
import type { Reflectance } from '@/core/colour/types';
import { upsample } from '@/core/colour/upsample';
import { coatsToHide, groundOf, groundOfPaint, layCoats } from '@/core/paint/films';
import { colourValue } from './colour-value';
import { finite, parseInput, type Contract } from './contract';
import { isPaintLike, paintValue } from './paint-value';

/** A ground: a paint in a thick coat, or whatever is seen as a colour. */
const under = z.unknown().transform((raw, context): Reflectance => {
  const parsed = isPaintLike(raw) ? paintValue.safeParse(raw) : colourValue.safeParse(raw);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) context.addIssue({ ...issue } as never);
    return z.NEVER;
  }
  if ('known' in parsed.data) return groundOfPaint(parsed.data.known.pigment);
  const curve = (raw as { reflectance?: number[] }).reflectance;
  return groundOf(curve ?? upsample(parsed.data.lab));
});

const input = z.strictObject(
  {
    under,
    coats: z
      .array(
        z.strictObject({
          paint: paintValue,
          thickness: finite.min(0, 'a thickness is never below 0').max(100, 'a thickness is at most 100').optional(),
        }),
        { error: 'must be a list of coats' },
      )
      .min(1, 'must have at least one coat')
      .max(200, 'must have at most 200 coats'),
    target: colourValue.optional(),
    tolerance: finite.positive('must be above 0').optional(),
  },
  { error: 'must be an object with under and coats' },
);

const FULL_COAT = 1;

/** `layers`: a film over what is under it. */
export const layers: Contract = {
  run(raw) {
    const { under: ground, coats: given, target, tolerance = 1 } = parseInput(input, raw);
    const coats = given.map(({ paint, thickness = FULL_COAT }) => ({ pigment: paint.known.pigment, thickness }));
    return {
      after: layCoats(ground, coats).map(({ coat, lab, dE00ToMasstone }) => ({
        coat,
        lab,
        hex: labToHex(lab).hex,
        dE00ToMasstone,
        ...(target ? { dE00ToTarget: deltaE00(target.lab, lab) } : {}),
      })),
      coatsToHide: coatsToHide(ground, coats, tolerance),
      assumed: { thickness: FULL_COAT, tolerance },
    };
  },
};
