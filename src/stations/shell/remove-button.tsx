'use client';

import type { ReactNode } from 'react';
import { remove } from '@/actions/records';
import type { RecordName } from '@/core/kept/records';
import { useSaving } from '@/ui/saving';
import type { StationPath } from './stations';

interface Props {
  briefId: string;
  station: StationPath;
  entity: RecordName;
  record: { id: string; version: number };
  /** What is said when it is gone, and how it comes back. */
  said: string;
  /** For whoever does not see what it stands beside. */
  label?: string;
  /** Takes more than itself along: wears the red, beside its word and sign. */
  lossy?: boolean;
  children: ReactNode;
}

/** Takes a record away in the version that is shown; undo brings it back. */
export function RemoveButton({ briefId, station, entity, record, said, label, lossy, children }: Props): ReactNode {
  const { run, busy } = useSaving();
  const { id, version } = record;
  return (
    <button
      type="button"
      className={`row-button${lossy ? ' danger' : ''}`}
      aria-label={label}
      disabled={busy}
      onClick={() => run((act) => remove({ act, briefId, station, entity, id, version }), said)}
    >
      {lossy ? '✕ ' : ''}
      {children}
    </button>
  );
}
