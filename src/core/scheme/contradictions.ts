import { intersection } from '@/core/geometry/clip';
import { areaOn } from '@/core/outline/chart';
import { zoneTitle, type Outline } from '@/core/outline/outline';
import { lowered } from '@/core/units/words';
import type { Cell, PaintedField } from './cells';

export interface SchemeFault {
  /** The field that it is about. */
  field: string | null;
  zone: string | null;
  says: string;
}

/** Areas below this, m2 of skin, are rounding where two drawings meet. */
const LEAST_M2 = 0.02;
/** A ruled colour that shows on less than this share of its zone does not show. */
const SHOWS = 0.03;

const FROM = { port: 'from port', starboard: 'from starboard', upper: 'from above', lower: 'from below' } as const;

const viewOf = ({ field: { shape } }: PaintedField) => ('view' in shape ? shape.view : null);

/**
 * What cannot all be true: two drawings from different views that give one piece of skin two colours, a ruled colour that the scheme leaves
 * nothing of, and a field that lies on no skin at all.
 */
export function contradictions(
  outline: Outline,
  painted: readonly PaintedField[],
  cells: readonly Cell[],
  ruledOf: (zone: string) => string | null,
): SchemeFault[] {
  const faults: SchemeFault[] = [];
  const charts = new Map(outline.regions.map(({ chart }) => [chart.id, chart]));
  painted.forEach((own, i) => {
    const { field, laid } = own;
    if (laid.size === 0) {
      faults.push({
        field: field.id,
        zone: null,
        says: `“${field.title}” lies on no skin${field.keptTo.length > 0 ? ' of the zones that it is kept to' : ''}: nothing of it is painted.`,
      });
      return;
    }
    for (const later of painted.slice(i + 1)) {
      const [from, to] = [viewOf(own), viewOf(later)];
      if (!from || !to || from === to || later.field.code === field.code) continue;
      let areaM2 = 0;
      for (const [id, region] of laid) {
        const other = later.laid.get(id);
        if (other) areaM2 += areaOn(charts.get(id)!, intersection(region, other));
      }
      if (areaM2 >= LEAST_M2)
        faults.push({
          field: later.field.id,
          zone: null,
          says: `“${field.title}”, drawn ${FROM[from]}, and “${later.field.title}”, drawn ${FROM[to]}, give ${areaM2.toFixed(2)} m² of the same skin two colours: ${later.field.code} shows, ${field.code} is hidden.`,
        });
    }
  });
  const shown = new Map<string, Map<string, number>>();
  for (const { zone, code, chart, region, share } of cells) {
    const of = shown.get(zone) ?? new Map<string, number>();
    of.set(code ?? '', (of.get(code ?? '') ?? 0) + areaOn(chart, region) * share);
    shown.set(zone, of);
  }
  for (const [zone, of] of shown) {
    const ruled = ruledOf(zone);
    const whole = [...of.values()].reduce((sum, area) => sum + area, 0);
    if (!ruled || (of.get(ruled) ?? 0) >= whole * SHOWS) continue;
    const [most] = [...of].sort(([, a], [, b]) => b - a)[0]!;
    faults.push({
      field: null,
      zone,
      says: `The ${lowered(zoneTitle(outline, zone))} is ruled ${ruled} at Evidence, but the scheme leaves nothing of it: it shows ${most || 'no colour'}.`,
    });
  }
  return faults;
}
