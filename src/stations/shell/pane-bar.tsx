'use client';

import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useRouter, useSearchParams } from 'next/navigation';
import type { ReactNode } from 'react';

export type Panes<P extends string> = readonly (readonly [pane: P, title: string])[];

/** The pane of a station that its address asks for; the first where it asks for none. */
export function usePane<P extends string>(panes: Panes<P>): P {
  const asked = useSearchParams().get('show');
  return (panes.find(([name]) => name === asked) ?? panes[0]!)[0];
}

/** What a station can show, one pane at a time; which one stands in its address. */
export function PaneBar<P extends string>({
  path,
  panes,
  chosen,
}: {
  /** Of the station. */
  path: string;
  panes: Panes<P>;
  chosen: P;
}): ReactNode {
  const router = useRouter();
  return (
    <div className="pane-bar">
      <ToggleButtonGroup
        size="small"
        exclusive
        value={chosen}
        onChange={(_, pane: P | null) => pane && router.replace(`${path}?show=${pane}`, { scroll: false })}
        aria-label="What to show"
      >
        {panes.map(([pane, title]) => (
          <ToggleButton key={pane} value={pane}>
            {title}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </div>
  );
}
