import type { BriefState } from '@/core/kept/state';
import type { PlanSettings } from '@/core/route/plan';

/** What of the log counts as done: entries whose work has to be done again do not. */
export const standingLog = ({ log }: Pick<BriefState, 'log'>): BriefState['log'] => log.filter(({ again }) => !again);

/** The calendar that a brief is planned in, at a moment. */
export const planSettingsOf = (
  { brief: { timeZone, startOn }, sessions, evenings }: Pick<BriefState, 'brief' | 'sessions' | 'evenings'>,
  nowUtc: string,
): PlanSettings => ({ timeZone, startOn, weekly: sessions, evenings, nowUtc });
