'use client';

import { useState, type ReactNode } from 'react';
import { remove } from '@/actions/records';
import { weighRemoval } from '@/actions/weighing';
import type { RecordName } from '@/core/kept/records';
import type { Turn } from '@/core/kept/turn';
import { onDemand } from '@/ui/on-demand';
import { stampNow, useSaving } from '@/ui/saving';
import type { StationPath } from './stations';

const RemoveDialog = onDemand(() => import('./remove-dialog').then((module) => module.RemoveDialog));

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

/**
 * Takes a record away in the version that is shown; undo brings it back. What takes more than itself along says first what it turns, and is
 * pressed again; what turns nothing is gone at once.
 */
export function RemoveButton({ briefId, station, entity, record, said, label, lossy, children }: Props): ReactNode {
  const { run, busy, tell } = useSaving();
  const [turns, setTurns] = useState<readonly Turn[] | null>(null);
  const { id, version } = record;
  const names = { briefId, station, entity, id, version };
  const take = () => void run((act) => remove({ act, ...names }), said).then(() => setTurns(null));
  const weigh = async () => {
    const answer = await weighRemoval({ act: stampNow(), ...names }).catch(() => null);
    if (answer === null) return tell('The server cannot be reached. Try again in a moment.');
    // What is refused is refused by the act itself, in its words.
    if (answer.ok && answer.value.length > 0) setTurns(answer.value);
    else take();
  };
  return (
    <>
      <button
        type="button"
        className={`row-button${lossy ? ' danger' : ''}`}
        aria-label={label}
        aria-expanded={lossy ? turns !== null : undefined}
        disabled={busy}
        onClick={() => (lossy ? void weigh() : take())}
      >
        {lossy ? '✕ ' : ''}
        {children}
      </button>
      {turns ? <RemoveDialog id={id} turns={turns} busy={busy} onTake={take} onClose={() => setTurns(null)} /> : null}
    </>
  );
}
