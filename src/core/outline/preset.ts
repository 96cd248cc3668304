import type { Machine } from '@/core/kit/machine';
import type { Landing } from '@/core/kit/options';
import type { Dimensions } from './dimensions';
import type { Surface } from './zones';

/** Fuselage shape as fractions: t of the length; top, bottom of the height; width of the greatest width. */
export type ProfilePoint = readonly [t: number, top: number, bottom: number, width: number];

export interface Preset {
  title: string;
  /** An aircraft where nothing is said. */
  form?: Machine['form'];
  /** Where the engine power is. */
  propulsion: 'nose propeller' | 'wing propellers' | 'jet' | 'rotor' | 'rotor and nose propeller' | 'none';
  /** Where its nacelles or pods hang; on the wings where nothing is said. */
  pods?: 'wings' | 'tail';
  thirdWheel: Machine['thirdWheel'];
  /** Cabin windows rather than a canopy on top. */
  glazing: Machine['glazing'];
  gear: Machine['gear'];
  wings: Machine['wings'];
  /** What it usually lands on. */
  landing: Landing;
  /** How boxy the fuselage is: the exponent of its sections, 2 an ellipse. */
  section: number;
  /** What it is skinned with unless somebody says otherwise. */
  surface: Surface;
  profile: readonly ProfilePoint[];
  dimensions: Dimensions;
}
