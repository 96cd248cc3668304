'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';
import type { Turn } from '@/core/kept/turn';
import { TurnList } from '@/ui/turn-list';

/** What a removal takes along, before it is done. */
export function RemoveDialog({
  id,
  turns,
  busy,
  onTake,
  onClose,
}: {
  id: string;
  turns: readonly Turn[];
  busy: boolean;
  onTake: () => void;
  onClose: () => void;
}): ReactNode {
  return (
    <Dialog open onClose={onClose} aria-labelledby={`turns-${id}`}>
      <DialogTitle id={`turns-${id}`}>What this changes</DialogTitle>
      <DialogContent>
        <TurnList turns={turns} leads={false} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={busy} autoFocus onClick={onTake}>
          Remove it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
