import { useMemo } from 'react';
import { schemeOn } from '@/core/markings/placing';
import { buildOutline, type OutlineSpec } from '@/core/outline/outline';

type OnOutline = Parameters<typeof schemeOn>;

/** What is drawn of a machine: its outline, and the scheme on it. */
export function useDrawn({
  spec,
  fields,
  markings,
}: {
  spec: OutlineSpec;
  fields: OnOutline[1];
  markings: OnOutline[2];
}) {
  const outline = useMemo(() => buildOutline(spec), [spec]);
  const painted = useMemo(() => schemeOn(outline, fields, markings), [outline, fields, markings]);
  return { outline, painted };
}
export type Drawn = ReturnType<typeof useDrawn>;
