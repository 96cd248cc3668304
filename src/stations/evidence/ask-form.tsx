'use client';

import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import { ASPECT_NAMES, ASPECTS } from '@/core/evidence/aspects';
import { RecordForm } from '@/ui/fields';
import type { EvidencePage } from './page-data';

/** A question nobody's source answers yet. */
export function AskForm({
  data,
  zone,
  onClose,
  onAsked,
}: {
  data: EvidencePage;
  zone: string | null;
  onClose: () => void;
  onAsked: (id: string) => void;
}): ReactNode {
  return (
    <RecordForm
      fields={[
        { name: 'zone', label: 'Zone', type: 'choice', options: data.zones, width: 6 },
        {
          name: 'aspect',
          label: 'Aspect',
          type: 'choice',
          options: ASPECT_NAMES.map((name) => ({ value: name, label: ASPECTS[name].title })),
          width: 6,
        },
        { name: 'item', label: 'Which one', help: 'where a zone has several: band, code letters', width: 6 },
      ]}
      initial={{ zone: zone ?? data.zones[0]!.value, aspect: 'colour', item: '' }}
      version={null}
      saveLabel="Ask"
      saved="Asked"
      submit={(values, _, act) =>
        save({
          act,
          briefId: data.briefId,
          station: 'evidence',
          entity: 'question',
          id: null,
          version: null,
          fields: values,
        })
      }
      onDone={(value) => {
        onAsked(value.id);
        onClose();
      }}
      onCancel={onClose}
    />
  );
}
