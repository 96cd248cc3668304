import { groupBy } from '@/core/units/grouped';
import { rememberedFor } from '@/core/units/remembered';
import type { Route, RouteStep } from '@/core/work/step';

/** What lies behind a step in the network. */

/** Each step with the links that leave it. */
const linksFrom = rememberedFor(({ links }: Pick<Route, 'links'>) => groupBy(links, ({ from }) => from));

/** Every step behind some others in the network, those themselves left out unless they follow one another. */
export function descendantsOf(route: Route, roots: readonly string[]): Set<string> {
  const next = linksFrom(route);
  const found = new Set<string>();
  const open = [...roots];
  while (open.length > 0) {
    for (const { to } of next.get(open.pop()!) ?? []) {
      if (found.has(to)) continue;
      found.add(to);
      open.push(to);
    }
  }
  return found;
}

/**
 * Steps that are done and no longer hold when one of them is done again: those behind it that lie on what it lies on, or that belong to the
 * same work apart.
 */
export function doneAgainWith(route: Route, done: ReadonlySet<string>, key: string): RouteStep[] {
  const first = route.steps.find((step) => step.key === key);
  if (!first) return [];
  const behind = descendantsOf(route, [key]);
  const touched = new Set(first.zones);
  return route.steps.filter(
    (step) =>
      behind.has(step.key) &&
      done.has(step.key) &&
      ((step.lane === first.lane && step.lane !== 'Whole') ||
        step.zones.some((zone) => touched.has(zone)) ||
        (touched.size === 0 && step.lane === first.lane)),
  );
}
