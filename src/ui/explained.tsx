'use client';

import Popover from '@mui/material/Popover';
import { useId, useState, type ReactNode } from 'react';
import './explained.css';

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
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        onClick={(event) => event.stopPropagation()}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      >
        <p id={id} className="explanation">
          {says}
        </p>
      </Popover>
    </>
  );
}
