import cie from './cie-31.json' with { type: 'json' };
import type { Reflectance } from './types';

/**
 * Two-constant theory of paint films (Kubelka, Munk 1931; Kubelka 1948) on 31 bands. K and S are absorption and scattering per unit of
 * thickness; 1 unit is one full wet coat of unthinned paint. Reflectances are `inner` (below the surface of the film) unless called seen.
 */

/** Absorption and scattering of a paint, 31 bands each, never negative. */
export interface Pigment {
  K: readonly number[];
  S: readonly number[];
}

export const BANDS = 31;
const { k1, k2 } = cie.saunderson;

/** What the eye sees of an inner reflectance, specular excluded (Saunderson 1942). */
export const seen = (inner: number): number => ((1 - k1) * (1 - k2) * inner) / (1 - k2 * inner);
/** The inner reflectance behind what is seen. */
export const innerOf = (reflectance: number): number => reflectance / ((1 - k1) * (1 - k2) + k2 * reflectance);

/** Inner reflectance of a film too thick to see through (Kubelka, Munk 1931). 1 where nothing absorbs, 0 where nothing scatters. */
export function thick(K: number, S: number): number {
  if (S === 0) return 0;
  return S / (K + S + Math.sqrt(K * K + 2 * K * S));
}

/** K/S behind an inner reflectance of a thick film. */
export const ratioOf = (inner: number): number => (1 - inner) ** 2 / (2 * inner);

/** A mixture by drops: constants add up in proportion (Duncan 1940). */
export function mixed(parts: readonly { pigment: Pigment; drops: number }[]): Pigment {
  const total = parts.reduce((sum, part) => sum + part.drops, 0);
  const blend = (of: (pigment: Pigment) => readonly number[]) =>
    Array.from({ length: BANDS }, (_, i) => parts.reduce((sum, p) => sum + p.drops * of(p.pigment)[i]!, 0) / total);
  return { K: blend((p) => p.K), S: blend((p) => p.S) };
}

/** What is seen of a paint in a thick coat. */
export const masstone = ({ K, S }: Pigment): Reflectance => K.map((k, i) => seen(thick(k, S[i]!)));

/**
 * Inner reflectance of a film of some thickness over a ground of inner reflectance `ground` (Kubelka 1948). Tends to `thick` as the film
 * grows; the ground itself at thickness 0.
 */
export function overGround(K: number, S: number, thickness: number, ground: number): number {
  if (thickness === 0) return ground;
  // Nothing scatters: light only passes through twice.
  if (S < 1e-12) return ground * Math.exp(-2 * K * thickness);
  if (K < 1e-12) return ((1 - ground) * S * thickness + ground) / ((1 - ground) * S * thickness + 1);
  const a = 1 + K / S;
  const b = Math.sqrt(a * a - 1);
  // Kubelka's fraction, above and below times tanh: so that the thinnest film is the ground, not nothing over nothing.
  const tanh = Math.tanh(b * S * thickness);
  return ((1 - ground * a) * tanh + ground * b) / ((a - ground) * tanh + b);
}

/** Inner reflectances of a film over inner reflectances of a ground, band by band. */
export const filmOver = ({ K, S }: Pigment, thickness: number, ground: Reflectance): Reflectance =>
  K.map((k, i) => overGround(k, S[i]!, thickness, ground[i]!));
