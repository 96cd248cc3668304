import { nowMs } from '@/clock/now';
import type { Fields } from '@/core/kept/records';
import { Refused } from './answer';

const A_DAY = 24 * 3_600_000;
/** Models stand unfinished for decades; nobody writes down what was done before that. */
const LONGEST_AGO = 40 * 365 * A_DAY;

/** Whether something may have been done at an instant (ISO text): not tomorrow, and within a builder's life. */
export function isOfABuild(instant: string): boolean {
  const at = Date.parse(instant);
  return at <= nowMs() + A_DAY && at >= nowMs() - LONGEST_AGO;
}

/** Throws Refused where work cannot have been done when it says. */
export function checkWorkedAt({ startedAt, endedAt }: Pick<Fields<'log_entry'>, 'startedAt' | 'endedAt'>): void {
  for (const [field, instant] of [
    ['startedAt', startedAt],
    ['endedAt', endedAt],
  ] as const)
    if (!isOfABuild(instant))
      throw new Refused(
        field,
        Date.parse(instant) > nowMs()
          ? `When: ${instant.slice(0, 10)} has not come yet.`
          : `When: on ${instant.slice(0, 10)} nobody worked on this build. Give the day on which it was done.`,
      );
}
