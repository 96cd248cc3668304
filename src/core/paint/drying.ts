import type { Minutes } from '@/core/units/minutes';
import type { Chemistry } from './chemistry';

export interface Drying {
  touch: Minutes;
  recoat: Minutes;
  mask: Minutes;
  cure: Minutes;
}

const h = 60;
/** Typical values at 20 C and 50 % relative humidity. */
export const DRYING: Record<Chemistry, Drying> = {
  WA: { touch: 20, recoat: 30, mask: 24 * h, cure: 48 * h },
  SA: { touch: 10, recoat: 20, mask: 12 * h, cure: 24 * h },
  AL: { touch: 5, recoat: 15, mask: 3 * h, cure: 12 * h },
  ML: { touch: 15, recoat: 30, mask: 12 * h, cure: 24 * h },
  EN: { touch: 5 * h, recoat: 12 * h, mask: 48 * h, cure: 72 * h },
  OI: { touch: 8 * h, recoat: 48 * h, mask: 72 * h, cure: 72 * h },
  EW: { touch: 40, recoat: 12 * h, mask: 24 * h, cure: 24 * h },
};

/** Waits that no paint explains. */
export const WAITS = {
  cement: { minutes: 16 * h, says: 'cement sets 12 to 24 h before a seam is sanded' },
  filler: { minutes: 1 * h, says: 'a thin smear of filler takes an hour' },
  pva: { minutes: 12 * h, says: 'white glue on clear parts takes 12 h' },
  ca: { minutes: 10, says: 'cyanoacrylate is safe to handle after 10 min' },
  wash: { minutes: 60, says: 'washed parts dry within the hour' },
  decal: { minutes: 20, says: '20 min to the next fluid' },
  decalOvernight: { minutes: 12 * h, says: 'decals dry over night before they are sealed' },
  maskingFluid: { minutes: 30, says: 'masking fluid skins over in half an hour' },
  washWindow: { minutes: 15, most: 40, says: 'a wash is wiped between 15 and 40 min' },
  water: { minutes: 24 * h, says: 'poured water or gel sets for a day' },
} as const;

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

/** What a line says of itself at 20 C and 50 %, where that differs from its chemistry. */
export type OwnDrying = Partial<Pick<Drying, 'recoat' | 'mask' | 'cure'>>;

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
