import { estimated } from '@/core/bench/estimate';
import type { BriefState } from '@/core/kept/state';
import type { Standing } from '@/core/laid/standing';
import { followAccepted, type FollowedPlan } from '@/core/route/accepted';
import { localDay } from '@/core/route/calendar';
import { planRoute, type RoutePlan } from '@/core/route/plan';
import { minutesAfter } from '@/core/units/minutes';
import type { Stages } from './stages';

/** Stage: when what is left is done. */

/** A plan with what waits to be accepted: null where nobody accepted one yet, without changes where it still holds. */
export interface Planned {
  plan: RoutePlan;
  proposal: Pick<FollowedPlan, 'changes' | 'next'> | null;
}

/** Entries from before kinds were logged teach nothing. */
export const paceOf = (log: BriefState['log']) =>
  estimated(
    log.flatMap(({ stepKind, plannedMinutes, actualMinutes }) =>
      stepKind ? [{ kind: stepKind, planned: plannedMinutes, actual: actualMinutes }] : [],
    ),
  ).factors;

/** A plan holds until the first work that it plans should have begun: only then, or when its inputs changed, is it made anew. */
export function planAhead(
  stages: Stages,
  { left, done }: Standing,
  state: BriefState,
  { nowUtc, effort }: { nowUtc: string; effort: number },
): Planned {
  const { brief, sessions, evenings, plans } = state;
  const { timeZone, startOn } = brief;
  const settings = stages.settled('calendar', { timeZone, startOn, weekly: sessions, evenings });
  const inputs = [left, done, settings, plans, effort];
  const held = stages.same('plan held', inputs, () => ({ made: null as Planned | null, until: '', day: '' }));
  const day = localDay(nowUtc, brief.timeZone);
  if (!held.made || nowUtc > held.until || day !== held.day) {
    const from = { ...settings, nowUtc };
    const [accepted] = plans;
    const followed = accepted && followAccepted(left, done, from, accepted);
    held.made = followed
      ? { plan: followed.plan, proposal: { changes: followed.changes, next: followed.next } }
      : { plan: planRoute(left, done, from, effort), proposal: null };
    held.until = firstStart(held.made.plan) ?? nowUtc;
    held.day = day;
  }
  const { plan, proposal } = held.made;
  return stages.same('plan now', [plan, nowUtc], () => ({
    plan: {
      ...plan,
      now: Math.max(0, Math.round((Date.parse(nowUtc) - Date.parse(plan.origin)) / 60_000)),
    },
    proposal,
  }));
}

/** The instant at which the first work that is not done is planned to begin; null when there is none. */
function firstStart({ origin, work }: RoutePlan): string | null {
  const first = work.find(({ done }) => !done);
  return first ? minutesAfter(origin, first.segments[0]![0]) : null;
}
