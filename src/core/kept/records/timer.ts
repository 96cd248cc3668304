import { z } from 'zod';
import { instant, line, needed, number } from '../fields';

export const timerFields = z.strictObject({
  stepKey: line('Step', 120),
  label: needed('Label'),
  startedAt: instant('Started'),
  minutes: number('Minutes').min(0.1, 'Minutes: above 0').max(10_080, 'Minutes: at most a week'),
});
