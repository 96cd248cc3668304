'use client';

import { useState, type ReactNode } from 'react';
import { save } from '@/actions/briefs';
import { RecordForm } from '@/ui/fields';
import type { EvidenceFacts } from './evidence-facts';
import { PictureDrop } from './picture-drop';
import { NEW_SOURCE, sourceFieldSpecs } from './source-form';

export function NewSource({ facts, onClose }: { facts: EvidenceFacts; onClose: () => void }): ReactNode {
  const [pictureId, setPictureId] = useState<string | null>(null);
  return (
    <section className="ledger-detail" aria-label="New source" style={{ marginBottom: 12 }}>
      <h2 style={{ marginTop: 0 }}>New source</h2>
      <PictureDrop pictureId={pictureId} onPicture={(id) => setPictureId(id)} />
      <RecordForm
        fields={sourceFieldSpecs(facts, null)}
        initial={NEW_SOURCE}
        version={null}
        saveLabel="Add the source"
        saved="Source added"
        submit={(values) =>
          save({
            briefId: facts.briefId,
            station: 'evidence',
            entity: 'source',
            id: null,
            version: null,
            fields: { ...values, pictureId },
          })
        }
        onDone={onClose}
        onCancel={onClose}
      />
    </section>
  );
}
