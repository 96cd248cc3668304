import type { BriefState } from '@/core/kept/state';
import type { PlanSettings } from '@/core/route/plan';

/** The calendar that a brief is planned in, at a moment. */
export const planSettingsOf = (
  { brief: { timeZone, startOn }, sessions, evenings }: Pick<BriefState, 'brief' | 'sessions' | 'evenings'>,
  nowUtc: string,
): PlanSettings => ({ timeZone, startOn, weekly: sessions, evenings, nowUtc });
