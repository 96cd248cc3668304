import { wound } from '@/core/geometry/clip';
import { signedArea } from '@/core/geometry/polygon';
import type { Outline } from '@/core/outline/outline';
import { atScale } from '@/core/units/length';
import { rememberedOf } from '@/core/units/remembered';
import { lineLength, ringsOf } from './cut-sheet';
import { seenFields } from './drawn';
import type { PlaceableMarking } from './placing';

/** What of a marking is masked and painted on the model, at all of its places. */
export interface PaintedSize {
  edgeMm: number;
  areaCm2: number;
  /** Of each of its codes, in their order, cm2; they add up to the whole. */
  ofCodes: number[];
}

/**
 * Edges and area of a marking that is painted, each field as far as it is seen; of bands, right round what they lie on. Measured once on the
 * real machine for an outline.
 */
export function paintedSize(outline: Outline, marking: PlaceableMarking, denominator: number): PaintedSize {
  const real = measured(outline, marking);
  const onModel = (areaCm2: number) => areaCm2 / denominator ** 2;
  return {
    edgeMm: atScale(real.edgeMm, denominator),
    areaCm2: onModel(real.areaCm2),
    ofCodes: real.ofCodes.map(onModel),
  };
}

const measured = rememberedOf((outline: Outline, marking: PlaceableMarking): PaintedSize => {
  const size = marking.heightMm;
  const pieces =
    marking.kind === 'band'
      ? ringsOf(outline, marking).map(({ length, colour }) => {
          const long = length * 1000;
          return { colour, edgeMm: 2 * long, areaMm2: long * size };
        })
      : seenFields(marking).map(({ region, colour }) => {
          const rings = wound(region);
          const times = Math.max(1, marking.places.length);
          return {
            colour,
            edgeMm: rings.reduce((sum, ring) => sum + lineLength([...ring, ring[0]!]), 0) * size * times,
            areaMm2: Math.abs(rings.reduce((sum, ring) => sum + signedArea(ring), 0)) * size * size * times,
          };
        });
  const last = Math.max(0, marking.codes.length - 1);
  const ofCodes = marking.codes.map(() => 0);
  for (const { colour, areaMm2 } of pieces) if (ofCodes.length > 0) ofCodes[Math.min(colour, last)]! += areaMm2 / 100;
  return {
    edgeMm: pieces.reduce((sum, { edgeMm }) => sum + edgeMm, 0),
    areaCm2: pieces.reduce((sum, { areaMm2 }) => sum + areaMm2, 0) / 100,
    ofCodes,
  };
});

/** How many of a marking go on: one at each of its places, and of bands each that goes round. */
export const piecesOfMarking = (outline: Outline, marking: PlaceableMarking): number =>
  Math.max(1, marking.kind === 'band' ? ringsOf(outline, marking).length : marking.places.length);
