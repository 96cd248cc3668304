import { aspectOf, type Aspect } from '@/core/evidence/aspects';
import type { Zone } from '@/core/outline/zones';
import { descendantsOf } from './behind';
import { fixingSteps } from './fixing';
import type { GateName } from './gates';
import type { Route } from './step';

/** What an answer that turns out wrong costs. */
export interface Redo {
  /** The first step that fixes the answer; null where only a gate does, or nothing. */
  fixing: string[];
  /** Work that would be done again, in minutes. */
  minutes: number;
  /** What waits for the answer, by title. */
  blocks: string[];
}

/** What a spray of one zone typically takes before any step for it is in the route: masking, spraying, cleaning. */
const ASSUMED_MINUTES = 45;

/**
 * Which steps fix the answer for an aspect of a zone, and what would be done again if it were wrong: those steps, what follows on the
 * same zone, and, where the zone was closed in meanwhile, the gate and the seam work behind it.
 */
export function redoOf(
  route: Route,
  zone: Pick<Zone, 'key' | 'group'>,
  aspect: Aspect,
  gate: GateName,
  closedIn: boolean,
): Redo {
  const byKey = new Map(route.steps.map((step) => [step.key, step]));
  const fixing = fixingSteps(route, zone, aspect);
  const gateStep = byKey.get(`gate:${gate}`);
  const roots = fixing.length > 0 ? fixing : gateStep ? [gateStep] : [];
  const behind = descendantsOf(
    route,
    roots.map((step) => step.key),
  );
  const again = new Map(fixing.map((step) => [step.key, step]));
  for (const key of behind) {
    const step = byKey.get(key)!;
    const sameLane = !aspectOf(aspect).surface && step.lane !== 'Whole' && fixing.some((own) => own.lane === step.lane);
    if (step.zones.includes(zone.key) || sameLane) again.set(key, step);
  }
  if (closedIn && gateStep) {
    again.set(gateStep.key, gateStep);
    for (const key of descendantsOf(route, [gateStep.key])) {
      const step = byKey.get(key)!;
      if (step.lane === gateStep.lane) again.set(key, step);
    }
  }
  const minutes = [...again.values()].reduce((total, step) => total + step.minutes, 0);
  return {
    fixing: fixing.map((step) => step.key),
    minutes: fixing.length > 0 ? minutes : minutes + ASSUMED_MINUTES,
    blocks: roots.map((step) => step.title),
  };
}
