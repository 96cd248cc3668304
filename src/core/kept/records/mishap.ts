import { z } from 'zod';
import { DEPTHS } from '@/core/bench/depth';
import { MISHAP_NAMES } from '@/core/bench/mishaps';
import { choice, instant, needed, prose } from '../fields';
import { runFields } from './work-run';

/** What went wrong, where, how it is mended; with the work that was taken into the route for it. */
export const mishapFields = z.strictObject({
  kind: choice('What happened', MISHAP_NAMES),
  zones: z.array(needed('Zone', 60)).min(1, 'Where: at least one zone').max(60, 'Where: at most 60 zones'),
  /** The cure by its title, and how deep it went; null where nothing was taken off. */
  cure: needed('Cure', 120),
  down: choice('How deep', DEPTHS).nullable(),
  happenedAt: instant('When'),
  note: prose('Note', 1000),
  pictureId: z.string().max(64).nullable().default(null),
  /** Null where nothing had to be done for it. */
  run: runFields.nullable(),
});
