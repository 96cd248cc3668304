import { BANDS, type Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import { LocalMetric } from './local-metric';
import { INNER_LOSS, labCurve, labSlope, MixKernel, WEIGHTS } from './mix-kernel';

// Named once: looking each up in Math costs in an inner loop.
const { max, sqrt } = Math;

/** Ten bands (nm) that carry nearly all of a paint's colour. */
const FEW = [420, 450, 480, 500, 530, 560, 590, 620, 660, 700].map((nm) => (nm - 400) / 10);
const TEN = FEW.length;
/** Mixtures by which the weights of the ten bands are fitted; those near the target count most. */
const SAMPLES = 400;
const NEAR = 3;
/** How strongly weights keep to plain interpolation where samples do not tell. */
const RIDGE = 1e-4;
/** Keeps slopes finite where nothing absorbs. */
const TINY = 1e-12;

/**
 * Mixtures as they look from a target: on ten bands, in coordinates in which the target is the origin and lengths are CIEDE2000 near it.
 * After paints were mixed, `u`, `v` and `w` hold where the mixture lies. No objects are made: this is what a search spends its time in.
 */
export class NearTarget {
  u = 0;
  v = 0;
  w = 0;
  private readonly K: Float64Array;
  private readonly S: Float64Array;
  private readonly weights: readonly [Float64Array, Float64Array, Float64Array];
  private readonly metric: LocalMetric;

  constructor(target: Lab, pigments: readonly Pigment[]) {
    this.metric = new LocalMetric(target);
    this.K = Float64Array.from(pigments.flatMap(({ K }) => FEW.map((i) => K[i]!)));
    this.S = Float64Array.from(pigments.flatMap(({ S }) => FEW.map((i) => S[i]!)));
    this.weights = fittedWeights(pigments, this.metric);
  }

  /** About dE00 from the target to the mixture that was looked at last. */
  get distance(): number {
    return sqrt(this.u * this.u + this.v * this.v + this.w * this.w);
  }

  /** Up to four paints with their drops, which need not be whole; a count of 0 leaves a paint out. */
  mix(p: number, m: number, q = 0, n = 0, r = 0, o = 0, t = 0, l = 0): void {
    const { K, S } = this;
    const wx = this.weights[0];
    const wy = this.weights[1];
    const wz = this.weights[2];
    const ip = p * TEN;
    const iq = q * TEN;
    const ir = r * TEN;
    const it = t * TEN;
    let x = 0;
    let y = 0;
    let z = 0;
    for (let i = 0; i < TEN; i += 1) {
      const k = m * K[ip + i]! + n * K[iq + i]! + o * K[ir + i]! + l * K[it + i]!;
      const s = m * S[ip + i]! + n * S[iq + i]! + o * S[ir + i]! + l * S[it + i]!;
      const R = s / (k + INNER_LOSS * s + sqrt(k * (k + 2 * s)));
      x += wx[i]! * R;
      y += wy[i]! * R;
      z += wz[i]! * R;
    }
    this.place(x, y, z);
  }

  /** m : n : 1 of three paints, with how the mixture moves: `along` takes u, v and w by ln m, then by ln n. */
  slopes(p: number, m: number, q: number, n: number, r: number, along: Float64Array): void {
    const { K, S } = this;
    const wx = this.weights[0];
    const wy = this.weights[1];
    const wz = this.weights[2];
    const ip = p * TEN;
    const iq = q * TEN;
    const ir = r * TEN;
    let x = 0;
    let y = 0;
    let z = 0;
    let xm = 0;
    let ym = 0;
    let zm = 0;
    let xn = 0;
    let yn = 0;
    let zn = 0;
    for (let i = 0; i < TEN; i += 1) {
      const kp = m * K[ip + i]!;
      const sp = m * S[ip + i]!;
      const kq = n * K[iq + i]!;
      const sq = n * S[iq + i]!;
      const k = kp + kq + K[ir + i]!;
      const s = sp + sq + S[ir + i]!;
      const root = sqrt(k * (k + 2 * s)) + TINY;
      const overRoot = 1 / root;
      const part = 1 / (k + INNER_LOSS * s + root);
      const R = s * part;
      const byK = -R * part * (1 + (k + s) * overRoot);
      const byS = part - R * part * (INNER_LOSS + k * overRoot);
      const Rm = byK * kp + byS * sp;
      const Rn = byK * kq + byS * sq;
      const a = wx[i]!;
      const b = wy[i]!;
      const c = wz[i]!;
      x += a * R;
      y += b * R;
      z += c * R;
      xm += a * Rm;
      ym += b * Rm;
      zm += c * Rm;
      xn += a * Rn;
      yn += b * Rn;
      zn += c * Rn;
    }
    this.place(x, y, z);
    const [gx, gy, gz] = [labSlope(x), labSlope(y), labSlope(z)];
    this.turn(gx * xm, gy * ym, gz * zm, along, 0);
    this.turn(gx * xn, gy * yn, gz * zn, along, 3);
  }

  /** Differences of f(X), f(Y), f(Z) as differences of u, v, w. */
  private turn(fx: number, fy: number, fz: number, into: Float64Array, at: number) {
    const { root } = this.metric;
    const [dL, da, db] = [116 * fy, 500 * (fx - fy), 200 * (fy - fz)];
    into[at] = root[0] * dL + root[1] * da + root[2] * db;
    into[at + 1] = root[3] * da + root[4] * db;
    into[at + 2] = root[5] * db;
  }

  private place(x: number, y: number, z: number) {
    const fx = labCurve(x);
    const fy = labCurve(y);
    const fz = labCurve(z);
    const { target, root } = this.metric;
    const dL = 116 * fy - 16 - target[0];
    const da = 500 * (fx - fy) - target[1];
    const db = 200 * (fy - fz) - target[2];
    this.u = root[0] * dL + root[1] * da + root[2] * db;
    this.v = root[3] * da + root[4] * db;
    this.w = root[5] * db;
  }
}

/**
 * Weights of the ten bands for X, Y and Z, each over its white and with the loss at the surface: by least squares over mixtures of the
 * paints, near to the target above all.
 */
function fittedWeights(pigments: readonly Pigment[], metric: LocalMetric): [Float64Array, Float64Array, Float64Array] {
  const kernel = new MixKernel(pigments);
  const n = pigments.length;
  const plain = WEIGHTS.map(gathered);
  const normal = new Float64Array(TEN * TEN);
  const right = [new Float64Array(TEN), new Float64Array(TEN), new Float64Array(TEN)];
  const seen = new Float64Array(BANDS);
  const stride = max(1, Math.floor((n * (n + 1)) / 2 / SAMPLES));
  let at = 0;
  for (let p = 0; p < n; p += 1)
    for (let q = p; q < n; q += 1, at += 1) {
      if (at % stride !== 0) continue;
      const [m, k] = at % 2 === 0 ? [1, 1] : [3, 1];
      kernel.mix(p, m, q, k, 0, 0, 0, 0, seen);
      const near = NEAR / (NEAR + metric.distance(kernel.L, kernel.a, kernel.b));
      const weight = near * near;
      for (let axis = 0; axis < 3; axis += 1) {
        const full = WEIGHTS[axis]!;
        let miss = 0;
        for (let i = 0; i < BANDS; i += 1) miss += full[i]! * seen[i]!;
        for (let i = 0; i < TEN; i += 1) miss -= plain[axis]![i]! * seen[FEW[i]!]!;
        for (let i = 0; i < TEN; i += 1) right[axis]![i]! += weight * miss * seen[FEW[i]!]!;
      }
      for (let i = 0; i < TEN; i += 1)
        for (let j = 0; j < TEN; j += 1) normal[i * TEN + j]! += weight * seen[FEW[i]!]! * seen[FEW[j]!]!;
    }
  for (let i = 0; i < TEN; i += 1) normal[i * TEN + i]! += RIDGE;
  const corrections = solved(normal, right);
  return plain.map((weights, axis) => weights.map((weight, i) => weight + corrections[axis]![i]!)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
}

/** Weights of the ten bands by interpolation: each of the 31 is shared between the two of the ten round it, by how near it is. */
function gathered(weights: Float64Array): Float64Array {
  const shared = new Float64Array(TEN);
  weights.forEach((weight, i) => {
    const next = FEW.findIndex((band) => band >= i);
    if (next <= 0) shared[0]! += weight;
    else {
      const part = (i - FEW[next - 1]!) / (FEW[next]! - FEW[next - 1]!);
      shared[next]! += weight * part;
      shared[next - 1]! += weight * (1 - part);
    }
  });
  return shared;
}

/** Solves a symmetric positive system for several right-hand sides (Cholesky). */
function solved(matrix: Float64Array, rights: readonly Float64Array[]): Float64Array[] {
  const L = new Float64Array(TEN * TEN);
  for (let i = 0; i < TEN; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i * TEN + j]!;
      for (let k = 0; k < j; k += 1) sum -= L[i * TEN + k]! * L[j * TEN + k]!;
      L[i * TEN + j] = i === j ? sqrt(max(sum, 1e-12)) : sum / L[j * TEN + j]!;
    }
  return rights.map((right) => {
    const x = Float64Array.from(right);
    for (let i = 0; i < TEN; i += 1) {
      for (let k = 0; k < i; k += 1) x[i]! -= L[i * TEN + k]! * x[k]!;
      x[i]! /= L[i * TEN + i]!;
    }
    for (let i = TEN - 1; i >= 0; i -= 1) {
      for (let k = i + 1; k < TEN; k += 1) x[i]! -= L[k * TEN + i]! * x[k]!;
      x[i]! /= L[i * TEN + i]!;
    }
    return x;
  });
}
