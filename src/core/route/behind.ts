import type { Outline } from '@/core/outline/outline';
import { coveredWith } from '@/core/outline/zones';
import type { Route, RouteStep } from './step';

/** What lies behind a step in the network. */

/** Every step behind some others in the network, those themselves left out unless they follow one another. */
export function descendantsOf(route: Route, roots: readonly string[]): Set<string> {
  const next = new Map<string, string[]>();
  for (const { from, to } of route.links) next.set(from, [...(next.get(from) ?? []), to]);
  const found = new Set<string>();
  const open = [...roots];
  while (open.length > 0) {
    for (const key of next.get(open.pop()!) ?? []) {
      if (found.has(key)) continue;
      found.add(key);
      open.push(key);
    }
  }
  return found;
}

/**
 * Steps that are done and no longer hold when one of them is done again: those behind it that lie on what it lies on, or that belong to the
 * same work apart.
 */
export function doneAgainWith(route: Route, outline: Outline, done: ReadonlySet<string>, key: string): RouteStep[] {
  const first = route.steps.find((step) => step.key === key);
  if (!first) return [];
  const behind = descendantsOf(route, [key]);
  const touched = zonesOf(first, outline);
  return route.steps.filter(
    (step) =>
      behind.has(step.key) &&
      done.has(step.key) &&
      ((step.lane === first.lane && step.lane !== 'Whole') ||
        [...zonesOf(step, outline)].some((zone) => touched.has(zone)) ||
        (touched.size === 0 && step.lane === first.lane)),
  );
}

/** The zones that a step works on: its own, or all that its coat covers. */
function zonesOf({ zones, layer }: RouteStep, outline: Outline): Set<string> {
  const covered = layer?.covers
    ? outline.zones.filter(({ group }) => coveredWith(group) === layer.covers).map(({ key }) => key)
    : [];
  return new Set([...zones, ...covered]);
}
