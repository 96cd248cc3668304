'use client';

import { WEEKDAYS } from '@/core/units/day';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import type { Kept } from '@/core/kept/records';
import { durationInWords } from '@/core/units/minutes';
import { Opened } from '@/ui/opened';
import { RecordForm, type FieldSpec } from '@/ui/fields';
import { RemoveButton } from '@/stations/shell/remove-button';

const SESSION_FIELDS: FieldSpec[] = [
  {
    name: 'weekday',
    label: 'Weekday',
    type: 'choice',
    options: WEEKDAYS.map((label, i) => ({ value: String(i + 1), label })),
    width: 3,
  },
  { name: 'startsAt', label: 'Starts at', type: 'time', width: 3 },
  { name: 'minutes', label: 'Minutes', type: 'number', width: 3 },
  { name: 'booth', label: 'Spraying possible', type: 'yes-no', width: 3 },
];

/** The builder's week: when the bench is free, and in which sessions spraying is possible. */
export function WeeklySessions({
  briefId,
  weekly,
  onClose,
}: {
  briefId: string;
  weekly: Kept<'weekly_session'>[];
  onClose: () => void;
}): ReactNode {
  const [editing, setEditing] = useState<string | null>(weekly.length === 0 ? 'new' : null);
  const record = weekly.find((session) => session.id === editing) ?? null;
  return (
    <Opened label="Weekly sessions" onClose={onClose} takesFocus>
      <div className="station-head">
        <h2 style={{ margin: 0 }}>Your week at the bench</h2>
        <Button onClick={onClose}>Close</Button>
      </div>
      <table className="plain">
        <tbody>
          {weekly.map((session) => (
            <tr key={session.id}>
              <td>{WEEKDAYS[session.weekday - 1]}</td>
              <td>{session.startsAt}</td>
              <td>{durationInWords(session.minutes)}</td>
              <td className="dim">{session.booth ? 'spraying possible' : 'no spraying'}</td>
              <td>
                <button type="button" className="row-button" onClick={() => setEditing(session.id)}>
                  edit
                </button>{' '}
                <RemoveButton
                  briefId={briefId}
                  station="route"
                  entity="weekly_session"
                  record={session}
                  said="Session removed; u brings it back"
                  label={`Remove ${WEEKDAYS[session.weekday - 1]}`}
                >
                  remove
                </RemoveButton>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {editing ? (
        <RecordForm
          key={editing}
          fields={SESSION_FIELDS}
          initial={record ?? { weekday: 2, startsAt: '19:30', minutes: 120, booth: true }}
          version={record?.version ?? null}
          saveLabel={record ? 'Save the session' : 'Add the session'}
          saved="Session saved"
          submit={(values, version, act) =>
            save({
              act,
              briefId,
              station: 'route',
              entity: 'weekly_session',
              id: record?.id ?? null,
              version,
              fields: { ...values, weekday: Number(values.weekday) },
            })
          }
          onDone={() => setEditing(null)}
          onCancel={() => setEditing(null)}
        />
      ) : (
        <Button variant="outlined" onClick={() => setEditing('new')}>
          Another session
        </Button>
      )}
    </Opened>
  );
}
