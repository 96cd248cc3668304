import { standingOf, type Standing } from '@/core/laid/standing';
import type { BriefState } from '@/core/kept/state';
import type { Outline } from '@/core/outline/outline';
import { stepNow } from '@/core/route/rules';
import type { Route } from '@/core/work/step';

/** Stage: what is laid, and what is left to do. */

/** How the build of a brief stands by its log. */
export const standingIn = (route: Route, { zones }: Outline, { log, mishaps, brief }: BriefState): Standing => {
  const areas = new Map(zones.map(({ key, areaM2 }) => [key, areaM2]));
  return standingOf(
    route,
    zones.map(({ key }) => key),
    log.map((entry) => {
      const stepKey = stepNow(entry.stepKey);
      return stepKey === entry.stepKey ? entry : { ...entry, stepKey };
    }),
    mishaps,
    { tempC: brief.tempC, humidity: brief.humidity },
    (zone) => areas.get(zone) ?? 0,
  );
};
