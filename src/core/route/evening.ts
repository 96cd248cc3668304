import type { Day } from '@/core/units/day';

/** When the builder is at the bench, as it is kept: by the clock on the wall. */

/** A session that comes round every week. */
export interface WeeklySession {
  /** 1 = Monday ... 7 = Sunday. */
  weekday: number;
  /** Local wall-clock time, HH:MM. */
  startsAt: string;
  minutes: number;
  /** Whether spraying is possible in it. */
  booth: boolean;
}

/** One evening beside the weekly pattern; `off` takes off all that the week would bring on that day. */
export interface Evening {
  onDay: Day;
  startsAt: string;
  minutes: number;
  booth: boolean;
  off: boolean;
}

/** All that the week would bring on a day, taken off: its hours say nothing. */
export const takenOff = (onDay: Day): Evening => ({ onDay, startsAt: '00:00', minutes: 10, booth: false, off: true });
