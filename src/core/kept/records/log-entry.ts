import { z } from 'zod';
import { line, needed, number } from '../fields';

export const logEntryFields = z.strictObject({
  stepKey: line('Step', 120),
  title: needed('What', 200),
  lane: line('Lane', 30),
  plannedMinutes: number('Planned').int().min(0).nullable(),
  actualMinutes: number('Minutes')
    .int('Minutes: a whole number')
    .min(1, 'Minutes: at least 1')
    .max(10_000, 'Minutes: at most 10 000'),
  startedAt: z.iso.datetime({ offset: true, error: 'Started: a time is needed' }),
  endedAt: z.iso.datetime({ offset: true, error: 'Ended: a time is needed' }),
  note: line('Note', 1000),
  paint: line('Paint', 200),
});
