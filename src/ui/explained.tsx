'use client';

import { useId, useState, type ReactNode } from 'react';
import { onDemand } from './on-demand';
import './explained.css';

const Popover = onDemand(() => import('@mui/material/Popover').then((module) => module.default));

/** A figure that opens into what it comes from: by a tap, by Enter, or by resting the pointer on it. */
export function Explained({ says, children }: { says: string; children: ReactNode }): ReactNode {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const id = useId();
  return (
    <>
      <button
        type="button"
        className="explained"
        title={says}
        aria-expanded={anchor !== null}
        aria-describedby={anchor ? id : undefined}
        onClick={(event) => {
          event.stopPropagation();
          setAnchor(anchor ? null : event.currentTarget);
        }}
      >
        {children}
      </button>
      {anchor ? (
        <Popover
          open
          anchorEl={anchor}
          onClose={() => setAnchor(null)}
          onClick={(event) => event.stopPropagation()}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        >
          <p id={id} className="explanation">
            {says}
          </p>
        </Popover>
      ) : null}
    </>
  );
}
