import { z } from 'zod';
import { number } from '../fields';

export const weeklySessionFields = z.strictObject({
  weekday: number('Weekday').int().min(1, 'Weekday: 1 Monday to 7 Sunday').max(7, 'Weekday: 1 Monday to 7 Sunday'),
  startsAt: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Starts at: a time HH:MM'),
  minutes: number('Minutes')
    .int('Minutes: a whole number')
    .min(10, 'Minutes: at least 10')
    .max(900, 'Minutes: at most 15 hours'),
  booth: z.boolean(),
});
