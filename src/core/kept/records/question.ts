import { z } from 'zod';
import { choice, line, needed } from '../fields';
import { ASPECT_NAMES } from '@/core/evidence/aspects';

export const questionFields = z.strictObject({
  zone: needed('Zone', 60),
  aspect: choice('Aspect', ASPECT_NAMES),
  /** Which one, where a zone has several: "band", "code letters". */
  item: line('Which one', 60),
});
