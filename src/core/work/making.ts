import type { MarkingMethod } from '@/core/markings/kinds';
import type { PaintedSize } from '@/core/markings/painted-size';
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
  /** A white ground goes under its colours where it is masked. */
  white: boolean;
  /** A pattern is measured from it: it is there before that, and covered again meanwhile. */
  covered: boolean;
  /** Without an airbrush what is masked is brushed. */
  sprays: boolean;
}

/** One coat-through-the-mask of one colour of it. */
export const coatThroughMask = (areaCm2: number, pieces: number, sprays: boolean): Work => ({
  kind: sprays ? 'spray' : 'brush',
  areaCm2,
  pieces,
  coats: MARKING_COATS,
});

/** What is painted or drawn by hand, in one go. */
export const byHand = ({ edgeMm, areaCm2 }: Pick<PaintedSize, 'edgeMm' | 'areaCm2'>): Work => ({
  kind: 'brush',
  edgeMm,
  areaCm2,
  coats: MARKING_COATS,
});

/** What is slid, or rubbed, on. */
export const put = (pieces: number, isStencil: boolean): Work => ({ kind: isStencil ? 'stencils' : 'decals', pieces });

/** Its tape: all layers laid once to register. */
export const tapeOf = (edgeMm: number): Work => workOfMask({ tapeMm: edgeMm, softMm: 0 });

function workOfMaking(method: MarkingMethod, marking: MarkingToMake): Work[] {
  const { painted, pieces, isStencil, white, covered, sprays } = marking;
  switch (method) {
    case 'mask': {
      const colours = painted.ofCodes.length > 0 ? painted.ofCodes : [painted.areaCm2];
      const taped: Work[] = [tapeOf(painted.edgeMm), { kind: 'unmask', edgeMm: painted.edgeMm }];
      return [
        ...taped,
        ...(covered ? taped : []),
        ...(white ? [painted.areaCm2] : []).concat(colours).map((area) => coatThroughMask(area, pieces, sprays)),
      ];
    }
    case 'brush':
    case 'pen':
      return [byHand(painted)];
    default:
      return [put(pieces, isStencil)];
  }
}

/** At the bench, for all places of a marking; what is printed at home is printed, sealed and cut before, which no step of the route is. */
export const minutesOfMaking = (method: MarkingMethod, marking: MarkingToMake): Minutes =>
  workOfMaking(method, marking).reduce((sum, work) => sum + minutesOf(work), 0);
