'use client';

import type { ReactNode } from 'react';
import { addChip } from '@/actions/briefs';
import { CHIP_ORIGINS } from '@/core/colour/chips';
import { FINISHES, PAINT_KINDS } from '@/core/paint/catalogue';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import type { ColourCallFacts, ColourFacts } from './colour-facts';

export const LAB_FIELDS: FieldSpec[] = [
  { name: 'L', label: 'L*', type: 'number', width: 2 },
  { name: 'a', label: 'a*', type: 'number', width: 2 },
  { name: 'b', label: 'b*', type: 'number', width: 2 },
  { name: 'hex', label: 'or screen colour', help: '#rrggbb, counts as eyeballed', width: 3 },
];

/** Leaves out what was not filled in, so that either Lab or a screen colour is sent. */
export function labGiven(values: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(values).filter(([, value]) => value !== '' && value !== undefined && value !== null),
  );
}

/** Says what colour a code is. */
export function ChipForm({ facts, call }: { facts: ColourFacts; call: ColourCallFacts }): ReactNode {
  return (
    <>
      {call.lab ? null : (
        <p>
          No colour is known for <strong className="code">{call.code}</strong>. Give its Lab (D65, 2°), or a screen
          colour.
        </p>
      )}
      <RecordForm
        fields={[
          ...LAB_FIELDS,
          { name: 'origin', label: 'Origin', type: 'choice', options: optionsOf(CHIP_ORIGINS), width: 3 },
          { name: 'name', label: 'Name', width: 4 },
          { name: 'finish', label: 'Finish', type: 'choice', options: optionsOf(FINISHES), width: 4 },
          { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(PAINT_KINDS), width: 4 },
        ]}
        initial={{
          origin: 'published',
          name: call.name,
          finish: call.record?.finish ?? 'matt',
          kind: call.record?.kind ?? 'solid',
          L: null,
          a: null,
          b: null,
          hex: '',
        }}
        version={null}
        saveLabel="Add the chip"
        saved="Chip added"
        submit={(values) => addChip({ name: '', ...labGiven(values), briefId: facts.briefId, code: call.code })}
        onDone={() => undefined}
      />
    </>
  );
}
