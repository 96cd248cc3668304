import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';

const { hypot, max, sqrt } = Math;

/** Distances near a target as CIEDE2000 sees them: half the Hessian of its square there, by finite differences, and its Cholesky root. */
export class LocalMetric {
  /** Upper triangle: u = r0 dL + r1 da + r2 db, v = r3 da + r4 db, w = r5 db. */
  readonly root: readonly [number, number, number, number, number, number];

  constructor(readonly target: Lab) {
    const h = 0.5;
    const square = (dL: number, da: number, db: number) =>
      deltaE00(target, [target[0] + dL, target[1] + da, target[2] + db]) ** 2 / (h * h);
    const [ll, aa, bb] = [square(h, 0, 0), square(0, h, 0), square(0, 0, h)];
    const cross = (both: number, one: number, other: number) => (both - one - other) / 2;
    const [la, lb, ab] = [
      cross(square(h, h, 0), ll, aa),
      cross(square(h, 0, h), ll, bb),
      cross(square(0, h, h), aa, bb),
    ];
    const r0 = sqrt(ll);
    const [r1, r2] = [la / r0, lb / r0];
    const r3 = sqrt(max(aa - r1 * r1, 1e-9));
    const r4 = (ab - r1 * r2) / r3;
    this.root = [r0, r1, r2, r3, r4, sqrt(max(bb - r2 * r2 - r4 * r4, 1e-9))];
  }

  /** About dE00 from the target to a colour, for small distances. */
  distance(L: number, a: number, b: number): number {
    const [dL, da, db] = [L - this.target[0], a - this.target[1], b - this.target[2]];
    const [r0, r1, r2, r3, r4, r5] = this.root;
    return hypot(r0 * dL + r1 * da + r2 * db, r3 * da + r4 * db, r5 * db);
  }
}
