import type { Outline } from '@/core/outline/outline';
import type { Chemistry } from '@/core/paint/chemistry';
import type { LayerKind } from './rules/rule';
import { zonesLaid, type Route, type RouteStep } from './step';

/** One layer on a zone, with the step that lays it. */
export interface StackLayer {
  step: string;
  what: LayerKind;
  chemistry: Chemistry;
  code: string | null;
  paint: string;
  coats: number;
}

/**
 * What lies on each zone when all is done, from the plastic up: the one truth that guard, rework, log and "how was this made?" read. General
 * coats lie on every zone that they cover; the order is that of the network, by the longest way from its beginning.
 */
export function stacksOf(route: Route, outline: Outline): Map<string, StackLayer[]> {
  const stacks = new Map<string, StackLayer[]>(outline.zones.map(({ key }) => [key, []]));
  for (const step of inOrder(route))
    if (step.layer) for (const zone of zonesLaid(step, route)) stacks.get(zone)?.push(layerOf(step));
  return stacks;
}

/** The steps in an order that keeps every link: by the longest way from the beginning, then as they were made. */
export function inOrder({ steps, links }: Pick<Route, 'steps' | 'links'>): RouteStep[] {
  const place = placesOf(steps, links);
  return [...steps].sort((a, b) => place.get(a.key)! - place.get(b.key)!);
}

function layerOf({ key, layer }: RouteStep): StackLayer {
  const { what, chemistry, code, paint, coats } = layer!;
  return { step: key, what, chemistry, code, paint, coats };
}

/** How far each step lies from the beginning, counted in steps along the longest way. */
function placesOf(steps: readonly RouteStep[], links: Route['links']): Map<string, number> {
  const before = new Map<string, string[]>();
  for (const { from, to } of links) before.set(to, [...(before.get(to) ?? []), from]);
  const places = new Map<string, number>();
  const placeOf = (key: string): number => {
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, 0);
    const place = Math.max(0, ...(before.get(key) ?? []).map((origin) => placeOf(origin) + 1));
    places.set(key, place);
    return place;
  };
  for (const { key } of steps) placeOf(key);
  return places;
}
