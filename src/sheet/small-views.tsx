'use client';

import { UNMEASURED } from '@/core/colour/unmeasured';
import type { ReactNode } from 'react';
import type { View } from '@/core/outline/zones';
import type { ShownSheet } from './sheet-data';
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
  data: ShownSheet;
  colourOf: (zone: string) => string | null;
  width: number;
  idPrefix: string;
}): ReactNode {
  const scale = width / Math.max(...SHOWN.map((view) => data.views[view].extent.right - data.views[view].extent.left));
  return (
    <div className="small-views">
      {SHOWN.map((view) => (
        <ViewDrawing
          key={view}
          view={view}
          drawn={data.views[view]}
          scale={scale * 0.97}
          selected={null}
          idPrefix={`${idPrefix}-${view}`}
          zoneTitle={(key) => data.zones.find((zone) => zone.key === key)?.title ?? key}
          fillOf={(zone) => {
            const colour = colourOf(zone);
            return colour ? { paint: colour } : { hatch: 'unseen' };
          }}
          inkOf={(code) => data.inks[code] ?? UNMEASURED}
        />
      ))}
    </div>
  );
}
