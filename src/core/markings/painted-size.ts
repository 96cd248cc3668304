import { wound } from '@/core/geometry/clip';
import { signedArea } from '@/core/geometry/polygon';
import type { Outline } from '@/core/outline/outline';
import { atScale } from '@/core/units/length';
import { remembering } from '@/core/units/remembered';
import { bandLengths, lineLength } from './cut-sheet';
import { seenFields } from './drawn';
import type { PlaceableMarking } from './placing';

/** What of a marking is masked and painted on the model, at all of its places. */
export interface PaintedSize {
  edgeMm: number;
  areaCm2: number;
}

const memories = new WeakMap<Outline, ReturnType<typeof remembering<PaintedSize>>>();

/**
 * Edges and area of a marking that is painted, each field as far as it is seen; of bands, right round what they lie on. Measured once on the
 * real machine for an outline.
 */
export function paintedSize(outline: Outline, marking: PlaceableMarking, denominator: number): PaintedSize {
  const { kind, text, zone, heightMm, places, design } = marking;
  const remember = memories.get(outline) ?? remembering<PaintedSize>(300);
  memories.set(outline, remember);
  const name = JSON.stringify([kind, text, zone, heightMm, places, design]);
  const real = remember(name, () => measured(outline, marking));
  return { edgeMm: atScale(real.edgeMm, denominator), areaCm2: real.areaCm2 / denominator ** 2 };
}

function measured(outline: Outline, marking: PlaceableMarking): PaintedSize {
  const size = marking.heightMm;
  if (marking.kind === 'band') {
    const long = bandLengths(outline, marking).reduce((sum, m) => sum + m * 1000, 0);
    const places = Math.max(1, marking.places.length);
    return { edgeMm: 2 * long * places, areaCm2: (long * size * places) / 100 };
  }
  const fields = seenFields(marking).map(({ region }) => wound(region));
  const times = Math.max(1, marking.places.length);
  const edge = fields.flat().reduce((sum, ring) => sum + lineLength([...ring, ring[0]!]), 0);
  const area = fields.reduce((sum, rings) => sum + Math.abs(rings.reduce((all, ring) => all + signedArea(ring), 0)), 0);
  return { edgeMm: edge * size * times, areaCm2: (area * size * size * times) / 100 };
}
