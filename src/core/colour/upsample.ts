import { solveLinear } from '@/core/units/linear';
import { remembering } from '@/core/units/remembered';
import cie from './cie-31.json' with { type: 'json' };
import { labToXyz } from './spaces';
import type { Lab, Reflectance, Xyz } from './types';

const BANDS = 31;
const T = [cie.weights_D65.X, cie.weights_D65.Y, cie.weights_D65.Z] as const;
const LEAST = 0.003;
const MOST = 0.98;

/** A builder's whole shelf. */
const remember = remembering<Reflectance>(4000);

/**
 * A smooth reflectance of 31 bands (0.003..0.98) whose colour under D65 is `lab`: least slope squared of the hyperbolic tangent
 * (LHTSS, Burns 2020), by Newton's method on the Lagrangian. A colour that no such surface can have is first drawn towards grey in
 * small steps until one can.
 */
export const upsample = (lab: Lab): Reflectance => remember(lab.join(), () => smoothCurve(lab));

function smoothCurve(lab: Lab): Reflectance {
  const wanted = labToXyz(lab);
  const grey = Math.min(0.9, Math.max(0.02, wanted[1]));
  for (let pull = 0; pull <= 1; pull += 0.04) {
    const target = wanted.map((value, i) => value * (1 - pull) + pull * grey * WHITE[i]!) as unknown as Xyz;
    const found = smoothest(target);
    if (found) return found.map((value) => Math.min(MOST, Math.max(LEAST, value)));
  }
  return Array.from({ length: BANDS }, () => grey);
}

const sumOf = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
const WHITE = T.map(sumOf) as unknown as Xyz;
const MOST_ITERATIONS = 60;

function smoothest(target: Xyz): number[] | null {
  const unknowns = BANDS + 3;
  const z = new Array<number>(BANDS).fill(0);
  const lambda = [0, 0, 0];
  for (let iteration = 0; iteration < MOST_ITERATIONS; iteration += 1) {
    const tanh = z.map(Math.tanh);
    const rho = tanh.map((t) => (t + 1) / 2);
    const slope = tanh.map((t) => (1 - t * t) / 2);
    const curve = tanh.map((t, i) => -2 * t * slope[i]!);
    const rows = Array.from({ length: unknowns }, () => new Array<number>(unknowns + 1).fill(0));
    let worst = 0;
    const want = (row: number, residual: number) => {
      rows[row]![unknowns] = -residual;
      worst = Math.max(worst, Math.abs(residual));
    };
    for (let i = 0; i < BANDS; i += 1) {
      const pull = T[0]![i]! * lambda[0]! + T[1]![i]! * lambda[1]! + T[2]![i]! * lambda[2]!;
      const [left, right] = [i > 0, i < BANDS - 1];
      const smooth = (left ? 2 * (z[i]! - z[i - 1]!) : 0) + (right ? 2 * (z[i]! - z[i + 1]!) : 0);
      want(i, smooth + slope[i]! * pull);
      rows[i]![i] = (left ? 2 : 0) + (right ? 2 : 0) + curve[i]! * pull;
      if (left) rows[i]![i - 1] = -2;
      if (right) rows[i]![i + 1] = -2;
      for (let k = 0; k < 3; k += 1) {
        rows[i]![BANDS + k] = slope[i]! * T[k]![i]!;
        rows[BANDS + k]![i] = slope[i]! * T[k]![i]!;
      }
    }
    for (let k = 0; k < 3; k += 1) want(BANDS + k, T[k]!.reduce((total, w, i) => total + w * rho[i]!, 0) - target[k]!);
    if (worst < 1e-9) return rho;
    const step = solveLinear(rows);
    if (!step) return null;
    for (let i = 0; i < BANDS; i += 1) z[i]! += step[i]!;
    for (let k = 0; k < 3; k += 1) lambda[k]! += step[BANDS + k]!;
    if (z.some((value) => !(Math.abs(value) < 30))) return null;
  }
  return null;
}
