import type { MarkingMethod } from '@/core/markings/kinds';
import type { MarkingCoat } from '@/core/markings/coats';
import { sizeOfCoat, type Painted, type PaintedSize } from '@/core/markings/painted-size';
import type { Printing } from '@/core/markings/printing';
import { workOfMask } from './masking';
import { minutesOf, type Work } from './minutes';
import type { Minutes } from '@/core/units/minutes';

/** What a marking takes to make, by each way of making it: so that Markings and Route say the same minutes. */

/** A marking is sprayed thin through its mask, or laid thin by a brush, in so many coats. */
const MARKING_COATS = 2;

/** A marking as work, on the model. */
export interface MarkingToMake {
  painted: PaintedSize;
  /** How many of it go on. */
  pieces: number;
  isStencil: boolean;
  /** Its coats, where it is painted. */
  coats: readonly MarkingCoat[];
  /** How it is printed at home, where it is. */
  printing: Printing;
  /** A pattern is measured from it: it is there before that, and covered again meanwhile. */
  covered: boolean;
  /** Without an airbrush what is masked is brushed. */
  sprays: boolean;
}

/** One coat through a mask. */
export const coatThroughMask = ({ areaCm2 }: Painted, pieces: number, sprays: boolean): Work => ({
  kind: sprays ? 'spray' : 'brush',
  areaCm2,
  pieces,
  coats: MARKING_COATS,
});

/** One coat that is painted or drawn by hand. */
export const byHand = ({ edgeMm, areaCm2 }: Painted): Work => ({
  kind: 'brush',
  edgeMm,
  areaCm2,
  coats: MARKING_COATS,
});

/** What is slid, or rubbed, on. */
export const put = (pieces: number, isStencil: boolean): Work => ({ kind: isStencil ? 'stencils' : 'decals', pieces });

/** The white under a print on clear film, as far as it is laid on the model; null where there is none, or it is printed. */
export function workOfWhite(
  { film, white }: Printing,
  painted: Painted,
  pieces: number,
  isStencil: boolean,
): Work | null {
  if (film === 'white') return null;
  return white === 'painted' ? byHand(painted) : white === 'spare decal' ? put(pieces, isStencil) : null;
}

/** Its tape: all layers laid once to register. */
export const tapeOf = (edgeMm: number): Work => workOfMask({ tapeMm: edgeMm, softMm: 0 });

function workOfMaking(method: MarkingMethod, marking: MarkingToMake): Work[] {
  const { painted, pieces, isStencil, coats, covered, sprays, printing } = marking;
  switch (method) {
    case 'mask': {
      const taped: Work[] = [tapeOf(painted.edgeMm), { kind: 'unmask', edgeMm: painted.edgeMm }];
      return [
        ...taped,
        ...(covered ? taped : []),
        ...coats.map((coat) => coatThroughMask(sizeOfCoat(painted, coat), pieces, sprays)),
      ];
    }
    case 'brush':
      return coats.map((coat) => byHand(sizeOfCoat(painted, coat)));
    case 'pen':
      return [byHand(painted)];
    case 'own decal':
      return [workOfWhite(printing, painted, pieces, isStencil) ?? [], put(pieces, isStencil)].flat();
    default:
      return [put(pieces, isStencil)];
  }
}

/** At the bench, for all places of a marking; all that is printed at home is printed, sealed and cut before, on one sheet. */
export const minutesOfMaking = (method: MarkingMethod, marking: MarkingToMake): Minutes =>
  workOfMaking(method, marking).reduce((sum, work) => sum + minutesOf(work), 0);
