import type { Aspect } from '@/core/evidence/aspects';
import { APART, type Zone } from '@/core/outline/zones';
import { fixingSteps, glassSteps, needingSteps } from '@/core/route/fixing';
import type { GateName } from '@/core/route/gates';
import type { PlannedWork, RoutePlan } from '@/core/route/plan';
import type { Route, RouteStep } from '@/core/work/step';

/** When an answer is wanted. */
export interface Due {
  /** The first step that fixes, hides or needs it; null where none does. */
  step: { key: string; title: string } | null;
  /** Local date-time of that step; null where it is not planned. */
  start: string | null;
  /** Local date-time of the last session before it: by then it should be known. */
  by: string | null;
  /** The step that fixes it is done, or the zone is closed in. */
  tooLate: boolean;
}

/** When the answer for an aspect of a zone is wanted. */
export type DueOf = (zone: Pick<Zone, 'key' | 'group' | 'closedBy'>, aspect: Aspect, gate: GateName) => Due;

/** Dues in one route and its plan: each is found once, whoever asks. */
export function duesIn(route: Route, plan: RoutePlan): DueOf {
  const workOf = new Map(plan.work.map((item) => [item.key, item]));
  const found = new Map<string, Due>();
  return (zone, aspect, gate) => {
    const key = `${zone.key} ${aspect} ${gate}`;
    const due = found.get(key) ?? dueOf(route, plan, workOf, zone, aspect, gate);
    found.set(key, due);
    return due;
  };
}

/**
 * The latest useful day of a question, from the network that is planned: the first step that fixes its answer, needs it or hides the zone,
 * with one session's margin.
 */
function dueOf(
  route: Route,
  plan: RoutePlan,
  workOf: ReadonlyMap<string, PlannedWork>,
  zone: Pick<Zone, 'key' | 'group' | 'closedBy'>,
  aspect: Aspect,
  gate: GateName,
): Due {
  const isDone = (step: RouteStep) => workOf.get(step.key)?.done ?? false;
  const fixing = fixingSteps(route, zone, aspect);
  const gateStep = route.steps.find((step) => step.gate === gate);
  // What is painted apart and fitted late passes no gate.
  const gates = gateStep && (zone.closedBy || !APART.has(zone.group)) ? [gateStep] : [];
  const wanting = fixing.length > 0 ? fixing : needingSteps(route, zone, aspect);
  const ahead = [...wanting, ...glassSteps(route, zone, aspect), ...gates].filter((step) => !isDone(step));
  const planned = ahead.flatMap((step) => workOf.get(step.key) ?? []);
  const first = planned.sort((a, b) => a.segments[0]![0] - b.segments[0]![0])[0];
  const step = first?.step ?? ahead[0] ?? null;
  return {
    step: step && { key: step.key, title: step.title },
    start: first?.start ?? null,
    by: first ? sessionBefore(plan, first) : null,
    tooLate: fixing.some(isDone) || (zone.closedBy !== null && gates.some(isDone)),
  };
}

/** When the last session before some work begins; where none is left before it, the work itself. */
function sessionBefore({ sessions, now }: RoutePlan, { start, segments }: PlannedWork): string {
  const before = sessions.findLast((session) => session.end <= segments[0]![0]);
  return before && before.end > now ? before.startLocal : start;
}
