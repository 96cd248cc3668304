import { z } from 'zod';
import { GENERAL_WAYS } from '@/core/kit/applying';
import { COAT_ROLES } from '@/core/paint/coat-roles';
import { choice, id, needed } from '../fields';

/** The product of a coat that no colour calls for: primer, gloss, satin, matt. */
export const generalCoatFields = z.strictObject({
  role: choice('Coat', COAT_ROLES),
  paintId: id,
  /** How it is brought on; '' as general coats are brought on in this house. */
  way: choice('Way of applying', ['', ...GENERAL_WAYS]).default(''),
  /** Where it is laid; none where it is laid wherever no other is chosen for the coat. */
  zones: z.array(needed('Zone', 60)).max(80, 'Zones: at most 80').default([]),
});

type Laid = Pick<z.infer<typeof generalCoatFields>, 'role' | 'zones'>;

/** Whether two products would be laid as one coat in one place. */
export const meet = (one: Laid, other: Laid): boolean =>
  one.role === other.role &&
  (one.zones.length === 0 ? other.zones.length === 0 : one.zones.some((zone) => other.zones.includes(zone)));
