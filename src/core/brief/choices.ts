/** Choices of the kept records by name: apart from their schemas, so that a form can offer them without loading the checks. */

export const RULING_BASES = ['supported', 'choice', 'departure'] as const;
export const RULING_TITLES: Record<(typeof RULING_BASES)[number], string> = {
  supported: 'As supported',
  choice: "Builder's choice",
  departure: 'Knowing departure from the record',
};

export const MARKING_KINDS = ['insignia', 'lettering', 'band'] as const;
export const MARKING_METHODS = ['decal', 'mask', 'brush', 'pen', 'own decal'] as const;
/** How a marking is made. */
export type MarkingMethod = (typeof MARKING_METHODS)[number];
