'use client';

import type { ReactNode } from 'react';
import { counted } from '@/core/units/words';
import { useZoneChoice } from './zone-choice';

/** The zones that are chosen on the sheet: several, or the one. */
export function useChosenZones(): string[] {
  const { zone, several } = useZoneChoice();
  return several.size > 0 ? [...several] : zone ? [zone] : [];
}

/** A zone by name, for whoever does not press it on the sheet: the choice is the sheet's own. */
export function ZoneSelect({
  label,
  zones,
  empty,
}: {
  label: string;
  zones: readonly { key: string; title: string }[];
  /** What stands there while none is chosen. */
  empty: string;
}): ReactNode {
  const { choose, chooseSeveral } = useZoneChoice();
  const chosen = useChosenZones();
  const only = chosen.length === 1 && zones.some(({ key }) => key === chosen[0]) ? chosen[0] : '';
  return (
    <label>
      {label}{' '}
      <select
        value={only}
        onChange={(event) => {
          chooseSeveral(new Set());
          choose(event.target.value || null);
        }}
      >
        <option value="">{chosen.length > 1 ? counted(chosen.length, 'zone') : empty}</option>
        {zones.map(({ key, title }) => (
          <option key={key} value={key}>
            {title}
          </option>
        ))}
      </select>
    </label>
  );
}
