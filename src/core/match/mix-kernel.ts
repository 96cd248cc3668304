import cie from '@/core/colour/cie-31.json' with { type: 'json' };
import { deltaE00 } from '@/core/colour/difference';
import { BANDS, type Pigment } from '@/core/colour/kubelka-munk';
import { WHITE_D65 } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';

/** The inner loop of mixing: colours of mixtures without making any object, on all 31 bands or on ten of them. */

/** Ten bands (nm) that carry nearly all of a paint's colour; what lies between is taken as a straight line. */
const FEW = [420, 450, 480, 500, 530, 560, 590, 620, 660, 700];

interface Bands {
  indices: readonly number[];
  X: Float64Array;
  Y: Float64Array;
  Z: Float64Array;
}

const ALL_BANDS: Bands = {
  indices: Array.from({ length: BANDS }, (_, i) => i),
  X: Float64Array.from(cie.weights_D65.X),
  Y: Float64Array.from(cie.weights_D65.Y),
  Z: Float64Array.from(cie.weights_D65.Z),
};
const FEW_BANDS: Bands = {
  indices: FEW.map((nm) => (nm - 400) / 10),
  X: gathered(cie.weights_D65.X),
  Y: gathered(cie.weights_D65.Y),
  Z: gathered(cie.weights_D65.Z),
};

/** Weights of the ten bands: each of the 31 is shared between the two of the ten round it, by how near it is. */
function gathered(weights: readonly number[]): Float64Array {
  const shared = new Float64Array(FEW.length);
  weights.forEach((weight, i) => {
    const nm = 400 + 10 * i;
    const next = FEW.findIndex((band) => band >= nm);
    if (next <= 0) shared[0]! += weight;
    else {
      const part = (nm - FEW[next - 1]!) / (FEW[next]! - FEW[next - 1]!);
      shared[next]! += weight * part;
      shared[next - 1]! += weight * (1 - part);
    }
  });
  return shared;
}

const { k1, k2 } = cie.saunderson;
const SURFACE = (1 - k1) * (1 - k2);
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
const curve = (t: number) => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);

/** Colours of mixtures of a set of paints. After a call, `L`, `a` and `b` hold the colour. */
export class MixKernel {
  L = 0;
  a = 0;
  b = 0;
  private readonly K: Float64Array;
  private readonly S: Float64Array;
  private readonly n: number;
  private readonly bands: Bands;

  constructor(pigments: readonly Pigment[], which: 'all' | 'few') {
    this.bands = which === 'all' ? ALL_BANDS : FEW_BANDS;
    const { indices } = this.bands;
    this.n = indices.length;
    this.K = Float64Array.from(pigments.flatMap(({ K }) => indices.map((i) => K[i]!)));
    this.S = Float64Array.from(pigments.flatMap(({ S }) => indices.map((i) => S[i]!)));
  }

  /** Up to four paints with their drops; a count of 0 leaves a paint out. */
  mix(p: number, m: number, q = 0, n = 0, r = 0, o = 0, s = 0, t = 0): void {
    const { K, S, n: size } = this;
    const { X: wx, Y: wy, Z: wz } = this.bands;
    const [ip, iq, ir, is] = [p * size, q * size, r * size, s * size];
    let [x, y, z] = [0, 0, 0];
    for (let i = 0; i < size; i += 1) {
      const k = m * K[ip + i]! + n * K[iq + i]! + o * K[ir + i]! + t * K[is + i]!;
      const c = m * S[ip + i]! + n * S[iq + i]! + o * S[ir + i]! + t * S[is + i]!;
      const inner = c / (k + c + Math.sqrt(k * k + 2 * k * c));
      const R = (SURFACE * inner) / (1 - k2 * inner);
      x += wx[i]! * R;
      y += wy[i]! * R;
      z += wz[i]! * R;
    }
    const [fx, fy, fz] = [curve(x / WHITE_D65[0]), curve(y / WHITE_D65[1]), curve(z / WHITE_D65[2])];
    this.L = 116 * fy - 16;
    this.a = 500 * (fx - fy);
    this.b = 200 * (fy - fz);
  }

  lab(): Lab {
    return [this.L, this.a, this.b];
  }
}

/** Distances near a target as CIEDE2000 sees them: the square root of a quadratic form, its Hessian there by finite differences. */
export class LocalMetric {
  private readonly m: readonly [number, number, number, number, number, number];

  constructor(private readonly target: Lab) {
    const h = 0.5;
    const square = (dL: number, da: number, db: number) =>
      deltaE00(target, [target[0] + dL, target[1] + da, target[2] + db]) ** 2 / (h * h);
    const [ll, aa, bb] = [square(h, 0, 0), square(0, h, 0), square(0, 0, h)];
    const cross = (both: number, one: number, other: number) => (both - one - other) / 2;
    this.m = [
      ll,
      aa,
      bb,
      cross(square(h, h, 0), ll, aa),
      cross(square(h, 0, h), ll, bb),
      cross(square(0, h, h), aa, bb),
    ];
  }

  /** About dE00 from the target to a colour, for small distances. */
  distance(L: number, a: number, b: number): number {
    const [dL, da, db] = [L - this.target[0], a - this.target[1], b - this.target[2]];
    const [ll, aa, bb, la, lb, ab] = this.m;
    return Math.sqrt(
      Math.max(0, ll * dL * dL + aa * da * da + bb * db * db + 2 * (la * dL * da + lb * dL * db + ab * da * db)),
    );
  }
}
