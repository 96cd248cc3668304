'use client';

import type { ReactNode } from 'react';
import { addPaint } from '@/actions/briefs';
import { FINISHES, OPACITIES, PAINT_KINDS } from '@/core/paint/catalogue';
import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { optionsOf, RecordForm } from '@/ui/fields';
import { LAB_FIELDS, labGiven } from './chip-form';

/** A paint for the catalogue, and how much of it stands in the drawer. */
export function PaintForm({ briefId, onClose }: { briefId: string; onClose: () => void }): ReactNode {
  return (
    <section className="ledger-detail" style={{ marginBottom: 12 }} aria-label="New paint">
      <h2 style={{ marginTop: 0 }}>New paint</h2>
      <RecordForm
        fields={[
          { name: 'line', label: 'Line', width: 3 },
          {
            name: 'chemistry',
            label: 'Chemistry',
            type: 'choice',
            options: CHEMISTRY_NAMES.map((value) => ({ value, label: CHEMISTRIES[value].title })),
            width: 3,
          },
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
        initial={{
          line: '',
          chemistry: 'WA',
          number: '',
          name: '',
          kind: 'solid',
          finish: 'matt',
          opacity: 'opaque',
          mlLeft: 0,
          sizeMl: 17,
          priceCents: 300,
          L: null,
          a: null,
          b: null,
          hex: '',
        }}
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
