import { protectionFrom, type Caution } from './caution';
import type { Chemistry } from './chemistry';

export interface SprayAdvice {
  thinner: string;
  /** Parts of thinner to one part of paint. */
  ratio: number;
  pressureBar: number;
  needleMm: number;
  distanceCm: number;
  caution: Caution;
}

const solvent: Caution = {
  says: 'Solvent vapour: fitted respirator for organic vapour, extraction to outside, gloves, no flame.',
  protection: protectionFrom('AL', true),
};

/** Of whatever is thinned with mineral spirit. */
export const SPIRIT: Caution = {
  says: 'Mineral spirit: ventilate; lay soaked rags flat outdoors to dry: they can heat by themselves.',
  protection: protectionFrom('EW', false),
};

const SPRAYED_SPIRIT: Caution = { ...SPIRIT, protection: protectionFrom('EW', true) };

/** Starting points for a 0.2 to 0.3 mm airbrush; the paint's own sheet comes first. */
export const SPRAYING: Record<Chemistry, SprayAdvice> = {
  WA: {
    thinner: 'acrylic thinner',
    ratio: 1,
    pressureBar: 1.4,
    needleMm: 0.3,
    distanceCm: 8,
    caution: {
      says: 'Spray mist: dust mask and extraction even with water-based paint.',
      protection: protectionFrom('WA', true),
    },
  },
  SA: { thinner: 'alcohol thinner', ratio: 1.5, pressureBar: 1.2, needleMm: 0.3, distanceCm: 8, caution: solvent },
  AL: { thinner: 'lacquer thinner', ratio: 2, pressureBar: 1.1, needleMm: 0.2, distanceCm: 7, caution: solvent },
  ML: {
    thinner: 'none: sold ready to spray',
    ratio: 0,
    pressureBar: 0.9,
    needleMm: 0.2,
    distanceCm: 6,
    caution: { ...solvent, says: `${solvent.says} Wash the flakes out in a pot of their own.` },
  },
  EN: { thinner: 'enamel thinner', ratio: 1, pressureBar: 1.2, needleMm: 0.3, distanceCm: 9, caution: solvent },
  OI: {
    thinner: 'odourless mineral spirit',
    ratio: 3,
    pressureBar: 0.8,
    needleMm: 0.3,
    distanceCm: 6,
    caution: SPRAYED_SPIRIT,
  },
  EW: {
    thinner: 'odourless mineral spirit',
    ratio: 3,
    pressureBar: 0.8,
    needleMm: 0.3,
    distanceCm: 6,
    caution: SPRAYED_SPIRIT,
  },
};
