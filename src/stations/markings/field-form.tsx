'use client';

import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import { BAND_ON, FIELD_EDGES } from '@/core/scheme/field';
import type { Kept } from '@/core/kept/records';
import { RemoveButton } from '@/stations/shell/remove-button';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import type { MarkingsPage } from './page-data';

const LINE: FieldSpec = {
  name: 'smooth',
  label: 'Line',
  type: 'choice',
  options: [
    { value: 'true', label: 'wavy' },
    { value: 'false', label: 'straight' },
  ],
  width: 2,
};
const SHAPED: Record<Kept<'scheme_field'>['shape']['kind'], FieldSpec[]> = {
  area: [LINE],
  height: [
    {
      name: 'covers',
      label: 'Covers',
      type: 'choice',
      options: [
        { value: 'below', label: 'all below the line' },
        { value: 'above', label: 'all above it' },
      ],
      width: 3,
    },
    LINE,
  ],
  band: [
    { name: 'on', label: 'Round', type: 'choice', options: optionsOf(BAND_ON), width: 3 },
    { name: 'from', label: 'From', unit: 'm', type: 'number', help: 'station, or from the root', width: 2 },
    { name: 'to', label: 'To', unit: 'm', type: 'number', width: 2 },
  ],
  zones: [],
  mottle: [
    { name: 'density', label: 'Covers', unit: 'of 1', type: 'number', width: 2 },
    { name: 'blotchMm', label: 'Blotch', unit: 'mm real', type: 'number', width: 2 },
    {
      name: 'by',
      label: 'Sprayed',
      type: 'choice',
      options: [
        { value: 'freehand', label: 'freehand' },
        { value: 'stencil', label: 'through a stencil' },
      ],
      width: 3,
    },
  ],
};

/** What a field of the scheme is, beside its corners. */
export function FieldForm({
  data,
  field,
  onDone,
}: {
  data: MarkingsPage;
  field: Kept<'scheme_field'>;
  onDone: () => void;
}): ReactNode {
  const { shape } = field;
  const own = SHAPED[shape.kind];
  return (
    <>
      {data.laid[field.code] ? <p role="note">{data.laid[field.code]}.</p> : null}
      <RecordForm
        fields={[
          { name: 'title', label: 'Title', width: 4 },
          { name: 'code', label: 'Colour', type: 'choice', options: data.codes, width: 4 },
          { name: 'edge', label: 'Edge', type: 'choice', options: optionsOf(FIELD_EDGES), width: 2 },
          { name: 'softMm', label: 'Soft over', unit: 'mm real', type: 'number', width: 2 },
          ...own,
          ...(shape.kind === 'zones'
            ? [{ name: 'zones', label: 'Zones', type: 'several' as const, options: data.zones, width: 12 }]
            : [
                { name: 'mirrored', label: 'On the other side too', type: 'yes-no' as const, width: 3 },
                {
                  name: 'keptTo',
                  label: 'Kept to (empty: wherever it reaches)',
                  type: 'several' as const,
                  options: data.zones,
                  width: 6,
                },
              ]),
        ]}
        initial={{ ...field, ...shape, smooth: 'smooth' in shape ? String(shape.smooth) : '' }}
        version={field.version}
        saveLabel="Save the field"
        saved="Field saved"
        submit={({ title, code, edge, softMm, mirrored, keptTo, smooth, ...more }, version, act) =>
          save({
            act,
            briefId: data.briefId,
            station: 'markings',
            entity: 'scheme_field',
            id: field.id,
            version,
            fields: {
              title,
              code,
              edge,
              softMm: edge === 'hard' ? 0 : softMm,
              ...(shape.kind === 'zones' ? {} : { mirrored, keptTo }),
              shape: {
                ...shape,
                ...more,
                ...('smooth' in shape && smooth !== undefined ? { smooth: smooth === 'true' } : {}),
              },
            },
          })
        }
        onDone={onDone}
        onCancel={onDone}
        focus={null}
      />
      <p>
        <RemoveButton
          briefId={data.briefId}
          station="markings"
          entity="scheme_field"
          record={field}
          said="Field removed; u brings it back"
          lossy
        >
          Remove this field
        </RemoveButton>
      </p>
    </>
  );
}
