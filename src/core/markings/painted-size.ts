import { wound } from '@/core/geometry/clip';
import { signedArea } from '@/core/geometry/polygon';
import type { Outline } from '@/core/outline/outline';
import { atScale } from '@/core/units/length';
import { rememberedOf } from '@/core/units/remembered';
import type { MarkingCoat } from './coats';
import { ringsOf } from './band-sheet';
import { lineLength } from './cut-sheet';
import { goesRound, PRINTED, type MarkingMethod } from './kinds';
import { seenFields } from './drawn';
import type { PlaceableMarking } from './placing';

/** What is masked and painted on the model. */
export interface Painted {
  edgeMm: number;
  areaCm2: number;
}

/** What of a marking is masked and painted on the model, at all of its places. */
export interface PaintedSize extends Painted {
  /** Of each of its codes, in their order; they add up to the whole. */
  ofCodes: Painted[];
}

/** What a coat of it covers; the whole, where nobody told its colours apart. */
export function sizeOfCoat(
  { ofCodes, ...whole }: PaintedSize,
  { of, covers }: Pick<MarkingCoat, 'of' | 'covers'>,
): Painted {
  const own = of.flatMap((i) => ofCodes[i] ?? []);
  return covers === 'own' && own.length > 0 ? summed(own) : whole;
}

const summed = (sizes: readonly Painted[]): Painted => ({
  edgeMm: sizes.reduce((sum, { edgeMm }) => sum + edgeMm, 0),
  areaCm2: sizes.reduce((sum, { areaCm2 }) => sum + areaCm2, 0),
});

/**
 * Edges and area of a marking that is painted, each field as far as it is seen; of bands, right round what they lie on. Measured once on the
 * real machine for an outline.
 */
export function paintedSize(outline: Outline, marking: PlaceableMarking, denominator: number): PaintedSize {
  const real = measured(outline, marking);
  const onModel = ({ edgeMm, areaCm2 }: Painted): Painted => ({
    edgeMm: atScale(edgeMm, denominator),
    areaCm2: areaCm2 / denominator ** 2,
  });
  return { ...onModel(real), ofCodes: real.ofCodes.map(onModel) };
}

const measured = rememberedOf((outline: Outline, marking: PlaceableMarking): PaintedSize => {
  const size = marking.heightMm;
  const pieces = goesRound(marking)
    ? ringsOf(outline, marking).map(({ length, colour }) => {
        const long = length * 1000;
        return { colour, edgeMm: 2 * long, areaCm2: (long * size) / 100 };
      })
    : seenFields(marking).map(({ region, colour }) => {
        const rings = wound(region);
        const times = Math.max(1, marking.places.length);
        return {
          colour,
          edgeMm: rings.reduce((sum, ring) => sum + lineLength([...ring, ring[0]!]), 0) * size * times,
          areaCm2: (Math.abs(rings.reduce((sum, ring) => sum + signedArea(ring), 0)) * size * size * times) / 100,
        };
      });
  const last = Math.max(0, marking.codes.length - 1);
  return {
    ...summed(pieces),
    ofCodes: marking.codes.map((_, i) => summed(pieces.filter(({ colour }) => Math.min(colour, last) === i))),
  };
});

/** How many of a marking go on: one at each of its places, or the pieces that each is printed in; and of bands each that goes round. */
export const piecesOfMarking = (
  outline: Outline,
  marking: PlaceableMarking & { piecesEach: number; method: MarkingMethod },
): number =>
  goesRound(marking)
    ? Math.max(1, ringsOf(outline, marking).length)
    : Math.max(1, marking.places.length) * (PRINTED.has(marking.method) ? marking.piecesEach : 1);
