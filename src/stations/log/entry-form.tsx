'use client';

import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import type { Kept } from '@/core/kept/records';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { BENCH_PICTURE, OnePicture } from '@/ui/picture-drop';
import { MixedEditor } from '@/ui/mixed-editor';

/** Corrects what was logged: minutes, the cup as it was mixed, how it was sprayed, who did it, the picture. */
export function EntryForm({
  briefId,
  people,
  entry,
  onDone,
}: {
  briefId: string;
  people: readonly string[];
  entry: Kept<'log_entry'>;
  onDone: () => void;
}): ReactNode {
  const [pictureId, setPictureId] = useState(entry.pictureId);
  const [mixed, setMixed] = useState(entry.mixed);
  const sprays = entry.mixed !== null || entry.sprayed !== null;
  const fields: FieldSpec[] = [
    { name: 'actualMinutes', label: 'Took', unit: 'min', type: 'number', width: 3 },
    { name: 'who', label: 'By', type: 'suggest', options: optionsOf(people), width: 3 },
    { name: 'tempC', label: 'Temperature', unit: '°C', type: 'number', optional: true, width: 3 },
    { name: 'humidity', label: 'Humidity', unit: '%', type: 'number', optional: true, width: 3 },
    ...(sprays
      ? ([
          { name: 'ml', label: 'Off the bottle', unit: 'ml', type: 'number', optional: true, width: 3 },
          { name: 'coats', label: 'Coats', type: 'number', optional: true, width: 2 },
          { name: 'pressureBar', label: 'Pressure', unit: 'bar', type: 'number', optional: true, width: 2 },
          { name: 'needleMm', label: 'Needle', unit: 'mm', type: 'number', optional: true, width: 2 },
          { name: 'distanceCm', label: 'Distance', unit: 'cm', type: 'number', optional: true, width: 3 },
        ] as const)
      : []),
    { name: 'note', label: 'Note', type: 'long', width: 12 },
  ];
  return (
    <RecordForm
      fields={fields}
      initial={{ ...entry, ...entry.sprayed }}
      version={entry.version}
      saveLabel="Save the entry"
      saved="Log entry saved"
      submit={({ pressureBar, needleMm, distanceCm, ...values }, seen, act) => {
        const sprayed =
          pressureBar === null || needleMm === null || distanceCm === null || pressureBar === undefined
            ? null
            : { pressureBar, needleMm, distanceCm };
        return save({
          act,
          briefId,
          station: 'log',
          entity: 'log_entry',
          id: entry.id,
          version: seen,
          fields: { ...values, sprayed, mixed, pictureId },
        });
      }}
      onDone={onDone}
      onCancel={onDone}
    >
      {mixed ? <MixedEditor mixed={mixed} onMixed={setMixed} /> : null}
      <OnePicture
        says={BENCH_PICTURE}
        pictureId={pictureId}
        onPicture={(picture) => setPictureId(picture?.id ?? null)}
      />
    </RecordForm>
  );
}
