import { BANDS, innerOf, masstone, overGround, ratioOf, seen, type Pigment } from '@/core/colour/kubelka-munk';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import { labToXyz, xyzToLab } from '@/core/colour/spaces';
import type { Lab, Reflectance } from '@/core/colour/types';
import { upsample } from '@/core/colour/upsample';
import { remembering } from '@/core/units/remembered';
import type { Opacity } from './catalogue';

/** What is known of a paint's colour, from nothing but a Lab to its constants. */
export type PaintData =
  | { pigment: Pigment }
  | { overBlack: Reflectance; overWhite: Reflectance; blackCard: Reflectance; whiteCard: Reflectance }
  | { colour: Lab | Reflectance; tint14: Lab | Reflectance; white: Pigment }
  | { colour: Lab | Reflectance; contrastRatio: number }
  | { colour: Lab | Reflectance; opacity: Opacity }
  | { colour: Lab | Reflectance };

/** Constants with the mean error, dE00, that mixtures made from such data had in synthetic trials. */
export interface KnownPigment {
  pigment: Pigment;
  /** Expected error of a mixture of paints known as well as this one. */
  sd: number;
  /** What it was derived from, for whoever asks. */
  from: string;
}

/** Contrast ratios (Y over black / Y over white, one full coat) that the classes of opacity stand for. */
export const CLASS_CONTRAST: Record<Opacity, { ratio: number; reason: string }> = {
  opaque: { ratio: 0.98, reason: 'the usual limit of complete hiding' },
  semi: { ratio: 0.92, reason: 'one or two coats hide; fitted to bench practice, not measured' },
  weak: {
    ratio: 0.82,
    reason: 'three or four coats hide, as white, yellow and red often take; fitted to bench practice, not measured',
  },
  transparent: { ratio: 0.6, reason: 'inks, clears and glazes: the ground shows through several coats' },
};
/** Cards of the contrast ratio: seen reflectance of their black and their white (ISO 6504-3). */
const BLACK_CARD = 0.01;
const WHITE_CARD = 0.8;
/** Parts of white to one of paint in a 1:4 tint. */
const TINT_PARTS = 4;

const isLab = (colour: Lab | Reflectance): colour is Lab => colour.length === 3;
const curveOf = (colour: Lab | Reflectance): Reflectance => (isLab(colour) ? upsample(colour) : colour);
const ofCurve = (curve: Reflectance) =>
  curve.map((value) => ratioOf(innerOf(Math.min(0.995, Math.max(0.0005, value)))));

/** A builder's whole shelf. */
const remember = remembering<KnownPigment>(4000);

/** Derives absorption and scattering from what is known of a paint, best information first. */
export const pigmentOf = (data: PaintData): KnownPigment =>
  'pigment' in data
    ? { pigment: data.pigment, sd: 0.3, from: 'its constants' }
    : remember(JSON.stringify(data), () => derived(data));

function derived(data: Exclude<PaintData, { pigment: Pigment }>): KnownPigment {
  if ('overBlack' in data) return { pigment: fromCards(data), sd: 1, from: 'curves over a black and a white card' };
  const curve = curveOf(data.colour);
  const ratios = ofCurve(curve);
  if ('tint14' in data) {
    const both = !isLab(data.colour) && !isLab(data.tint14);
    return {
      pigment: fromTint(ratios, ofCurve(curveOf(data.tint14)), data.white, both),
      sd: both ? 0.5 : 1.7,
      from: both ? 'curves of the paint and of a tint' : 'its colour and a 1:4 tint',
    };
  }
  if ('contrastRatio' in data)
    return {
      pigment: withScatter(ratios, solveScatter(ratios, data.contrastRatio)),
      sd: 1.4,
      from: 'its colour and contrast ratio',
    };
  if ('opacity' in data)
    return {
      pigment: withScatter(ratios, solveScatter(ratios, CLASS_CONTRAST[data.opacity].ratio)),
      sd: 2,
      from: `its colour and being ${data.opacity}`,
    };
  const luminance = isLab(data.colour) ? labToXyz(data.colour)[1] : reflectanceToXyz(data.colour)[1];
  return { pigment: withScatter(ratios, Math.max(0.02, luminance) ** 0.6), sd: 3.4, from: 'its colour alone' };
}

const withScatter = (ratios: readonly number[], scatter: number): Pigment => ({
  K: ratios.map((ratio) => ratio * scatter),
  S: ratios.map(() => scatter),
});

/** The flat scattering with which one full coat has a contrast ratio, by bisection on its logarithm. */
function solveScatter(ratios: readonly number[], wanted: number): number {
  const contrast = (scatter: number) => {
    const over = (card: number) =>
      reflectanceToXyz(ratios.map((ratio) => seen(overGround(ratio * scatter, scatter, 1, innerOf(card)))))[1];
    return over(BLACK_CARD) / over(WHITE_CARD);
  };
  let [low, high] = [Math.log(1e-3), Math.log(1e3)];
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (contrast(Math.exp(middle)) < wanted) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}

/** S per band from K/S of the paint and of a tint of one part in four of a white; the median of what comes out where a band fails. */
function fromTint(ratios: readonly number[], tint: readonly number[], white: Pigment, perBand: boolean): Pigment {
  const scatter = ratios.map((ratio, i) => {
    const found = (TINT_PARTS * (tint[i]! * white.S[i]! - white.K[i]!)) / (ratio - tint[i]!);
    return Number.isFinite(found) && found > 1e-4 && found < 1e4 ? found : null;
  });
  const middle = medianOf(scatter) ?? 1;
  const S = scatter.map((value) => (perBand ? (value ?? middle) : middle));
  return { K: ratios.map((ratio, i) => ratio * S[i]!), S };
}

/** The two-backing inversion (Kubelka 1948) of curves over a black and a white card. */
function fromCards(data: Extract<PaintData, { overBlack: Reflectance }>): Pigment {
  const bands = Array.from({ length: BANDS }, (_, i) => {
    const [r1, g1] = [innerOf(data.overBlack[i]!), innerOf(data.blackCard[i]!)];
    const [r2, g2] = [innerOf(data.overWhite[i]!), innerOf(data.whiteCard[i]!)];
    const a = ((1 + r2 * g2) * (r1 - g1) - (1 + r1 * g1) * (r2 - g2)) / (2 * (r1 * g2 - r2 * g1));
    const b = Math.sqrt(a * a - 1);
    const B = (1 - a * (r1 + g1) + r1 * g1) / (r1 - g1);
    const S = (0.5 * Math.log((B / b + 1) / (B / b - 1))) / b;
    return a > 1 && Number.isFinite(S) && S > 0 ? { a, S } : null;
  });
  const middle = medianOf(bands.map((band) => band?.S ?? null)) ?? 1;
  // A band that cannot be inverted hides well: what is seen over white is its masstone.
  const a = bands.map((band, i) => band?.a ?? 1 + ratioOf(innerOf(Math.max(0.001, data.overWhite[i]!))));
  const S = bands.map((band) => band?.S ?? middle);
  return { K: S.map((s, i) => s * (a[i]! - 1)), S };
}

function medianOf(values: readonly (number | null)[]): number | null {
  const sorted = values.filter((value): value is number => value !== null).sort((x, y) => x - y);
  return sorted.length === 0 ? null : sorted[Math.floor(sorted.length / 2)]!;
}

/** The colour of a thick coat. */
export const labOfPigment = (pigment: Pigment): Lab => xyzToLab(reflectanceToXyz(masstone(pigment)));
