import { z } from 'zod';
import { choice } from '../fields';
import { SHOWN_UNITS } from '@/core/units/shown';

/** What holds for the whole house. */
export const houseFields = z.strictObject({
  /** In what lengths, pressures and temperatures are shown. */
  units: choice('Units', SHOWN_UNITS),
});
