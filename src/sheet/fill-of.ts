import type { View } from '@/core/outline/zones';
import type { ZoneData } from './sheet-data';
import type { Fill } from './view-drawing';

/** What the sheet tells at each station. */
export type SheetMode = 'certainty' | 'colours' | 'markings' | 'progress';

export const VIEW_TITLES: Readonly<Record<View, string>> = {
  port: 'Port',
  starboard: 'Starboard',
  upper: 'Upper',
  lower: 'Lower',
};
const LIGHT = '#fbfbfb';

/** How a zone is filled where nothing lies over it. */
export function fillOf(mode: SheetMode, zone: ZoneData | undefined): Fill {
  if (!zone) return { paint: LIGHT };
  switch (mode) {
    case 'certainty':
      if (zone.certainty === 'settled') return { paint: '#8c8c8c' };
      return zone.certainty === 'unasked' ? { paint: LIGHT } : { hatch: zone.certainty };
    case 'colours':
    case 'markings':
      return zone.colour ? { paint: zone.colour } : { hatch: 'unseen' };
    case 'progress':
      if (zone.progress === null) return { paint: LIGHT };
      return { paint: zone.progress === 1 ? '#7d7d7d' : zone.progress > 0 ? '#b5b5b5' : '#e0e0e0' };
  }
}
