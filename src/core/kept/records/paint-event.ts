import { z } from 'zod';
import { choice, day, line, needed, prose } from '../fields';
import { EVENT_KIND_NAMES } from '@/core/evidence/events';

export const paintEventFields = z.strictObject({
  zone: needed('Zone', 60),
  kind: choice('What happened', EVENT_KIND_NAMES),
  onDay: day('On'),
  value: line('What was laid or covered', 200),
  showsUnder: z.boolean(),
  note: prose('Note', 300),
});
