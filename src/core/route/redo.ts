import { aspectOf, type Aspect } from '@/core/evidence/aspects';
import type { Zone } from '@/core/outline/zones';
import { counted } from '@/core/units/words';
import { descendantsOf } from './behind';
import { fixingSteps } from './fixing';
import type { GateName } from './gates';
import { stepsByKey, type Route } from '@/core/work/step';

/** What an answer that turns out wrong costs. */
export interface Redo {
  /** The first step that fixes the answer; null where only a gate does, or nothing. */
  fixing: string[];
  /** Work that would be done again, in minutes. */
  minutes: number;
  /** The steps that would be done again, each with its minutes; none where nothing is planned for it yet. */
  again: { title: string; minutes: number }[];
  /** Minutes that are reckoned where no step is planned for it yet. */
  assumed: number;
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
  const byKey = stepsByKey(route);
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
  const assumed = fixing.length > 0 ? 0 : ASSUMED_MINUTES;
  return {
    fixing: fixing.map((step) => step.key),
    minutes: minutes + assumed,
    again: [...again.values()].map(({ title, minutes: own }) => ({ title, minutes: own })),
    assumed,
    blocks: roots.map((step) => step.title),
  };
}

/** Titles that a sentence names; the others are summed up. */
const MOST_NAMED = 6;

/** Where the minutes of a wrong answer come from: "Spray fin 30, place codes 15: 45 min." */
export function redoInWords({ again, assumed, minutes }: Redo): string {
  const parts = [
    ...(assumed > 0 ? [`nothing is planned for it yet, so ${assumed} min to mask, spray and clean are assumed`] : []),
    ...again.slice(0, MOST_NAMED).map((step) => `${step.title} ${step.minutes}`),
    ...(again.length > MOST_NAMED
      ? [
          `${counted(again.length - MOST_NAMED, 'step')} more ${again.slice(MOST_NAMED).reduce((sum, step) => sum + step.minutes, 0)}`,
        ]
      : []),
  ];
  return `${parts.join(', ')}: ${minutes} min.`;
}
