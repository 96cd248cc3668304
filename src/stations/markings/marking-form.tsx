'use client';

import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import { MARKING_KINDS, MARKING_METHODS } from '@/core/markings/kinds';
import { VIEWS } from '@/core/outline/zones';
import { optionsOf, RecordForm } from '@/ui/fields';
import { RemoveButton } from '@/stations/shell/remove-button';
import type { MarkingsPage } from './page-data';

/** A marking with its first place; further places stay as they are. */
export function MarkingForm({
  data,
  marking,
  onDone,
}: {
  data: MarkingsPage;
  marking: MarkingsPage['markings'][number] | null;
  onDone: () => void;
}): ReactNode {
  const first = marking?.places[0];
  const initial = marking
    ? {
        ...marking,
        view: first?.view ?? 'port',
        station: first?.station ?? 5,
        offset: first?.offset ?? 1,
        turn: first?.turn ?? 0,
      }
    : {
        kind: 'lettering',
        title: '',
        zone: data.zones[0]!.value,
        text: '',
        heightMm: 600,
        printedMm: null,
        method: 'decal',
        codes: [],
        view: 'port',
        station: 5,
        offset: 1,
        turn: 0,
      };
  return (
    <>
      <RecordForm
        fields={[
          { name: 'title', label: 'Title', width: 4 },
          { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(MARKING_KINDS), width: 2 },
          { name: 'text', label: 'Letters', width: 2 },
          { name: 'zone', label: 'Zone', type: 'choice', options: data.zones, width: 4 },
          {
            name: 'heightMm',
            label: 'True height',
            unit: 'mm',
            type: 'number',
            help: 'of a band: its width',
            width: 3,
          },
          {
            name: 'printedMm',
            label: 'On the sheet',
            unit: 'mm',
            type: 'number',
            optional: true,
            help: 'as measured',
            width: 3,
          },
          { name: 'method', label: 'Method', type: 'choice', options: optionsOf(MARKING_METHODS), width: 2 },
          { name: 'codes', label: 'Colours, ground first', type: 'several', options: data.codes, width: 4 },
          { name: 'view', label: 'Seen from', type: 'choice', options: optionsOf(VIEWS), width: 3 },
          { name: 'station', label: 'Station', unit: 'm from the nose', type: 'number', width: 3 },
          { name: 'offset', label: 'Up from belly, or to starboard', unit: 'm', type: 'number', width: 3 },
          { name: 'turn', label: 'Turned', unit: '°', type: 'number', width: 3 },
        ]}
        initial={initial}
        version={marking?.version ?? null}
        saveLabel={marking ? 'Save the marking' : 'Add the marking'}
        saved="Marking saved"
        submit={({ view, station, offset, turn, ...values }, version, act) =>
          save({
            act,
            briefId: data.briefId,
            station: 'markings',
            entity: 'marking',
            id: marking?.id ?? null,
            version,
            fields: { ...values, places: [{ view, station, offset, turn }, ...(marking?.places.slice(1) ?? [])] },
          })
        }
        onDone={onDone}
        onCancel={onDone}
      />
      {marking ? (
        <p>
          <RemoveButton
            briefId={data.briefId}
            station="markings"
            entity="marking"
            record={marking}
            said="Marking removed; u brings it back"
            lossy
          >
            Remove this marking
          </RemoveButton>
        </p>
      ) : null}
    </>
  );
}
