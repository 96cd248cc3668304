'use client';

import { UNMEASURED } from '@/core/colour/unmeasured';
import type { ReactNode } from 'react';
import { fieldsInView } from '@/core/scheme/in-view';
import type { View } from '@/core/outline/zones';
import type { SheetData } from './sheet-data';
import { useDrawn } from './use-drawn';
import { ViewDrawing } from './view-drawing';
import './sheet.css';

const SHOWN: View[] = ['upper', 'lower', 'port', 'starboard'];

/** The airframe once more, small and for looking only, with other colours than the sheet's. */
export function SmallViews({
  data,
  colourOf,
  width,
  idPrefix,
}: {
  data: SheetData;
  colourOf: (zone: string) => string | null;
  width: number;
  idPrefix: string;
}): ReactNode {
  const { outline, painted } = useDrawn(data);
  const scale = width / Math.max(...SHOWN.map((view) => outline.extents[view].right - outline.extents[view].left));
  return (
    <div className="small-views">
      {SHOWN.map((view) => (
        <ViewDrawing
          key={view}
          outline={outline}
          view={view}
          scale={scale * 0.97}
          selected={null}
          idPrefix={`${idPrefix}-${view}`}
          zoneTitle={(key) => data.zones.find((zone) => zone.key === key)?.title ?? key}
          fillOf={(zone) => {
            const colour = colourOf(zone);
            return colour ? { paint: colour } : { hatch: 'unseen' };
          }}
          painted={fieldsInView(outline, painted, view)}
          markings={data.markings}
          inkOf={(code) => data.inks[code] ?? UNMEASURED}
        />
      ))}
    </div>
  );
}
