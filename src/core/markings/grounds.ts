import { difference, intersection, regionArea, together, type Region } from '@/core/geometry/clip';
import type { Outline } from '@/core/outline/outline';
import type { PaintedField } from '@/core/scheme/cells';
import { onSkin, type PlaceableMarking } from './placing';

/** A ground that shows under less of a marking than this does not decide its coats. */
const LEAST_SHARE = 0.02;

/**
 * The colours that a marking lies on, at all its places: those of the fields painted under it, the uppermost where they lie over one
 * another, and that of its zone where none reaches.
 */
export function groundsUnder(
  outline: Outline,
  marking: PlaceableMarking,
  painted: readonly PaintedField[],
  zoneColour: (zone: string) => string | undefined,
): string[] {
  const grounds = new Set<string>();
  marking.places.forEach((_, i) => {
    const skin = onSkin(outline, marking, i);
    if (!skin) return;
    const covers = together(skin.fields.map(({ region }) => region));
    const least = LEAST_SHARE * regionArea(covers);
    let left: Region = covers;
    for (const { field, laid } of [...painted].reverse()) {
      const region = laid.get(skin.chart.id);
      if (!region) continue;
      if (regionArea(intersection(left, region)) > least) grounds.add(field.code);
      left = difference(left, region);
    }
    for (const part of outline.regions) {
      const colour = part.chart === skin.chart ? zoneColour(part.zone) : undefined;
      if (colour && regionArea(intersection(left, part.region)) > least) grounds.add(colour);
    }
  });
  return [...grounds];
}

/** Coats that all colours of a marking take together: the first over the worst of its grounds, each next over the colour before it. */
export const coatsInAll = (
  codes: readonly string[],
  grounds: readonly string[],
  over: (code: string, ground: string) => number,
): number =>
  codes.reduce((sum, code, i) => {
    const under = i === 0 ? grounds : [codes[i - 1]!];
    return sum + Math.max(1, ...under.map((ground) => over(code, ground)));
  }, 0);
