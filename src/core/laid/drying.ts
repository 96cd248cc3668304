import { layOver } from '@/core/paint/chemistry';
import { dryingTime, waitFor, type Climate, type DryingState } from '@/core/paint/drying';
import type { LayerKind } from '@/core/work/kinds';
import type { Layer } from '@/core/work/layer';
import { inOrder } from './stack';
import type { Route, RouteLink, RouteStep } from '@/core/work/step';

/** Layers that a spirit creeps under while they are not through. */
const SPIRITS: ReadonlySet<string> = new Set(['EW', 'OI']);
/** Dry dust and scratches: nothing waits for them. */
const NO_FILM: ReadonlySet<LayerKind> = new Set(['pigment', 'chip']);

/** A layer as far as waits are concerned. */
export type Film = Pick<Layer, 'what' | 'chemistry' | 'dries' | 'paint'>;

/** How long a layer must have been lying before another may come right on it, and why. */
export function waitBetween(over: Film, under: Film, climate: Climate): { minutes: number; why: string } {
  if (NO_FILM.has(under.what)) return { minutes: 0, why: 'nothing wet lies there' };
  if (under.what === 'decal') {
    const { minutes, says } = waitFor(over.what === 'decal' ? 'decal' : 'decalOvernight', climate);
    return { minutes, why: says };
  }
  const state = stateFor(over, under);
  return { minutes: dryingTime(under, state, climate), why: `${under.paint || 'the coat'} ${SAYS[state]}` };
}

function stateFor(over: Film, under: Film): DryingState {
  if (SPIRITS.has(over.chemistry) && under.what === 'clear') return 'cure';
  const { verdict } = layOver(over.chemistry, under.chemistry);
  if (verdict !== 'ok' && verdict !== 'mist first') return 'cure';
  // Enamel bears its like only when it bears tape.
  return over.chemistry === 'EN' && under.chemistry === 'EN' ? 'mask' : 'recoat';
}

const SAYS: Record<DryingState, string> = {
  touch: 'no longer catches dust',
  recoat: 'may be painted over',
  handle: 'may be handled',
  mask: 'bears tape',
  cure: 'is dry right through',
};

/**
 * The route with a wait between each layer and what lies right under it, on every zone. What lies on a zone is in the order of the network,
 * so that no link closes a ring.
 */
export function withDrying(route: Route, climate: Climate): Route {
  const top = new Map<string, RouteStep>();
  const waits = new Map<string, RouteLink>();
  for (const step of inOrder(route)) {
    const [over] = step.lays;
    if (!over) continue;
    for (const zone of step.zones) {
      const under = top.get(zone);
      top.set(zone, step);
      if (!under) continue;
      const key = `${under.key} ${step.key}`;
      if (waits.has(key)) continue;
      const { minutes, why } = waitBetween(over, under.lays.at(-1)!, climate);
      waits.set(key, { from: under.key, to: step.key, minLag: minutes, maxLag: null, why });
    }
  }
  const links = route.links.map((link): RouteLink => {
    const wait = waits.get(`${link.from} ${link.to}`);
    if (!wait) return link;
    waits.delete(`${link.from} ${link.to}`);
    return wait.minLag > link.minLag ? { ...link, minLag: wait.minLag, why: wait.why } : link;
  });
  return { ...route, links: [...links, ...waits.values()] };
}
