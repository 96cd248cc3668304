import type { Load, Route } from './step';

/** Whether an airbrush that is kept for this is the one that a load goes into. */
const goesInto = (load: Load, layer: string | null, keptFor: string): boolean =>
  keptFor === 'clear'
    ? load.kind === 'clear'
    : keptFor === 'primer'
      ? layer === 'primer'
      : keptFor === 'metal'
        ? load.kind === 'metallic'
        : load.id.toLowerCase() === keptFor.toLowerCase();

/** The route with what goes into an airbrush of its own marked: that one is never cleaned out for anything else. */
export function withOwnAirbrushes(route: Route, kept: readonly string[]): Route {
  if (kept.length === 0) return route;
  return {
    ...route,
    steps: route.steps.map((step) => {
      const { load, layer } = step;
      const keptFor = load && kept.find((own) => goesInto(load, layer?.what ?? null, own));
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
