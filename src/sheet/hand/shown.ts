import type { SkinPiece } from '@/core/skin/machine';

/** A piece of the skin as it is shown now. */
export interface Shown {
  piece: SkinPiece;
  colour: string;
  opacity: number;
}
