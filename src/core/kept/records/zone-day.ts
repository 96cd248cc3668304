import { z } from 'zod';
import { inOrder, needed, neededProse, optionalDay } from '../fields';

/** A zone that is shown as on another day than the rest of the machine, knowingly. */
export const zoneDayFields = inOrder(
  z.strictObject({
    zone: needed('Zone', 60),
    fromDay: optionalDay('Depicts from'),
    toDay: optionalDay('Depicts to'),
    reason: neededProse('Reason', 500),
  }),
  'fromDay',
  'toDay',
  'Depicts to: the window ends before it starts',
).refine(({ fromDay, toDay }) => fromDay !== null || toDay !== null, {
  path: ['fromDay'],
  message: 'Depicts from: a day is needed, or there is nothing to differ in',
});
