import { z } from 'zod';
import { instant, line, needed, number } from '../fields';

export const timerFields = z.strictObject({
  stepKey: line('Step', 120),
  label: needed('Label'),
  startedAt: instant('Started'),
  /** Until it may begin; and until it is too late, where it ever is. */
  minutes: number('Minutes').min(0.1, 'Minutes: above 0').max(10_080, 'Minutes: at most a week'),
  closesMin: number('Closes')
    .min(0.1, 'Closes: above 0')
    .max(20_160, 'Closes: at most two weeks')
    .nullable()
    .default(null),
  /** Times the minutes: below 1 where a dryer or warmth hurries it. */
  factor: number('Factor').min(0.1, 'Factor: at least 0.1').max(5, 'Factor: at most 5').default(1),
});
