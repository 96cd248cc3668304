import type { Aspect } from '@/core/evidence/aspects';
import type { FigureOf } from '@/core/skin/camera/traced';

/** What was traced on a machine as it is told, and what it can be a sighting of: the first is taken unless another is chosen. */
export const FIGURES: Readonly<Record<FigureOf, { unit: string; says: string; aspects: readonly Aspect[] }>> = {
  height: { unit: 'mm', says: 'above the belly, in the mean', aspects: ['boundaryPlace', 'markingPlace'] },
  station: { unit: 'mm', says: 'aft of the nose, in the mean', aspects: ['boundaryPlace', 'markingPlace'] },
  breadth: { unit: 'mm', says: 'from the centre line, in the mean', aspects: ['boundaryPlace', 'markingPlace'] },
  length: { unit: 'mm', says: 'along the skin', aspects: ['size', 'boundaryWidth', 'boundaryPlace', 'markingPlace'] },
  high: { unit: 'mm', says: 'high', aspects: ['size'] },
  diameter: { unit: 'mm', says: 'across', aspects: ['size'] },
  angle: { unit: '°', says: 'on the machine', aspects: ['style', 'fit'] },
  area: { unit: 'm²', says: 'of skin', aspects: ['fit', 'wear'] },
};
