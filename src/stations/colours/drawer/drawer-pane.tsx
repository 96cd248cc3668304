'use client';

import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { lookAtCatalogue, takeCatalogue } from '@/actions/paints';
import type { PaneProps } from '../panes';
import { addedInWords } from '../added-words';
import { TableIn } from '@/stations/shell/table-in';
import { useShelf } from '../shelf';
import { CatalogueTable } from './catalogue-table';
import { PaintDetail } from './paint-detail';

const PaintForm = dynamic(() => import('./paint-form').then((module) => module.PaintForm));

/** The catalogue with what the drawer holds of it: filtered, sorted, changed, merged, brought in and taken out. */
export function DrawerPane({ data, code }: PaneProps): ReactNode {
  const shelf = useShelf(data.stamp);
  const [adding, setAdding] = useState(code === 'new');
  const [importing, setImporting] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  if (!shelf) return <LinearProgress aria-label="Fetching the catalogue" />;
  const paint = shelf.paints.find(({ id }) => id === open);
  return (
    <>
      <p className="pane-actions">
        <Button variant="outlined" onClick={() => setAdding(true)}>
          Add a paint
        </Button>
        <Button variant="outlined" onClick={() => setImporting(true)}>
          Bring in a table
        </Button>
        <Button variant="outlined" href="/shelf/catalogue">
          Take out as CSV
        </Button>
      </p>
      {adding ? (
        <PaintForm briefId={data.briefId} lines={shelf.paints} paint={null} onClose={() => setAdding(false)} />
      ) : null}
      {importing ? (
        <TableIn
          title="Paints from a table"
          says="Any table of paints, or their names one in a line. What it does not say stays as it is; a row of the kind set holds the numbers of its paints."
          look={lookAtCatalogue}
          take={(table, act) => takeCatalogue({ act, briefId: data.briefId, ...table })}
          said={addedInWords}
          onDone={() => setImporting(false)}
          onClose={() => setImporting(false)}
        />
      ) : null}
      <CatalogueTable paints={shelf.paints} today={data.today} open={open} onOpen={setOpen} />
      {paint ? (
        <PaintDetail
          key={`${paint.id} ${paint.version}`}
          briefId={data.briefId}
          today={data.today}
          paint={paint}
          paints={shelf.paints}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </>
  );
}
