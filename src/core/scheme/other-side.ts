import { areaOn } from '@/core/outline/chart';
import type { Outline } from '@/core/outline/outline';
import { otherSide, sideOf } from '@/core/outline/zones';
import { intersection } from '@/core/geometry/clip';
import type { SchemeField } from './field';
import { paintScheme } from './in-view';
import type { FieldDraft } from './patterns';

/** A pattern that is known of one side: where the other side is asked for it. */

/**
 * The zone of the other side at which is asked what that shows: opposite the one that most of the fields lies on. Null where they lie on no
 * zone that has another side.
 */
export function askedOpposite(outline: Outline, drafts: readonly FieldDraft[]): string | null {
  const fields = drafts.map((draft, rank): SchemeField => ({ ...draft, id: String(rank), rank }));
  const painted = paintScheme(outline, fields, () => null);
  const areas = new Map<string, number>();
  for (const { zone, chart, region } of outline.regions) {
    if (sideOf(zone) === null) continue;
    for (const { laid } of painted) {
      const on = laid.get(chart.id);
      if (on) areas.set(zone, (areas.get(zone) ?? 0) + areaOn(chart, intersection(region, on)));
    }
  }
  const [most] = [...areas].filter(([, area]) => area > 0).sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
  const zone = most ? otherSide(most[0]) : null;
  return zone && outline.zones.some(({ key }) => key === zone) ? zone : null;
}
