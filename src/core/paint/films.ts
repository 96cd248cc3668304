import { deltaE00 } from '@/core/colour/difference';
import { BANDS, filmOver, innerOf, seen, thick, type Pigment } from '@/core/colour/kubelka-munk';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import { xyzToLab } from '@/core/colour/spaces';
import type { Lab, Reflectance } from '@/core/colour/types';
import { labOfPigment } from './pigment';

/** One coat of a paint; thickness 1 is a full wet coat of unthinned paint. */
export interface Coat {
  pigment: Pigment;
  thickness: number;
}

export interface AfterCoat {
  coat: number;
  lab: Lab;
  /** To what a thick coat of the same paint would be. */
  dE00ToMasstone: number;
}

/** A ground as light meets it from inside the film: of a surface that is seen as `curve`. */
export const groundOf = (curve: Reflectance): Reflectance =>
  curve.map((value) => innerOf(Math.max(0, Math.min(0.999, value))));
/** A thick coat of a paint as a ground. */
export const groundOfPaint = ({ K, S }: Pigment): Reflectance => K.map((k, i) => thick(k, S[i]!));

const labOfGround = (inner: Reflectance): Lab => xyzToLab(reflectanceToXyz(inner.map(seen)));

/** The look after each coat over a ground, in the order in which they are laid (Kubelka 1948, Saunderson once at the outside). */
export function layCoats(ground: Reflectance, coats: readonly Coat[]): AfterCoat[] {
  let inner = ground;
  return coats.map(({ pigment, thickness }, i) => {
    inner = filmOver(pigment, thickness, inner);
    const lab = labOfGround(inner);
    return { coat: i + 1, lab, dE00ToMasstone: deltaE00(lab, labOfPigment(pigment)) };
  });
}

/** A film this often over is thick for every purpose; a paint that has not hidden by then never will. */
const MOST_COATS = 200;

/**
 * The smallest number of coats from which on the difference to the masstone of the last paint stays below the tolerance: the coats as
 * listed, then the last one again and again. 0 where the ground is not told from it to begin with; null where it never hides.
 */
export function coatsToHide(ground: Reflectance, coats: readonly Coat[], tolerance = 1): number | null {
  const last = coats.at(-1);
  if (!last || (last.thickness === 0 && coats.length > 0)) return null;
  const whole = [...coats, ...Array.from({ length: Math.max(0, MOST_COATS - coats.length) }, () => last)];
  const aim = labOfPigment(last.pigment);
  const off = [deltaE00(labOfGround(ground), aim), ...layCoats(ground, whole).map(({ lab }) => deltaE00(lab, aim))];
  const lastAbove = off.findLastIndex((dE) => dE >= tolerance);
  return lastAbove === off.length - 1 ? null : lastAbove + 1;
}

/** A plain grey of a luminance, as a ground to try: 0 black ... 1 white. */
export const greyGround = (reflectance: number): Reflectance =>
  groundOf(Array.from({ length: BANDS }, () => reflectance));
