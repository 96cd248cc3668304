'use client';

import type { ReactNode } from 'react';
import { useOutbox } from './outbox';
import { isOfBench, type StationPath } from './stations';
import './away-note.css';

/** While the server is away: what still works here, and what has to wait for it. */
export function AwayNote({ station }: { station: StationPath }): ReactNode {
  const { isAway, isUnpaired } = useOutbox();
  if (!isAway || isUnpaired) return null;
  return (
    <p role="status" className="away-note">
      <strong>The server does not answer.</strong>{' '}
      {isOfBench(station)
        ? 'Steps done, clocks, other work and test pieces are kept on this device and go there when it does. All else stands as it was last seen, and cannot be changed before.'
        : 'What stands here is as it was last seen; nothing of it can be changed before it does. The Bench and the Log go on without it.'}
    </p>
  );
}
