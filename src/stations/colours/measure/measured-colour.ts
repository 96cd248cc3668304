import type { ChipOrigin } from '@/core/colour/chips';
import type { Lab } from '@/core/colour/types';

/** A colour as it was measured, by whatever was at hand. */
export interface MeasuredColour {
  lab: Lab;
  sd: number;
  origin: ChipOrigin;
  instrument: string;
  /** In words, for a note. */
  how: string;
}
