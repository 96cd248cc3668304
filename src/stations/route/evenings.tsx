'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import type { Stamp } from '@/core/kept/act';
import type { Kept } from '@/core/kept/records';
import { durationInWords } from '@/core/units/minutes';
import { RemoveButton } from '@/stations/shell/remove-button';
import { fullDay, longDay } from '@/ui/dates';
import { RecordForm, type FieldSpec } from '@/ui/fields';
import '@/ui/opened.css';

const FIELDS: FieldSpec[] = [
  { name: 'onDay', label: 'On', type: 'day', width: 3 },
  { name: 'startsAt', label: 'Starts at', type: 'time', width: 3 },
  { name: 'minutes', label: 'Minutes', type: 'number', width: 3 },
  { name: 'booth', label: 'Spraying possible', type: 'yes-no', width: 3 },
];

const keep = (act: Stamp, briefId: string, fields: Record<string, unknown>) =>
  save({ act, briefId, station: 'route', entity: 'evening', id: null, version: null, fields });

/** Evenings beside the week: more of them, and those that are taken off. */
export function Evenings({ briefId, evenings }: { briefId: string; evenings: Kept<'evening'>[] }): ReactNode {
  const [adding, setAdding] = useState(false);
  return (
    <section className="ledger-detail" aria-label="Single evenings" style={{ marginBottom: 12 }}>
      <h3 style={{ margin: 0 }}>Beside the week</h3>
      {evenings.length === 0 ? (
        <p className="dim">An evening more can be added here; one of the week is taken off where it stands below.</p>
      ) : (
        <table className="plain">
          <tbody>
            {evenings.map((evening) => (
              <tr key={evening.id}>
                <td>{longDay(evening.onDay)}</td>
                <td>{evening.off ? 'taken off' : `${evening.startsAt}, ${durationInWords(evening.minutes)}`}</td>
                <td className="dim">{evening.off ? '' : evening.booth ? 'spraying possible' : 'no spraying'}</td>
                <td>
                  <RemoveButton
                    briefId={briefId}
                    station="route"
                    entity="evening"
                    record={evening}
                    said="As the week has it again; u brings it back"
                    label={`As the week has it on ${fullDay(evening.onDay)}`}
                  >
                    {evening.off ? 'back on' : 'remove'}
                  </RemoveButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {adding ? (
        <RecordForm
          fields={FIELDS}
          initial={{ onDay: '', startsAt: '19:30', minutes: 120, booth: true }}
          version={null}
          saveLabel="Add the evening"
          saved="Evening added; the plan uses it"
          submit={(values, _, act) => keep(act, briefId, { ...values, off: false })}
          onDone={() => setAdding(false)}
          onCancel={() => setAdding(false)}
        />
      ) : (
        <Button variant="outlined" onClick={() => setAdding(true)}>
          One evening more
        </Button>
      )}
    </section>
  );
}
