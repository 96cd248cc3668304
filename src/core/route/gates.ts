import { MARKING_ASPECTS, type Aspect } from '@/core/evidence/aspects';
import type { Outline } from '@/core/outline/outline';

export const GATES = {
  fuselage: 'Close the fuselage',
  wings: 'Close the wings',
  colour: 'Begin the colours',
  seal: 'Begin the markings',
} as const;
export type GateName = keyof typeof GATES;

/**
 * The gate that fixes the answer to a question: the room that closes over the zone; else the first colour for what paint decides,
 * the first marking for what markings decide. Seams are settled before primer, which is before the colours.
 */
export function gateOf(outline: Outline, zone: string, aspect: Aspect): GateName {
  const closedBy = outline.zones.find((candidate) => candidate.key === zone)?.closedBy;
  const hasWings = outline.zones.some((candidate) => candidate.group === 'wings');
  if (closedBy) return closedBy === 'wings' && !hasWings ? 'fuselage' : closedBy;
  return MARKING_ASPECTS.has(aspect) ? 'seal' : 'colour';
}
