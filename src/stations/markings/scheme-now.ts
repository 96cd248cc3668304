import { useDeferredValue, useMemo } from 'react';
import type { SchemeField } from '@/core/scheme/field';
import { schemeFigures } from '@/core/scheme/figures';
import { useDrawn } from './use-drawn';
import type { MarkingsPage } from './page-data';

/** The scheme as fields stand now, with what follows from it: areas, edges and contradictions, reckoned when nothing is being dragged. */
export function useScheme(data: MarkingsPage, fields: readonly SchemeField[] = data.fields) {
  const { outline, painted } = useDrawn({ ...data, fields });
  const settled = useDeferredValue(painted);
  const { ruled, soft, denominator } = data;
  const figures = useMemo(
    () => schemeFigures(outline, settled, { ruled, soft, denominator }),
    [outline, settled, ruled, soft, denominator],
  );
  return { outline, painted, ...figures, reckoning: settled !== painted };
}

export type SchemeNow = ReturnType<typeof useScheme>;
