import { spokenZones } from '@/core/outline/spoken';
import { lowered } from '@/core/units/words';
import { barrierBetween, barrierKey, conflictsByPair, type TakenRemedy } from '@/core/laid/guard';
import { ASSUMED_COATS } from './general-coats';
import { wantedStacks } from '@/core/laid/stack';
import { layerOfCoat } from '@/core/work/layer';
import { coatStep } from './by-way';
import type { RouteInput } from './route-input';
import { type Route, type RouteStep } from '@/core/work/step';

/** Mist coats take longer than wet ones, each left to flash off. */
const MIST_TIMES = 1.5;

/** The route with the remedies that the builder took: a barrier of clear between two layers, or the upper one begun in mist coats. */
export function withRemedies(
  route: Route,
  { outline, denominator, general }: Pick<RouteInput, 'outline' | 'denominator' | 'general'>,
  chosen: readonly TakenRemedy[],
): Route {
  if (chosen.length === 0) return route;
  const conflicts = conflictsByPair(
    wantedStacks(
      route,
      outline.zones.map(({ key }) => key),
    ),
  );
  const titleOf = new Map(route.steps.map(({ key, title }) => [key, title]));
  const made: Route = { ...route, steps: [...route.steps], links: [...route.links] };
  for (const { over, under, remedy } of chosen) {
    const conflict = conflicts.find((one) => one.over.step === over && one.under.step === under);
    if (!conflict) continue;
    if (remedy === 'mist') {
      made.steps = made.steps.map((step) => (step.key === over ? inMist(step) : step));
      continue;
    }
    const chemistry = barrierBetween(conflict.over.chemistry, conflict.under.chemistry);
    if (!chemistry) continue;
    const { zones } = conflict;
    const key = barrierKey(over, under);
    const coat = { ...ASSUMED_COATS.clear, chemistry, id: `barrier ${chemistry}`, title: 'Clear as a barrier' };
    const { lane, stage } = route.steps.find((step) => step.key === over)!;
    made.steps.push(
      coatStep(
        key,
        `Seal ${spokenZones(outline.zones, zones)} with clear`,
        lane,
        general,
        {
          kind: 'seal',
          zones,
          load: coat,
          family: 'barrier',
          stage,
          lays: [layerOfCoat({ ...coat, dries: {} })],
          why: `between ${lowered(titleOf.get(under)!)} and what attacks it: ${lowered(titleOf.get(over)!)}`,
        },
        { outline, denominator },
      ),
    );
    made.links.push(
      { from: under, to: key, minLag: 0, maxLag: null, why: 'sealed as it is' },
      { from: key, to: over, minLag: 0, maxLag: null, why: 'over the barrier' },
    );
  }
  return made;
}

const inMist = (step: RouteStep): RouteStep => ({
  ...step,
  minutes: Math.round(step.minutes * MIST_TIMES),
  minutesFrom: `${step.minutesFrom}; half as long again in mist coats`,
  why: [step.why, 'begun in mist coats, each left to flash off'].filter(Boolean).join('; '),
});
