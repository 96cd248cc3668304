'use client';

import type { ReactNode } from 'react';
import { RemoveButton } from '@/stations/shell/remove-button';

interface Props {
  briefId: string;
  sighting: { id: string; version: number };
  /** What is removed, for whoever hears the button. */
  label: string;
}

/** Takes away what one source says of one question. */
export const RemoveSighting = ({ briefId, sighting, label }: Props): ReactNode => (
  <RemoveButton
    briefId={briefId}
    station="evidence"
    entity="sighting"
    record={sighting}
    said="Sighting removed; u brings it back"
    label={label}
  >
    remove
  </RemoveButton>
);
