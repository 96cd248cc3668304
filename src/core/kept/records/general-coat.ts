import { z } from 'zod';
import { GENERAL_WAYS } from '@/core/kit/applying';
import { COAT_ROLES } from '@/core/paint/coat-roles';
import { choice, id } from '../fields';

/** The product of a coat that no colour calls for: primer, gloss, satin, matt. */
export const generalCoatFields = z.strictObject({
  role: choice('Coat', COAT_ROLES),
  paintId: id,
  /** How it is brought on; '' as general coats are brought on in this house. */
  way: choice('Way of applying', ['', ...GENERAL_WAYS]).default(''),
});
