'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';
import { remove } from '@/actions/records';
import { weighRemoval } from '@/actions/weighing';
import type { RecordName } from '@/core/kept/records';
import type { Turn } from '@/core/kept/turn';
import { stampNow, useSaving } from '@/ui/saving';
import { TurnList } from '@/ui/turn-list';
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
      {turns ? (
        <Dialog open onClose={() => setTurns(null)} aria-labelledby={`turns-${id}`}>
          <DialogTitle id={`turns-${id}`}>What this changes</DialogTitle>
          <DialogContent>
            <TurnList turns={turns} leads={false} />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setTurns(null)}>Leave it</Button>
            <Button variant="contained" disabled={busy} autoFocus onClick={take}>
              Remove it
            </Button>
          </DialogActions>
        </Dialog>
      ) : null}
    </>
  );
}
