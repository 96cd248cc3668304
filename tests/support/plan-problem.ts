import type { PlanLink, PlanStep } from '@/core/route/schedule/problem';

/** Steps and links for tests of the scheduler: plain handwork unless said otherwise. */
export const step = (id: string, minutes = 10, over: Partial<PlanStep> = {}): PlanStep => ({
  id,
  minutes,
  splittable: false,
  colour: null,
  needsBooth: false,
  ...over,
});

export const link = (from: string, to: string, minLag = 0, maxLag: number | null = null): PlanLink => ({
  from,
  to,
  minLag,
  maxLag,
});
