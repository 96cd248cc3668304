export const MARKING_KINDS = [
  'insignia',
  'lettering',
  'band',
  'stencil',
  'walkway',
  'artwork',
  'kill marks',
  'window strip',
] as const;
export type MarkingKind = (typeof MARKING_KINDS)[number];

export const MARKING_METHODS = ['decal', 'mask', 'brush', 'pen', 'own decal', 'dry transfer'] as const;
/** How a marking is made. */
export type MarkingMethod = (typeof MARKING_METHODS)[number];
/** It is bought with its colours. */
export const FROM_A_SHEET: ReadonlySet<MarkingMethod> = new Set(['decal', 'dry transfer']);
/** Printed already, or here: it takes no paint. */
export const PRINTED: ReadonlySet<MarkingMethod> = new Set(['decal', 'own decal', 'dry transfer']);

/** A decal of one's own, printed at home. */
export const isPrintedAtHome = ({ method }: { method: MarkingMethod }): boolean => method === 'own decal';

/** What goes right round what it lies on, and has no shape before it lies there. */
export const goesRound = ({ kind, design }: { kind: MarkingKind; design: { course: 'round' | 'along' } }): boolean =>
  kind === 'band' && design.course === 'round';
