import { z } from 'zod';
import { choice, line, needed, neededProse } from '../fields';
import { ASPECT_NAMES } from '@/core/evidence/aspects';

/** Port and starboard of a zone ruled to be the mirror of one another, for one aspect. `zone` is without its side. */
export const mirrorFields = z.strictObject({
  zone: needed('Zone', 60),
  aspect: choice('Aspect', ASPECT_NAMES),
  item: line('Which one', 60),
  reason: neededProse('Reason', 500),
});
