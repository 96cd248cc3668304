import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';
import { ActList } from './act-list';

/** The last acts at a brief, from wherever one is. */
export function ActsDialog({ briefId, onClose }: { briefId: string; onClose: () => void }): ReactNode {
  return (
    <Dialog open onClose={onClose} aria-labelledby="acts-title" maxWidth="md" fullWidth>
      <DialogTitle id="acts-title">What was done</DialogTitle>
      <DialogContent>
        <ActList briefId={briefId} />
      </DialogContent>
    </Dialog>
  );
}
