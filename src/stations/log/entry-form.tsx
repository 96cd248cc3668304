'use client';

import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import type { Fields, Kept } from '@/core/kept/records';
import { LAYER_KINDS } from '@/core/work/kinds';
import { counted } from '@/core/units/words';
import { ZoneChecks } from '@/stations/shell/zone-checks';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { BENCH_PICTURE, OnePicture } from '@/ui/picture-drop';
import { MixedEditor } from '@/ui/mixed-editor';
import type { LogPage } from './page-data';

/** Corrects what was logged: minutes, the cup as it was mixed, how it was sprayed, who did it, the picture. */
export function EntryForm({
  data,
  entry,
  at,
  onDone,
}: {
  data: LogPage;
  entry: Kept<'log_entry'>;
  /** Local date-time at which it was done. */
  at: string;
  onDone: () => void;
}): ReactNode {
  const { briefId, people } = data;
  const [zones, setZones] = useState<readonly string[]>(entry.zones);
  const [pictureId, setPictureId] = useState(entry.pictureId);
  const [mixed, setMixed] = useState(entry.mixed);
  const sprays = entry.mixed !== null || entry.sprayed !== null;
  const fields: FieldSpec[] = [
    { name: 'onDay', label: 'Day', type: 'day', width: 3 },
    { name: 'at', label: 'Done by', type: 'time', width: 3 },
    { name: 'actualMinutes', label: 'Took', unit: 'min', type: 'number', width: 3 },
    { name: 'who', label: 'By', type: 'suggest', options: optionsOf(people), width: 3 },
    { name: 'tempC', label: 'Temperature', unit: '°C', type: 'number', optional: true, width: 3 },
    { name: 'humidity', label: 'Humidity', unit: '%', type: 'number', optional: true, width: 3 },
    ...laidFields(data),
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
      initial={{
        ...entry,
        ...entry.sprayed,
        what: entry.what || NOTHING,
        onDay: at.slice(0, 10),
        at: at.slice(11, 16),
        replaces: entry.replaces,
      }}
      version={entry.version}
      saveLabel="Save the entry"
      saved="Log entry saved"
      submit={({ pressureBar, needleMm, distanceCm, onDay, at: time, ...values }, seen, act) => {
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
          fields: {
            ...values,
            what: values.what === NOTHING ? '' : values.what,
            ...whenDone(entry, at, `${String(onDay)}T${String(time)}`, Number(values.actualMinutes)),
            zones,
            sprayed,
            mixed,
            pictureId,
          },
        });
      }}
      onDone={onDone}
      onCancel={onDone}
    >
      <EntryZones data={data} entry={entry} zones={zones} onZones={setZones} />
      {mixed ? <MixedEditor mixed={mixed} onMixed={setMixed} /> : null}
      <OnePicture
        says={BENCH_PICTURE}
        pictureId={pictureId}
        onPicture={(picture) => setPictureId(picture?.id ?? null)}
      />
    </RecordForm>
  );
}

/** How a list says that nothing was laid. */
const NOTHING = 'nothing';

/** What it left on its zones: of what kind, in which colour, and whether it stands for what lay there. */
const laidFields = ({ codes }: LogPage): FieldSpec[] => [
  {
    name: 'what',
    label: 'It laid',
    type: 'choice',
    options: optionsOf([NOTHING, ...LAYER_KINDS]),
    width: 3,
  },
  { name: 'code', label: 'Colour code', type: 'suggest', options: codes, width: 3 },
  { name: 'paint', label: 'Paint', width: 4 },
  { name: 'replaces', label: 'In the place of what it laid there before', type: 'yes-no', width: 4 },
];

/** The instants of an entry that was done at another time: moved, and as long as it took. */
function whenDone(
  { endedAt, startedAt, actualMinutes }: Pick<Fields<'log_entry'>, 'endedAt' | 'startedAt' | 'actualMinutes'>,
  was: string,
  is: string,
  minutes: number,
): { startedAt: string; endedAt: string } {
  const moved = Date.parse(`${is}Z`) - Date.parse(`${was.slice(0, 16)}Z`);
  if (!Number.isFinite(moved) || !Number.isFinite(minutes)) return { startedAt, endedAt };
  if (moved === 0 && minutes === actualMinutes) return { startedAt, endedAt };
  const ended = Date.parse(endedAt) + moved;
  return {
    startedAt: new Date(ended - minutes * 60_000).toISOString(),
    endedAt: new Date(ended).toISOString(),
  };
}

/** On which zones it was done, to be corrected. */
function EntryZones({
  data,
  entry,
  zones,
  onZones,
}: {
  data: LogPage;
  entry: Kept<'log_entry'>;
  zones: readonly string[];
  onZones: (zones: readonly string[]) => void;
}): ReactNode {
  // What is gone from the outline stays in the entry, and can be marked off.
  const gone = entry.zones.filter((key) => !data.allZones.some((zone) => zone.key === key));
  return (
    <details>
      <summary>
        {zones.length > 0
          ? `On ${counted(zones.length, 'zone')}`
          : entry.what
            ? 'No zones were written down: it counts for all of its step'
            : 'On no zone in particular'}
      </summary>
      <ZoneChecks
        zones={[...data.allZones, ...gone.map((key) => ({ key, title: `${key} (gone)` }))]}
        marked={zones}
        onMark={onZones}
      />
    </details>
  );
}
