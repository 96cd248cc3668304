'use client';

import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import { RecordForm } from '@/ui/fields';
import type { LogPage } from './page-data';

/** Corrects what was logged: the minutes it took, and the note. */
export function EntryForm({
  briefId,
  entry,
  onDone,
}: {
  briefId: string;
  entry: LogPage['entries'][number];
  onDone: () => void;
}): ReactNode {
  const { id, version, endedLocal: _, takes: __, ...fields } = entry;
  return (
    <RecordForm
      fields={[
        { name: 'actualMinutes', label: 'Took', unit: 'min', type: 'number', width: 3 },
        { name: 'note', label: 'Note', type: 'long', width: 9 },
      ]}
      initial={{ ...entry }}
      version={version}
      saveLabel="Save the entry"
      saved="Log entry saved"
      submit={(values, seen, act) =>
        save({ act, briefId, station: 'log', entity: 'log_entry', id, version: seen, fields: { ...fields, ...values } })
      }
      onDone={onDone}
      onCancel={onDone}
    />
  );
}
