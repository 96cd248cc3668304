export const MARKING_KINDS = ['insignia', 'lettering', 'band'] as const;
export const MARKING_METHODS = ['decal', 'mask', 'brush', 'pen', 'own decal'] as const;
/** How a marking is made. */
export type MarkingMethod = (typeof MARKING_METHODS)[number];
