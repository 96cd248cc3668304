'use client';

import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import {
  CLARITIES,
  DEFAULT_WEIGHTS,
  SOURCE_KIND_NAMES,
  SOURCE_KINDS,
  type WeightChanges,
} from '@/core/evidence/weights';
import { RecordForm, type FieldSpec } from '@/ui/fields';
import type { EvidencePage } from './page-data';

const CLARITY_WORDS = { clear: 'shown clearly', partial: 'shown in part', inferred: 'inferred' } as const;

/** What each kind of source weighs, with the reason; another builder weighs differently, so every number can be changed. */
export function WeightsForm({ data }: { data: EvidencePage }): ReactNode {
  const [open, setOpen] = useState(false);
  const { weights, version } = data.weights;
  const changed = Object.keys(weights.kind).length + Object.keys(weights.clarity).length;
  const number = (name: string, label: string, standard: number, reason: string): FieldSpec => ({
    name,
    label,
    type: 'number',
    optional: true,
    help: `${standard}; ${reason}`,
    width: 3,
  });
  const fields: FieldSpec[] = [
    ...SOURCE_KIND_NAMES.map((kind) =>
      number(`kind ${kind}`, SOURCE_KINDS[kind].title, SOURCE_KINDS[kind].weight, SOURCE_KINDS[kind].reason),
    ),
    ...CLARITIES.map((clarity) =>
      number(`clarity ${clarity}`, CLARITY_WORDS[clarity], DEFAULT_WEIGHTS.clarity[clarity], 'times the kind'),
    ),
    number('unknownDate', 'Without a date', DEFAULT_WEIGHTS.unknownDate, 'date fit'),
    number('decayDays', 'Date fit falls over, days', DEFAULT_WEIGHTS.decayDays, 'to 1/e'),
  ];
  const initial = {
    ...Object.fromEntries(Object.entries(weights.kind).map(([kind, value]) => [`kind ${kind}`, value])),
    ...Object.fromEntries(Object.entries(weights.clarity).map(([clarity, value]) => [`clarity ${clarity}`, value])),
    unknownDate: weights.unknownDate,
    decayDays: weights.decayDays,
  };
  return (
    <section className="bar-line">
      <button type="button" className="row-button" aria-expanded={open} onClick={() => setOpen(!open)}>
        How much each kind of source weighs{changed > 0 ? ` (${changed} changed)` : ''}
      </button>
      {open ? (
        <RecordForm
          key={version}
          fields={fields}
          initial={initial}
          version={version}
          saveLabel="Weigh by these"
          saved="Everything is weighed anew"
          submit={(values, seen, act) =>
            save({
              act,
              briefId: data.briefId,
              station: 'evidence',
              entity: 'brief',
              id: data.briefId,
              version: seen,
              fields: { weights: changesOf(values) },
            })
          }
          onDone={() => setOpen(false)}
          onCancel={() => setOpen(false)}
        >
          <p className="dim">An empty field keeps the number below it.</p>
        </RecordForm>
      ) : null}
    </section>
  );
}

/** Only what was filled in is a change. */
function changesOf(values: Record<string, unknown>): WeightChanges {
  const filled = Object.entries(values).filter(([, value]) => value !== null);
  const of = (prefix: string) =>
    Object.fromEntries(
      filled.flatMap(([name, value]) => (name.startsWith(prefix) ? [[name.slice(prefix.length), value]] : [])),
    );
  return {
    kind: of('kind '),
    clarity: of('clarity '),
    ...Object.fromEntries(filled.filter(([name]) => name === 'unknownDate' || name === 'decayDays')),
  };
}
