import type { Outline } from './outline';
import type { Zone } from './zones';

/** Where a kit is joined: how long those joints are, on the real machine. */
export const SEAMS = ['fuselage', 'wings', 'roots', 'bays'] as const;
export type Seam = (typeof SEAMS)[number];

/** A room as a square: how far it is round its mouth, m. */
export const roundMouth = ({ areaM2 }: Pick<Zone, 'areaM2'>): number => 4 * Math.sqrt(areaM2);

/** Length of a joint in metres: halves along their spine and belly, wings along both edges, roots on both faces, bays round their doors. */
export function seamM(seam: Seam, { spec, zones }: Pick<Outline, 'spec' | 'zones'>): number {
  const { dimensions: d } = spec;
  switch (seam) {
    case 'fuselage':
      return 2 * d.length;
    case 'wings':
      return 2 * d.span + 2 * d.tailSpan;
    case 'roots':
      return 4 * (d.rootChord + d.tailRootChord);
    case 'bays':
      return zones.filter(({ group }) => group === 'bays').reduce((sum, zone) => sum + roundMouth(zone), 0);
  }
}
