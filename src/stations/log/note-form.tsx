'use client';

import { useState, type ReactNode } from 'react';
import { otherWorkKey } from '@/core/bench/other-work';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { LAYER_KINDS } from '@/core/work/kinds';
import type { Written } from '@/outbox/queued';
import { useWritten } from '@/stations/shell/use-written';
import { useChosenZones, ZoneSelect } from '@/stations/shell/zone-select';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { BENCH_PICTURE, OnePicture } from '@/ui/picture-drop';
import { serverNow } from '@/ui/server-clock';
import type { LogPage } from './page-data';

type OtherWork = Extract<Written, { kind: 'other work' }>['fields'];

/** How the lists say that there is nothing to say. */
const NOTHING = 'nothing';
const NOT_SAID = 'not said';

/** Its picture goes beside it. */
const { pictureId: _, ...BLANK } = BLANK_LOG_ENTRY;

/** Work that is no step of the route: a repair on the quick, a visit to the club, a base that was turned. */
export function NoteForm({ data, onDone }: { data: LogPage; onDone: () => void }): ReactNode {
  const [pictureId, setPictureId] = useState<string | null>(null);
  const [unsent, setUnsent] = useState<File | null>(null);
  const write = useWritten(data.briefId);
  const [now] = useState(() => new Date(serverNow()));
  const zones = useChosenZones();
  const two = (value: number) => String(value).padStart(2, '0');
  const fields: FieldSpec[] = [
    { name: 'title', label: 'What was done', width: 6 },
    { name: 'onDay', label: 'Day', type: 'day', width: 3 },
    { name: 'at', label: 'Done by', type: 'time', width: 3 },
    { name: 'actualMinutes', label: 'Took', unit: 'min', type: 'number', width: 3 },
    { name: 'who', label: 'By', type: 'suggest', options: optionsOf(data.people), width: 3 },
    { name: 'paint', label: 'Paint and ratio', width: 6 },
    {
      name: 'what',
      label: 'It laid',
      type: 'choice',
      options: optionsOf([NOTHING, ...LAYER_KINDS]),
      width: 3,
    },
    { name: 'code', label: 'Colour code', type: 'suggest', options: data.codes, width: 3 },
    {
      name: 'chemistry',
      label: 'Kind of paint',
      type: 'choice',
      options: [
        { value: NOT_SAID, label: NOT_SAID },
        ...CHEMISTRY_NAMES.map((name) => ({ value: name, label: CHEMISTRIES[name].title })),
      ],
      width: 3,
    },
    { name: 'note', label: 'Note', type: 'long', width: 12 },
  ];
  return (
    <RecordForm
      fields={fields}
      initial={{
        title: '',
        onDay: `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`,
        at: `${two(now.getHours())}:${two(now.getMinutes())}`,
        actualMinutes: 15,
        who: '',
        paint: '',
        what: NOTHING,
        code: '',
        chemistry: NOT_SAID,
        note: '',
      }}
      version={null}
      focus="title"
      saveLabel="Write it down"
      saved="Written into the log"
      submit={({ onDay, at, ...values }, _, act) => {
        const ended = new Date(`${String(onDay)}T${String(at)}`);
        const minutes = Number(values.actualMinutes);
        const isMoment = !Number.isNaN(ended.getTime()) && Number.isFinite(minutes);
        // What is no moment is refused by the server in its own words.
        const endedAt = isMoment ? ended.toISOString() : '';
        const fields = {
          ...BLANK,
          ...values,
          what: values.what === NOTHING ? '' : values.what,
          chemistry: values.chemistry === NOT_SAID ? '' : values.chemistry,
          stepKey: otherWorkKey(act.id),
          lane: '',
          plannedMinutes: null,
          startedAt: isMoment ? new Date(ended.getTime() - minutes * 60_000).toISOString() : '',
          endedAt,
          zones,
        };
        return write({ kind: 'other work', fields: fields as OtherWork, pictureId }, act, unsent);
      }}
      onDone={onDone}
      onCancel={onDone}
    >
      <div className="filters">
        <ZoneSelect label="On" zones={data.zones} empty="no zone in particular" />
      </div>
      <OnePicture
        says={BENCH_PICTURE}
        pictureId={pictureId}
        onPicture={(picture) => setPictureId(picture?.id ?? null)}
        unsent={unsent}
        onUnsent={setUnsent}
      />
    </RecordForm>
  );
}
