/** How a marking is made. */
export type MarkingMethodName = 'decal' | 'mask' | 'brush' | 'pen' | 'own decal';
