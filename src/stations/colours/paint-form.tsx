'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { addPaint, addSampleShelf } from '@/actions/briefs';
import { FINISHES, OPACITIES, PAINT_KINDS } from '@/core/paint/catalogue';
import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { optionsOf, RecordForm } from '@/ui/fields';
import { useSaving } from '@/ui/saving';
import { LAB_FIELDS, labGiven } from './chip-form';

/** A paint for the catalogue, and how much of it stands in the drawer. */
export function PaintForm({ briefId, onClose }: { briefId: string; onClose: () => void }): ReactNode {
  return (
    <section className="ledger-detail" style={{ marginBottom: 12 }} aria-label="New paint">
      <h2 style={{ marginTop: 0 }}>New paint</h2>
      <RecordForm
        fields={[
          { name: 'line', label: 'Line', width: 3 },
          { name: 'chemistry', label: 'Chemistry', type: 'choice', options: CHEMISTRY_NAMES.map((value) => ({ value, label: CHEMISTRIES[value].title })), width: 3 },
          { name: 'number', label: 'Number', width: 2 },
          { name: 'name', label: 'Name', width: 4 },
          { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(PAINT_KINDS), width: 3 },
          { name: 'finish', label: 'Finish', type: 'choice', options: optionsOf(FINISHES), width: 3 },
          { name: 'opacity', label: 'Opacity', type: 'choice', options: optionsOf(OPACITIES), width: 3 },
          { name: 'mlLeft', label: 'In the drawer', unit: 'ml', type: 'number', width: 3 },
          { name: 'sizeMl', label: 'Bottle', unit: 'ml', type: 'number', width: 3 },
          { name: 'priceCents', label: 'Price', unit: 'cents', type: 'number', width: 3 },
          ...LAB_FIELDS,
        ]}
        initial={{ line: '', chemistry: 'WA', number: '', name: '', kind: 'solid', finish: 'matt', opacity: 'opaque', mlLeft: 0, sizeMl: 17, priceCents: 300, L: null, a: null, b: null, hex: '' }}
        version={null}
        saveLabel="Add the paint"
        saved="Paint added"
        submit={(values) => addPaint({ name: '', ...labGiven(values), briefId })}
        onDone={onClose}
        onCancel={onClose}
      />
    </section>
  );
}

/** What an empty shelf offers: the demo's invented example. */
export function SampleShelf({ codes, paints }: { codes: number; paints: number }): ReactNode {
  const { run, busy } = useSaving();
  return (
    <div className="empty">
      <p><strong>{codes === 0 ? 'No official colour' : 'No paint'} is known yet.</strong> {codes} codes and {paints} paints are on the shelf. Give codes their colours one by one, add your paints, or try it all with the invented example: one standard, four lines of paint, a drawer of bottles.</p>
      <Button variant="contained" disabled={busy} onClick={() => run(() => addSampleShelf(), 'The example is on the shelf')}>Put the invented example on the shelf</Button>
    </div>
  );
}
