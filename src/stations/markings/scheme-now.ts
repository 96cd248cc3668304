import { useDeferredValue, useMemo } from 'react';
import { modelAreaOfZones } from '@/core/outline/outline';
import { areasByColour, cellsOf } from '@/core/scheme/cells';
import { contradictions } from '@/core/scheme/contradictions';
import { edgesByColour } from '@/core/scheme/edges';
import type { SchemeField } from '@/core/scheme/field';
import { useDrawn } from '@/sheet/use-drawn';
import type { MarkingsPage } from './page-data';

/** The scheme as fields stand now, with what follows from it: areas, edges and contradictions, reckoned when nothing is being dragged. */
export function useScheme(data: MarkingsPage, fields: readonly SchemeField[] = data.fields) {
  const { outline, painted } = useDrawn({ ...data, fields });
  const settled = useDeferredValue(painted);
  const figures = useMemo(() => {
    const baseOf = (zone: string) => data.ruled[zone] ?? null;
    const cells = cellsOf(outline, baseOf, settled);
    const soft = new Set(data.soft);
    const areas = new Map<string, number>();
    for (const { code, areaM2 } of areasByColour(outline, baseOf, cells))
      areas.set(code ?? '', (areas.get(code ?? '') ?? 0) + areaM2);
    const toModel = 1e4 / data.denominator ** 2;
    return {
      areas: [...areas].map(([code, m2]) => ({ code, cm2: m2 * toModel })).sort((a, b) => b.cm2 - a.cm2),
      whole: modelAreaOfZones(
        outline,
        outline.zones.map(({ key }) => key),
        data.denominator,
      ),
      edges: edgesByColour(
        cells,
        new Map(settled.map(({ field }) => [field.id, field])),
        (a, b) => soft.has(a) || soft.has(b),
      ).map((edge) => ({ ...edge, modelMm: (edge.lengthM * 1000) / data.denominator })),
      /** Colours that are sprayed on the outside, where they meet others. */
      outside: [...new Set(cells.flatMap(({ code, glass }) => (code && !glass ? [code] : [])))].sort(),
      faults: contradictions(outline, settled, cells, baseOf),
    };
  }, [outline, settled, data.ruled, data.soft, data.denominator]);
  return { outline, painted, ...figures, reckoning: settled !== painted };
}

export type SchemeNow = ReturnType<typeof useScheme>;
