import { BLANK_PART } from '@/core/kept/blank';
import type { Part } from '@/core/kit/parts';

/** A sound part of sprue C. */
export const partOf = (over: Partial<Part> = {}): Part => ({
  ...BLANK_PART,
  id: 'a',
  sprue: 'C',
  number: '1',
  ...over,
});
