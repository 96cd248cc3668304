import type { Minutes } from '@/core/units/minutes';
import type { Chemistry } from './chemistry';

/** How far a coat has dried: dust no longer sticks, the next coat may come, it may be taken in the hand and sanded, it bears tape, it is through. */
export interface Drying {
  touch: Minutes;
  recoat: Minutes;
  handle: Minutes;
  mask: Minutes;
  cure: Minutes;
}
export type DryingState = keyof Drying;

const h = 60;
/** Typical values at 20 C and 50 % relative humidity. */
export const DRYING: Record<Chemistry, Drying> = {
  WA: { touch: 20, recoat: 30, handle: 4 * h, mask: 24 * h, cure: 48 * h },
  SA: { touch: 10, recoat: 20, handle: 2 * h, mask: 12 * h, cure: 24 * h },
  AL: { touch: 5, recoat: 15, handle: 3 * h, mask: 3 * h, cure: 12 * h },
  ML: { touch: 15, recoat: 30, handle: 6 * h, mask: 12 * h, cure: 24 * h },
  EN: { touch: 5 * h, recoat: 12 * h, handle: 24 * h, mask: 48 * h, cure: 72 * h },
  OI: { touch: 8 * h, recoat: 48 * h, handle: 48 * h, mask: 72 * h, cure: 72 * h },
  EW: { touch: 40, recoat: 12 * h, handle: 12 * h, mask: 24 * h, cure: 24 * h },
};

interface Wait {
  minutes: Minutes;
  /** At the most, where there is a most. */
  most?: Minutes;
  says: string;
  /** Cold makes it longer, warmth shorter, as with a coat of this chemistry; null where it does not mind. */
  driesLike: Chemistry | null;
}
const waits = <const N extends string>(named: Record<N, Wait>): Record<N, Wait> => named;

/** Waits that no paint explains. */
const WAITS = waits({
  cement: { minutes: 16 * h, says: 'cement sets 12 to 24 h before a seam is sanded', driesLike: 'AL' },
  joint: { minutes: 2 * h, says: 'joints are firm enough to handle', driesLike: 'AL' },
  filler: { minutes: 1 * h, says: 'a thin smear of filler takes an hour', driesLike: 'AL' },
  fillerDeep: { minutes: 12 * h, says: 'deep filler takes a night, and sinks while it dries', driesLike: 'AL' },
  pva: { minutes: 12 * h, says: 'white glue on clear parts takes 12 h', driesLike: 'WA' },
  ca: { minutes: 10, says: 'cyanoacrylate is safe to handle after 10 min', driesLike: null },
  wash: { minutes: 60, says: 'washed parts dry within the hour', driesLike: 'WA' },
  decal: { minutes: 20, says: '20 min to the next fluid', driesLike: null },
  ink: { minutes: 2 * h, says: 'ink of a printer is dry after two hours', driesLike: 'WA' },
  decalOvernight: { minutes: 12 * h, says: 'decals dry over night before they are sealed', driesLike: null },
  maskingFluid: { minutes: 30, says: 'masking fluid skins over in half an hour', driesLike: 'WA' },
  washWindow: { minutes: 15, most: 40, says: 'a wash is wiped between 15 and 40 min', driesLike: 'EW' },
  chipFluid: {
    minutes: 30,
    most: 4 * h,
    says: 'chipping fluid is dry after half an hour, and is painted over the same evening',
    driesLike: 'WA',
  },
  chipColour: {
    minutes: 30,
    most: 12 * h,
    says: 'a colour over fluid is chipped once it is touch-dry, and before it is hard',
    driesLike: 'WA',
  },
  washDry: { minutes: 12 * h, says: 'a wash in spirit is dry after a night', driesLike: 'EW' },
  water: { minutes: 24 * h, says: 'groundwork, poured water or gel dries for a day', driesLike: 'WA' },
});
export type WaitName = keyof typeof WAITS;

export interface Climate {
  tempC: number;
  humidity: number;
}

export const STANDARD_CLIMATE: Climate = { tempC: 20, humidity: 50 };

/**
 * How much longer a coat dries than at 20 C and 50 %: doubling for each 10 C less (a rule of thumb for evaporation and
 * for curing alike), and for water-based paint 1 % more for each 1 % of humidity above 50. Never below a half.
 */
export function dryingFactor(chemistry: Chemistry, climate: Climate): number {
  const heat = 2 ** ((20 - climate.tempC) / 10);
  const damp = chemistry === 'WA' ? 1 + Math.max(0, climate.humidity - 50) / 100 : 1;
  return Math.max(0.5, heat * damp);
}

/** What a line says of itself at 20 C and 50 %, or follows from the way it was laid, where that differs from its chemistry. */
export type OwnDrying = Partial<Pick<Drying, 'recoat' | 'handle' | 'mask' | 'cure'>>;

/** A coat, as far as drying is concerned. */
export interface Coat {
  chemistry: Chemistry;
  dries?: OwnDrying;
}

/** How a coat dries at 20 C and 50 %: by its line's own word, else by its chemistry. */
export const dryingOf = ({ chemistry, dries }: Coat): Drying => ({ ...DRYING[chemistry], ...dries });

export function dryingTime(coat: Coat, until: keyof Drying, climate: Climate): Minutes {
  return Math.ceil(dryingOf(coat)[until] * dryingFactor(coat.chemistry, climate));
}

/** A wait at the bench's own temperature and humidity. */
export function waitFor(name: WaitName, climate: Climate): { minutes: Minutes; most: Minutes | null; says: string } {
  const { minutes, most, says, driesLike } = WAITS[name];
  const factor = driesLike ? dryingFactor(driesLike, climate) : 1;
  return { minutes: Math.ceil(minutes * factor), most: most === undefined ? null : Math.floor(most * factor), says };
}
