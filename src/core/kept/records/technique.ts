import { z } from 'zod';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { LAYER_KINDS, STEP_KINDS } from '@/core/work/kinds';
import { choice, line, needed, number, prose } from '../fields';
import { mixedFields } from './log-entry';

const wait = number('Wait')
  .int('Wait: whole minutes')
  .min(0, 'Wait: never below 0')
  .max(20_160, 'Wait: at most two weeks');

/** A technique of the house: steps with their waits and windows, what surface it wants, and how it is tried first. */
export const techniqueFields = z.strictObject({
  title: needed('Title', 120),
  about: prose('What it is for', 500),
  surface: line('Surface', 300),
  testPiece: line('Test piece', 300),
  steps: z
    .array(
      z.strictObject({
        does: needed('Step', 200),
        kind: choice('Kind of work', STEP_KINDS),
        minutes: number('Minutes')
          .int('Minutes: whole ones')
          .min(1, 'Minutes: at least 1')
          .max(600, 'Minutes: at most 600'),
        afterMin: wait,
        afterMost: wait.nullable(),
        why: line('Why', 300),
        lays: z
          .strictObject({
            what: choice('What it lays', LAYER_KINDS),
            chemistry: choice('Chemistry', CHEMISTRY_NAMES),
            paint: line('Paint', 200),
          })
          .nullable(),
        mixed: mixedFields.nullable().default(null),
        caution: line('Caution', 300),
      }),
    )
    .min(1, 'Steps: at least one')
    .max(30, 'Steps: at most 30'),
});
