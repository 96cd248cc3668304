import { groupBy } from '@/core/units/grouped';
import type { Layer } from '@/core/work/layer';
import type { Route, RouteStep } from '@/core/work/step';
import { lyingOf, type Laid } from './laid';

/** One layer on a zone: laid, by an entry of the log, or planned. */
export interface StackLayer extends Layer {
  step: string;
  laid: boolean;
  /** The place in the log of the entry that laid it; null for what is planned. */
  entry: number | null;
  /** A repair that is planned takes it off: nothing is laid on it. */
  comesOff: boolean;
}

/** By zone, from the plastic up. */
export type Stacks = Map<string, StackLayer[]>;

/** What will lie on each zone when all is done as it is wanted, whatever was laid so far. */
export function wantedStacks(route: Route, zones: readonly string[]): Stacks {
  const stacks: Stacks = new Map(zones.map((key) => [key, []]));
  for (const step of inOrder(route))
    for (const zone of step.zones) stacks.get(zone)?.push(...step.lays.map((layer) => planned(step, layer)));
  return stacks;
}

/**
 * What lies on each zone, as it was laid, then what is still to be laid on it in the order of the network: the one truth that guard, waits,
 * rework and "how was this made?" read. `toDo` names the zones that a step still has to do.
 */
export function stacksOf(
  route: Route,
  zones: readonly string[],
  laid: Laid,
  toDo: (step: string) => readonly string[],
): Stacks {
  const stacks: Stacks = new Map(
    zones.map((key) => [
      key,
      lyingOf(laid.get(key)).map((layer): StackLayer => ({
        ...layer,
        laid: true,
        comesOff: layer.comesOffBy !== null,
      })),
    ]),
  );
  for (const step of inOrder(route))
    if (step.lays.length > 0)
      for (const zone of toDo(step.key)) stacks.get(zone)?.push(...step.lays.map((layer) => planned(step, layer)));
  return stacks;
}

const planned = ({ key }: RouteStep, layer: Layer): StackLayer => ({
  ...layer,
  step: key,
  laid: false,
  entry: null,
  comesOff: false,
});

/** The steps in an order that keeps every link: by the longest way from the beginning, then as they were made. */
export function inOrder({ steps, links }: Pick<Route, 'steps' | 'links'>): RouteStep[] {
  const known = ordered.get(links);
  if (known?.of === steps) return known.in;
  const place = placesOf(steps, links);
  const sorted = [...steps].sort((a, b) => place.get(a.key)! - place.get(b.key)!);
  ordered.set(links, { of: steps, in: sorted });
  return sorted;
}
/** Found once for each network, by its links. */
const ordered = new WeakMap<Route['links'], { of: readonly RouteStep[]; in: RouteStep[] }>();

/** How far each step lies from the beginning, counted in steps along the longest way. */
export function placesOf(steps: readonly RouteStep[], links: Route['links']): Map<string, number> {
  const into = groupBy(links, ({ to }) => to);
  const places = new Map<string, number>();
  const placeOf = (key: string): number => {
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, 0);
    const place = Math.max(0, ...(into.get(key) ?? []).map(({ from }) => placeOf(from) + 1));
    places.set(key, place);
    return place;
  };
  for (const { key } of steps) placeOf(key);
  return places;
}
