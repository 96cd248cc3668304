import type { Pigment } from '@/core/colour/kubelka-munk';
import type { Paint } from './catalogue';
import { pigmentOf, type KnownPigment, type PaintData } from './pigment';

/** The white that 1:4 tints were made with unless a curve says otherwise: a dense titanium white. */
const TINT_WHITE: Pigment = pigmentOf({ colour: [96, -0.5, 1.5], opacity: 'opaque' }).pigment;
/** Seen reflectances of the cards that coats were laid on. */
const BLACK_CARD = Array.from({ length: 31 }, () => 0.01);
const WHITE_CARD = Array.from({ length: 31 }, () => 0.8);

type Known = Pick<Paint, 'lab' | 'opacity' | 'data' | 'sd' | 'bottles'>;

/** What is known of a paint, best information first; null where nothing is. */
export function dataOf({ lab, opacity, data }: Pick<Paint, 'lab' | 'opacity' | 'data'>): PaintData | null {
  if (data?.K && data.S) return { pigment: { K: data.K, S: data.S } };
  if (data?.overBlack && data.overWhite)
    return { overBlack: data.overBlack, overWhite: data.overWhite, blackCard: BLACK_CARD, whiteCard: WHITE_CARD };
  const colour = data?.reflectance ?? lab;
  if (!colour) return null;
  if (data?.contrastRatio !== undefined) return { colour, contrastRatio: data.contrastRatio };
  if (data?.tint14) return { colour, tint14: data.tint14, white: TINT_WHITE };
  return { colour, opacity };
}

/**
 * The constants of a paint as it stands in the drawer: from its colour data, as strong as its fullest bottle was found to tint.
 * Null where no colour is known.
 */
export function pigmentOfPaint(paint: Known): KnownPigment | null {
  const data = dataOf(paint);
  if (!data) return null;
  const known = pigmentOf(data);
  const strength = strengthOf(paint.bottles);
  return {
    ...known,
    // A paint's own uncertainty comes on top of what mixing adds.
    sd: Math.hypot(known.sd, paint.sd),
    pigment: strength === 1 ? known.pigment : scaled(known.pigment, strength),
  };
}

/** The learnt strength of the bottle that is used: the fullest. */
export const strengthOf = (bottles: Paint['bottles']): number =>
  [...bottles].sort((a, b) => b.mlLeft - a.mlLeft)[0]?.strength ?? 1;

/** A drop that tints like so many drops. */
export const scaled = ({ K, S }: Pigment, strength: number): Pigment => ({
  K: K.map((value) => value * strength),
  S: S.map((value) => value * strength),
});

/** Metallics, clears, washes and pigments are not mixed by this model. */
export const isMixable = (paint: Pick<Paint, 'kind' | 'lab' | 'data'>): boolean =>
  paint.kind === 'solid' && dataOf({ ...paint, opacity: 'opaque' }) !== null;
