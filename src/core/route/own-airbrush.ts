import type { LayerKind } from '@/core/work/kinds';
import type { Load, Route } from '@/core/work/step';

/** Whether an airbrush that is kept for this is the one that a load goes into. */
const goesInto = (load: Load, what: LayerKind | undefined, keptFor: string): boolean =>
  keptFor === 'clear'
    ? load.kind === 'clear'
    : keptFor === 'primer'
      ? what === 'primer'
      : keptFor === 'metal'
        ? load.kind === 'metallic'
        : load.id.toLowerCase() === keptFor.toLowerCase();

/** The route with what goes into an airbrush of its own marked: that one is never cleaned out for anything else. */
export function withOwnAirbrushes(route: Route, kept: readonly string[]): Route {
  if (kept.length === 0) return route;
  return {
    ...route,
    steps: route.steps.map((step) => {
      const { load, lays } = step;
      const keptFor = load && kept.find((own) => goesInto(load, lays[0]?.what, own));
      return keptFor
        ? {
            ...step,
            load: { ...load, ownAirbrush: true },
            why: [step.why, `with the airbrush that is kept for ${keptFor}: nothing to clean out`]
              .filter(Boolean)
              .join('; '),
          }
        : step;
    }),
  };
}
