import { layersAsOn, type ColourHistory } from '@/core/evidence/as-on';
import { needsOrder, type Layer } from '@/core/evidence/layers';
import type { BriefState } from '@/core/kept/state';
import { zoneTitle, type Outline } from '@/core/outline/outline';
import type { WeighedBrief } from './questions';

/** Stage: what each zone wore on any day, and what lies under and over its visible coat. */

export interface LayerOrder {
  zone: string;
  zoneTitle: string;
  /** Bottom to top. */
  layers: Layer[];
}

export function colourHistoryOf(
  { questions, evidence, weights, weighable }: WeighedBrief,
  state: BriefState,
  outline: Outline,
): ColourHistory {
  const colour = questions.filter(({ record }) => record.aspect === 'colour' && record.item === '');
  return {
    target: evidence.target,
    weights,
    sources: evidence.sources,
    events: state.events,
    sightings: colour.flatMap(({ record, sightings }) =>
      sightings.map((sighting) => ({ ...weighable.get(sighting.id)!, zone: record.zone })),
    ),
    rulings: colour.flatMap(({ record, ruling, open }) =>
      ruling && !open ? [{ zone: record.zone, value: ruling.value }] : [],
    ),
    zones: outline.zones.map((zone) => zone.key),
  };
}

/** Zones on which older coats or patches show, with what to lay down, bottom to top. */
export function layerOrders(state: BriefState, history: ColourHistory, outline: Outline): LayerOrder[] {
  const day = state.airframe.targetTo ?? state.airframe.targetFrom;
  if (!day) return [];
  return [...new Set(state.events.map((event) => event.zone))].sort().flatMap((zone) => {
    const layers = layersAsOn(history, zone, day);
    return needsOrder(layers) ? [{ zone, zoneTitle: zoneTitle(outline, zone), layers }] : [];
  });
}
