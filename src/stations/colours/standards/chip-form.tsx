'use client';

import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { addChip } from '@/actions/codes';
import { CHIP_ORIGINS } from '@/core/colour/chips';
import { FINISHES, PAINT_KINDS } from '@/core/paint/catalogue';
import { optionsOf, RecordForm } from '@/ui/fields';
import { COLOUR_FIELDS, given } from '../colour-fields';
import type { ColourCallRow } from '@/stations/colours/page-data';

const MeasureColour = dynamic(() => import('../measure/measure-colour').then((module) => module.MeasureColour));

/** Says what colour a code is. */
export function ChipForm({
  data,
  call,
  onDone,
}: {
  data: { briefId: string };
  call: Pick<ColourCallRow, 'code' | 'name' | 'lab' | 'record'>;
  onDone?: () => void;
}): ReactNode {
  const [measuring, setMeasuring] = useState(false);
  const [offered, setOffered] = useState<Record<string, unknown>>({});
  return (
    <>
      {call.lab ? null : (
        <p>
          No colour is known for <strong className="code">{call.code}</strong>. Give its Lab (D65, 2°), a Munsell
          notation, a curve, or a screen colour; or measure it.
        </p>
      )}
      {measuring ? (
        <MeasureColour
          under={call.lab}
          onColour={({ lab, sd, origin, instrument }) => {
            setMeasuring(false);
            setOffered({
              L: lab[0].toFixed(2),
              a: lab[1].toFixed(2),
              b: lab[2].toFixed(2),
              sd: sd.toFixed(1),
              instrument,
              measured: origin,
            });
          }}
        />
      ) : (
        <button type="button" className="row-button" onClick={() => setMeasuring(true)}>
          Find it: a photograph beside a card, a colorimeter, or by eye
        </button>
      )}
      <RecordForm
        // What was measured brings its origin along.
        key={String(offered.measured ?? '')}
        fields={[
          ...COLOUR_FIELDS,
          { name: 'origin', label: 'Origin', type: 'choice', options: optionsOf(CHIP_ORIGINS), width: 3 },
          { name: 'instrument', label: 'Instrument', width: 3 },
          { name: 'batch', label: 'Batch', help: 'where it differs by batch', width: 2 },
          { name: 'name', label: 'Name', width: 4 },
          { name: 'finish', label: 'Finish', type: 'choice', options: optionsOf(FINISHES), width: 4 },
          { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(PAINT_KINDS), width: 4 },
        ]}
        initial={{
          origin: offered.measured ?? 'published',
          instrument: '',
          batch: '',
          name: call.name,
          finish: call.record?.finish ?? 'matt',
          kind: call.record?.kind ?? 'solid',
          L: null,
          a: null,
          b: null,
          sd: null,
          hex: '',
          munsell: '',
          reflectance: '',
        }}
        offered={offered}
        version={null}
        saveLabel="Add the chip"
        saved="Chip added"
        submit={(values, _, act) =>
          addChip({ act, name: '', ...given(values), briefId: data.briefId, code: call.code })
        }
        onDone={() => onDone?.()}
      />
    </>
  );
}
