import { isInRegion } from '@/core/geometry/polygon';
import { intersection, regionArea } from '@/core/geometry/clip';
import type { Outline } from '@/core/outline/outline';
import { rememberedOf } from '@/core/units/remembered';
import { middleOf, onSkin, type PlaceableMarking } from './placing';

/** Of what a marking covers at one place, the share from which a zone under it counts: less is an edge that runs over. */
const LEAST_SHARE = 0.1;

/**
 * The zones that a marking lies on, at all of its places, in the outline's order: those under the middle of each, and those that it covers
 * with a good part of itself. Where it has no place yet, or lies beside all surfaces, the zone that it was entered for. Remembered for an outline.
 */
export const zonesOfMarking = rememberedOf((outline: Outline, marking: PlaceableMarking): string[] => {
  const on = new Set(marking.places.flatMap((_, i) => zonesAt(outline, marking, i)));
  const known = outline.zones.flatMap(({ key }) => (on.has(key) ? [key] : []));
  return known.length > 0 ? known : [marking.zone];
});

/** Of one place. */
export function zonesAt(outline: Outline, marking: PlaceableMarking, place: number): string[] {
  const skin = onSkin(outline, marking, place);
  if (!skin) return [marking.zone];
  const covers = skin.fields.flatMap(({ region }) => region);
  const centre = covers.length > 0 ? middleOf(covers) : null;
  const under = outline.regions
    .filter(({ chart, glass }) => chart === skin.chart && !glass)
    .map(({ zone, region }) => ({
      zone,
      area: skin.fields.reduce((sum, field) => sum + regionArea(intersection(field.region, region)), 0),
      isHome: centre !== null && isInRegion(centre, region),
    }));
  const all = under.reduce((sum, { area }) => sum + area, 0);
  return under.flatMap(({ zone, area, isHome }) => (isHome || (all > 0 && area >= LEAST_SHARE * all) ? [zone] : []));
}
