import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { ReactNode } from 'react';
import type { View } from '@/core/outline/zones';
import { capital } from '@/core/units/words';

/** From where the airframe is looked at. */
export const ViewChoice = ({
  views,
  view,
  onView,
}: {
  views: readonly View[];
  view: View;
  onView: (view: View) => void;
}): ReactNode => (
  <ToggleButtonGroup
    size="small"
    exclusive
    value={view}
    onChange={(_, next: View | null) => next && onView(next)}
    aria-label="Seen from"
  >
    {views.map((name) => (
      <ToggleButton key={name} value={name}>
        {capital(name)}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
