import { aspectOf, type Aspect } from '@/core/evidence/aspects';
import type { Measures } from '@/ui/shown-units';

/** A value of the evidence as it is read: lengths, which are kept in millimetres of the real machine, as the house shows them. */
export const saidOf = (aspect: Aspect, value: string, { units, inColumn }: Measures): string =>
  aspectOf(aspect).type === 'length' && units !== 'metric' ? inColumn(Number(value), 'mm', 0) : value;
