import type { Added } from '@/core/interchange/added';
import { counted } from '@/core/units/words';

/** "Taken: 3 codes, 12 paints" */
export function addedInWords({ codes, chips, paints, changed }: Added): string {
  const parts = [
    codes > 0 ? counted(codes, 'code') : '',
    chips > 0 ? counted(chips, 'further chip') : '',
    paints > 0 ? counted(paints, 'paint') : '',
    changed > 0 ? `${counted(changed, 'paint')} changed` : '',
  ].filter(Boolean);
  return parts.length > 0 ? `Taken: ${parts.join(', ')}` : 'Everything was there already';
}
