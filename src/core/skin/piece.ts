import type { Lifted } from './lift';

/** A piece of the machine in space that has one zone and one colour. Metres; x aft, y to starboard, z up. */
export interface SkinPiece extends Lifted {
  zone: string;
  /** The code that shows; null for the zone's own colour. */
  code: string | null;
  /** The marking that it is of; null for skin. */
  marking: string | null;
  /** How much of it covers what lies under: less than 1 of blotches. */
  share: number;
  glass: boolean;
}

/** Skin in its zone's own colour. */
export const BARE = { code: null, marking: null, share: 1, glass: false } as const;

/** Bays, rooms and soft edges lie over the skin and under all that is laid on it, as a share of what that lies over it. */
export const UNDER_ART = 0.6;

/** What nobody has decided, and glass, as they are shown. */
export const UNDECIDED_COLOUR = '#e9e9e9';
export const GLASS_LOOK = { colour: '#c9ced1', opacity: 0.45 } as const;
