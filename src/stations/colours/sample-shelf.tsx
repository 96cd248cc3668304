'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { addSampleShelf } from '@/actions/paints';
import { useSaving } from '@/ui/saving';

/** What an empty shelf offers: the demo's invented example. */
export function SampleShelf({ codes, paints }: { codes: number; paints: number }): ReactNode {
  const { run, busy } = useSaving();
  return (
    <div className="empty">
      <p>
        <strong>{codes === 0 ? 'No official colour' : 'No paint'} is known yet.</strong> {codes} codes and {paints}{' '}
        paints are on the shelf. Give codes their colours one by one, add your paints, or try it all with the invented
        example: one standard, four lines of paint, a drawer of bottles.
      </p>
      <Button
        variant="contained"
        disabled={busy}
        onClick={() => run((act) => addSampleShelf({ act }), 'The example is on the shelf')}
      >
        Put the invented example on the shelf
      </Button>
    </div>
  );
}
