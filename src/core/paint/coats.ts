import { deltaE00 } from '@/core/colour/difference';
import { filmOver, seen, type Pigment } from '@/core/colour/kubelka-munk';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import { xyzToLab } from '@/core/colour/spaces';
import type { Lab, Reflectance } from '@/core/colour/types';
import { upsample } from '@/core/colour/upsample';
import type { Chemistry } from './chemistry';
import { groundOf } from './films';
import { labOfPigment } from './pigment';

/**
 * How many coats a builder will need: the one count that layers, cup, minutes, waits and route go by. A coat is two crossing passes,
 * together as much of the mix as one full wet coat of unthinned paint (50 um); a pass is half of one.
 */

/** From where the model is looked at, with the difference dE00 that still shows there. */
export const EYES = { arm: 2, lens: 1, table: 3 } as const;
export type Eye = keyof typeof EYES;

/** A film this near to what was wanted is what was wanted. */
const NEAR_ENOUGH = 3;
/** Flaws, seams and pre-shading make a ground about this much darker in places, L*. */
const DARKER_PLACES = 15;
const BLACK: Lab = [10, 0, 0];
const WHITE: Lab = [95, 0, 0];
export const MOST_COATS = 12;

/** A lacquer that is sold ready to spray holds about so many parts of thinner to one of paint. */
const PRE_THINNED = 2;

/** Parts of thinner to one of paint in what leaves the nozzle: what is sold thinned counts as thinned. */
const sprayedRatio = (ratio: number, chemistry?: Chemistry | string): number =>
  ratio === 0 && (chemistry === 'AL' || chemistry === 'ML') ? PRE_THINNED : ratio;

/** Thickness of one coat in full wet coats of unthinned paint. */
export const coatThickness = (ratio: number, chemistry?: Chemistry | string): number =>
  1 / (1 + sprayedRatio(ratio, chemistry));

export interface CoatJob {
  pigment: Pigment;
  /** Thickness of one coat, see coatThickness. */
  thickness: number;
  /** What is seen of the ground. */
  ground: { lab: Lab; reflectance?: Reflectance };
  /** The masstone of the paint where nothing else is wanted. */
  target?: Lab;
  eye?: Eye;
}

export interface CountedCoat {
  coat: number;
  lab: Lab;
  dE00ToTarget: number;
  /** dE00 between this film over the ground and over a ground 15 L* darker. */
  showsThrough: number;
}

export interface CoatCount {
  /** Null where more than twelve would be needed. */
  coats: number | null;
  /** The coats that hide black and white alike. */
  hidesAnything: number | null;
  after: CountedCoat[];
}

const innerOfLab = (lab: Lab): Reflectance => groundOf(upsample(lab));

/**
 * Counts coats: the first after which the film is near the target (dE00 below 3) and what lies 15 L* darker in the ground no longer shows
 * (dE00 below 2 at arm's length, 1 through a lens, 3 across the table). Films by Kubelka (1948); the limits are fitted to bench practice.
 */
export function countCoats({ pigment, thickness, ground, target, eye = 'arm' }: CoatJob): CoatCount {
  const aim = target ?? labOfPigment(pigment);
  const limit = EYES[eye];
  const after = (inner: Reflectance) => {
    const films: Lab[] = [];
    let film = inner;
    for (let coat = 0; coat < MOST_COATS; coat += 1) {
      film = filmOver(pigment, thickness, film);
      films.push(xyzToLab(reflectanceToXyz(film.map(seen))));
    }
    return films;
  };
  const [L, a, b] = ground.lab;
  const over = after(ground.reflectance ? groundOf(ground.reflectance) : innerOfLab(ground.lab));
  const overDarker = after(innerOfLab([Math.max(0, L - DARKER_PLACES), a, b]));
  const counted = over.map((lab, i): CountedCoat => ({
    coat: i + 1,
    lab,
    dE00ToTarget: deltaE00(aim, lab),
    showsThrough: deltaE00(lab, overDarker[i]!),
  }));
  const first = (holds: (i: number) => boolean) => {
    const found = over.findIndex((_, i) => holds(i));
    return found < 0 ? null : found + 1;
  };
  const [overBlack, overWhite] = [after(innerOfLab(BLACK)), after(innerOfLab(WHITE))];
  return {
    coats:
      deltaE00(ground.lab, aim) < NEAR_ENOUGH
        ? 1
        : first((i) => counted[i]!.dE00ToTarget < NEAR_ENOUGH && counted[i]!.showsThrough < limit),
    hidesAnything: first((i) => deltaE00(overBlack[i]!, overWhite[i]!) < limit),
    after: counted,
  };
}
