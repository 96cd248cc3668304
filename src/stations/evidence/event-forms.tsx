'use client';

import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import { weighSave } from '@/actions/weighing';
import { addEvents } from '@/actions/evidence';
import { EVENT_KIND_NAMES, EVENT_KINDS } from '@/core/evidence/events';
import { WhatItTurns } from '@/stations/shell/what-it-turns';
import { RemoveButton } from '@/stations/shell/remove-button';
import { RecordForm, type FieldSpec } from '@/ui/fields';
import type { EvidencePage } from './page-data';

type EventRow = EvidencePage['events'][number];

function eventFields(data: EvidencePage, several: boolean): FieldSpec[] {
  return [
    several
      ? { name: 'zones', label: 'Zones', type: 'several', options: data.zones, width: 6 }
      : { name: 'zone', label: 'Zone', type: 'choice', options: data.zones, width: 6 },
    {
      name: 'kind',
      label: 'What happened',
      type: 'choice',
      options: EVENT_KIND_NAMES.map((kind) => ({ value: kind, label: EVENT_KINDS[kind].title })),
      width: 3,
    },
    { name: 'onDay', label: 'On', type: 'day', width: 3 },
    {
      name: 'value',
      label: 'With what',
      type: 'suggest',
      options: [...data.codes, ...data.markings.map((m) => ({ value: m.name, label: m.title }))],
      help: 'the code laid, or what was added or covered',
      width: 6,
    },
    { name: 'showsUnder', label: 'What is under it still shows', type: 'yes-no', width: 6 },
    { name: 'note', label: 'Note', width: 12 },
  ];
}

/** Something that happened, to one zone or several. */
export function NewEvent({
  data,
  zone,
  day,
  onClose,
}: {
  data: EvidencePage;
  zone: string | null;
  day: string;
  onClose: () => void;
}): ReactNode {
  return (
    <RecordForm
      fields={eventFields(data, true)}
      initial={{ zones: zone ? [zone] : [], kind: 'repaint', onDay: day, value: '', showsUnder: false, note: '' }}
      version={null}
      saveLabel="Add it"
      saved="Added to the timeline"
      submit={(values, _, act) => addEvents({ act, ...values, briefId: data.briefId })}
      onDone={onClose}
      onCancel={onClose}
    />
  );
}

/** One event of the timeline, to change or take off. */
export function OneEvent({
  data,
  event,
  onClose,
}: {
  data: EvidencePage;
  event: EventRow | undefined;
  onClose: () => void;
}): ReactNode {
  if (!event) return null;
  const recordOf = { briefId: data.briefId, station: 'evidence', entity: 'paint_event', id: event.id };
  return (
    <RecordForm
      fields={eventFields(data, false)}
      initial={event}
      version={event.version}
      saveLabel="Save it"
      saved="Timeline changed"
      submit={(fields, version, act) => save({ ...recordOf, act, version, fields })}
      foresees={(fields) => (
        <WhatItTurns
          of={JSON.stringify(fields)}
          weigh={(act) => weighSave({ ...recordOf, act, version: event.version, fields })}
        />
      )}
      onDone={onClose}
      onCancel={onClose}
    >
      <p>
        <RemoveButton
          briefId={data.briefId}
          station="evidence"
          entity="paint_event"
          record={event}
          said="Taken off the timeline; u brings it back"
          lossy
        >
          Take it off the timeline
        </RemoveButton>
      </p>
    </RecordForm>
  );
}
