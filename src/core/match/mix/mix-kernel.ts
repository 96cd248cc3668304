import cie from '../../colour/cie-31.json' with { type: 'json' };
import { BANDS, type Pigment } from '@/core/colour/kubelka-munk';
import { WHITE_D65 } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import type { Parts } from './recipe';

/** The inner loop of mixing: colours of mixtures on all 31 bands without making any object. */

const { k1, k2 } = cie.saunderson;
/**
 * What is seen of a thick film (Kubelka, Munk 1931, with the surface of Saunderson 1942) in one division:
 * SURFACE S / (K + INNER_LOSS S + sqrt(K (K + 2 S))).
 */
const SURFACE = (1 - k1) * (1 - k2);
export const INNER_LOSS = 1 - k2;

const weightsOf = (weights: readonly number[], white: number) =>
  Float64Array.from(weights, (weight) => (weight * SURFACE) / white);
/** Of X, Y and Z: what each band adds, over the white and with the loss at the surface. */
export const WEIGHTS = [
  weightsOf(cie.weights_D65.X, WHITE_D65[0]),
  weightsOf(cie.weights_D65.Y, WHITE_D65[1]),
  weightsOf(cie.weights_D65.Z, WHITE_D65[2]),
] as const;
const [X, Y, Z] = WEIGHTS;

// Named once: looking each up in Math costs in an inner loop.
const { cbrt, sqrt } = Math;
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
/** f(t) of CIELAB for a tristimulus value over that of the white. */
export const labCurve = (t: number) => (t > EPSILON ? cbrt(t) : (KAPPA * t + 16) / 116);

/** How f(t) grows with t. */
export const labSlope = (t: number) => (t > EPSILON ? cbrt(t) / (3 * t) : KAPPA / 116);

/** Colours of mixtures of a set of paints. After a call, `L`, `a` and `b` hold the colour. */
export class MixKernel {
  L = 0;
  a = 0;
  b = 0;
  private readonly K: Float64Array;
  private readonly S: Float64Array;

  constructor(pigments: readonly Pigment[]) {
    this.K = Float64Array.from(pigments.flatMap(({ K }) => K));
    this.S = Float64Array.from(pigments.flatMap(({ S }) => S));
  }

  /** Up to four paints with their drops; a count of 0 leaves a paint out. `R`, where given, takes what is seen over SURFACE, band by band. */
  mix(p: number, m: number, q = 0, n = 0, r = 0, o = 0, s = 0, t = 0, R?: Float64Array): void {
    const { K, S } = this;
    const [ip, iq, ir, is] = [p * BANDS, q * BANDS, r * BANDS, s * BANDS];
    let [x, y, z] = [0, 0, 0];
    for (let i = 0; i < BANDS; i += 1) {
      const k = m * K[ip + i]! + n * K[iq + i]! + o * K[ir + i]! + t * K[is + i]!;
      const c = m * S[ip + i]! + n * S[iq + i]! + o * S[ir + i]! + t * S[is + i]!;
      const seen = c / (k + INNER_LOSS * c + sqrt(k * (k + 2 * c)));
      if (R) R[i] = seen;
      x += X[i]! * seen;
      y += Y[i]! * seen;
      z += Z[i]! * seen;
    }
    const [fx, fy, fz] = [labCurve(x), labCurve(y), labCurve(z)];
    this.L = 116 * fy - 16;
    this.a = 500 * (fx - fy);
    this.b = 200 * (fy - fz);
  }

  lab(): Lab {
    return [this.L, this.a, this.b];
  }
}

/** The colour of a mixture of up to four paints. */
export function mixedLab(kernel: MixKernel, parts: Parts): Lab {
  const [p, q, r, s] = parts;
  kernel.mix(p!.paint, p!.count, q?.paint, q?.count, r?.paint, r?.count, s?.paint, s?.count);
  return kernel.lab();
}
