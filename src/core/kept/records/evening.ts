import { z } from 'zod';
import { day } from '../fields';
import { weeklySessionFields } from './weekly-session';

/** One evening beside the weekly pattern: at the bench all the same, or taken off whatever the week says. */
export const eveningFields = z.strictObject({
  onDay: day('On'),
  ...weeklySessionFields.omit({ weekday: true }).shape,
  off: z.boolean(),
});
