import { z } from 'zod';
import { BANDS } from '@/core/colour/kubelka-munk';
import type { Lab, Reflectance } from '@/core/colour/types';
import { OPACITIES } from '@/core/paint/catalogue';
import { pigmentOf, type KnownPigment } from '@/core/paint/pigment';
import { finite, text } from './contract';

const bands = (what: string, most = Infinity) =>
  z
    .array(finite.min(0, `${what} is never below 0`).max(most, `${what} lies between 0 and ${most}`), {
      error: `must be a list of ${BANDS} numbers`,
    })
    .length(BANDS, `must be ${BANDS} values, 400 to 700 nm by 10`);
const curve = bands('a reflectance', 1);
const pigment = z.strictObject({ K: bands('an absorption'), S: bands('a scattering') });
const lab = z
  .array(finite, { error: 'must be three numbers [L, a, b]' })
  .length(3, 'must be three numbers [L, a, b]')
  .refine(([L]) => L! >= 0 && L! <= 100, 'L must lie between 0 and 100');

/** What a paint may carry beside its colour; which of it describes the colour decides how it is read. */
const shared = {
  id: text.optional(),
  chemistry: text.optional(),
  finish: text.optional(),
  line: text.optional(),
  owned: z.boolean({ error: 'must be true or false' }).optional(),
  price: finite.min(0, 'a price is never below 0').optional(),
};
const fields = z.strictObject({
  ...shared,
  K: bands('an absorption').optional(),
  S: bands('a scattering').optional(),
  lab: lab.optional(),
  reflectance: curve.optional(),
  contrastRatio: finite.gt(0, 'must be above 0').lt(1, 'must be below 1').optional(),
  opacity: z.enum(OPACITIES, { error: `must be one of ${OPACITIES.join(', ')}` }).optional(),
  overBlack: curve.optional(),
  overWhite: curve.optional(),
  blackCard: curve.optional(),
  whiteCard: curve.optional(),
  tint14: z
    .strictObject({ lab: lab.optional(), reflectance: curve.optional(), white: pigment })
    .refine((tint) => !tint.lab !== !tint.reflectance, 'must state its colour as lab or as reflectance')
    .optional(),
});
type Fields = z.infer<typeof fields>;

/** PAINT of the contracts, with its constants derived. */
export interface PaintValue extends Pick<Fields, 'id' | 'chemistry' | 'finish' | 'line' | 'owned' | 'price'> {
  known: KnownPigment;
}

const MISSING =
  'must say what is known of its colour: K and S, or overBlack, overWhite, blackCard and whiteCard, or lab or reflectance';

export const paintValue: z.ZodType<PaintValue> = fields.transform((given, context): PaintValue => {
  const known = derived(given);
  if (!known) {
    context.addIssue({ code: 'custom', message: MISSING });
    return z.NEVER;
  }
  const { id, chemistry, finish, line, owned, price } = given;
  return { id, chemistry, finish, line, owned, price, known };
}) as unknown as z.ZodType<PaintValue>;

function derived(given: Fields): KnownPigment | null {
  const { K, S, overBlack, overWhite, blackCard, whiteCard, contrastRatio, opacity, tint14 } = given;
  if (K && S) return pigmentOf({ pigment: { K, S } });
  if (overBlack && overWhite && blackCard && whiteCard)
    return pigmentOf({ overBlack, overWhite, blackCard, whiteCard });
  const colour = (given.reflectance ?? given.lab) as Lab | Reflectance | undefined;
  if (!colour) return null;
  if (tint14)
    return pigmentOf({ colour, tint14: (tint14.reflectance ?? tint14.lab) as Lab | Reflectance, white: tint14.white });
  if (contrastRatio !== undefined) return pigmentOf({ colour, contrastRatio });
  return opacity ? pigmentOf({ colour, opacity }) : pigmentOf({ colour });
}

/** A paint or a plain colour: told apart by what only a paint has. */
export const isPaintLike = (raw: unknown): boolean =>
  typeof raw === 'object' &&
  raw !== null &&
  ['K', 'S', 'overBlack', 'contrastRatio', 'opacity', 'tint14', 'id', 'chemistry'].some((field) => field in raw);
