'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';

/** What would be taken instead of what was refused: one press takes it. */
export function Offers({
  offers,
  onTake,
  titleOf = (value) => value,
}: {
  offers: readonly string[];
  onTake: (value: string) => void;
  titleOf?: (value: string) => string;
}): ReactNode {
  return (
    <p className="offers">
      {offers.map((value) => (
        <Button key={value} variant="outlined" onClick={() => onTake(value)}>
          {titleOf(value) === value ? `Take ${value}` : titleOf(value)}
        </Button>
      ))}
    </p>
  );
}
