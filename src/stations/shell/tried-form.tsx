'use client';

import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import type { Result } from '@/core/interchange/result';
import type { Fields, Kept } from '@/core/kept/records';
import { SPRAY_OUT_RESULTS } from '@/core/bench/spray-out';
import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { localDay } from '@/core/route/calendar';
import { serverNow } from '@/ui/server-clock';
import { RecordForm, type FieldSpec } from '@/ui/fields';
import { BENCH_PICTURE, OnePicture } from '@/ui/picture-drop';
import { useWritten } from './use-written';

const FIELDS: FieldSpec[] = [
  { name: 'title', label: 'What was tried', width: 5 },
  { name: 'onDay', label: 'Day', type: 'day', width: 3 },
  {
    name: 'result',
    label: 'Came out',
    type: 'choice',
    options: SPRAY_OUT_RESULTS.map((value) => ({ value, label: value || 'not judged yet' })),
    width: 4,
  },
  { name: 'paint', label: 'Paint and ratio', width: 5 },
  {
    name: 'chemistry',
    label: 'Chemistry',
    type: 'choice',
    options: [
      { value: '', label: 'not said' },
      ...CHEMISTRY_NAMES.map((value) => ({ value, label: CHEMISTRIES[value].title })),
    ],
    width: 3,
  },
  { name: 'pressureBar', label: 'Pressure', unit: 'bar', type: 'number', optional: true, width: 2 },
  { name: 'undercoat', label: 'Over', width: 2 },
  { name: 'note', label: 'What came of it', type: 'long', width: 12 },
];

/** What a record has beside what is typed. */
const NEW = { id: '', version: 0, pictureId: null };

/** A test piece: what was laid on what, how, and what came of it. */
export function TriedForm({
  briefId,
  tried,
  given = {},
  onDone,
}: {
  briefId: string;
  tried: Kept<'spray_out'> | null;
  /** What is known of it beforehand, as from the step that it proves. */
  given?: Partial<Kept<'spray_out'>>;
  onDone: () => void;
}): ReactNode {
  const [pictureId, setPictureId] = useState(tried?.pictureId ?? null);
  const [unsent, setUnsent] = useState<File | null>(null);
  const write = useWritten(briefId);
  const blank = {
    title: '',
    stepKey: '',
    onDay: localDay(new Date(serverNow()).toISOString(), Intl.DateTimeFormat().resolvedOptions().timeZone),
    paint: '',
    chemistry: '',
    mixed: null,
    pressureBar: null,
    undercoat: '',
    result: '',
    note: '',
  };
  const { id: _, version: __, pictureId: ___, ...known } = { ...NEW, ...blank, ...given, ...tried };
  return (
    <RecordForm
      fields={FIELDS}
      initial={known}
      version={tried?.version ?? null}
      focus="title"
      saveLabel="Keep the test piece"
      saved="Test piece kept"
      submit={(values, seen, act): Promise<Result<unknown>> => {
        const fields = { ...known, ...values } as Omit<Fields<'spray_out'>, 'pictureId'>;
        if (!tried) return write({ kind: 'test piece', fields, pictureId }, act, unsent);
        return save({
          act,
          briefId,
          station: 'log',
          entity: 'spray_out',
          id: tried.id,
          version: seen,
          fields: { ...fields, pictureId },
        });
      }}
      onDone={onDone}
      onCancel={onDone}
    >
      <OnePicture
        says={BENCH_PICTURE}
        pictureId={pictureId}
        onPicture={(picture) => setPictureId(picture?.id ?? null)}
        unsent={unsent}
        onUnsent={tried ? undefined : setUnsent}
      />
    </RecordForm>
  );
}
