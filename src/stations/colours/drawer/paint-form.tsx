'use client';

import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { addPaint, changePaint } from '@/actions/paints';
import { FINISHES, FLOPS, METAL_GROUNDS, OPACITIES, PAINT_KINDS, paintLabel, type Paint } from '@/core/paint/catalogue';
import { Opened } from '@/ui/opened';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { COLOUR_FIELDS, given, LINE_FIELDS, orNotKnown } from '../colour-fields';

const MeasureColour = dynamic(() => import('../measure/measure-colour').then((module) => module.MeasureColour));

/** A paint of the catalogue; a new one with its line and what stands in the drawer. */
export function PaintForm({
  briefId,
  lines,
  paint,
  onClose,
}: {
  briefId: string;
  lines: readonly Paint[];
  paint: Paint | null;
  onClose: () => void;
}): ReactNode {
  const [measuring, setMeasuring] = useState(false);
  const [offered, setOffered] = useState<Record<string, unknown>>({});
  const names = [...new Set(lines.map(({ line }) => line))];
  const ofLine: FieldSpec[] = paint
    ? []
    : [{ name: 'line', label: 'Line', type: 'suggest', options: optionsOf(names), width: 3 }, ...LINE_FIELDS];
  return (
    <Opened label={paint ? 'Change the paint' : 'New paint'} onClose={onClose}>
      <h2 style={{ marginTop: 0 }}>{paint ? `Change ${paintLabel(paint)}` : 'New paint'}</h2>
      {measuring ? (
        <MeasureColour
          under={paint?.lab ?? null}
          onColour={({ lab, sd }) => {
            setMeasuring(false);
            setOffered({ L: lab[0].toFixed(2), a: lab[1].toFixed(2), b: lab[2].toFixed(2), sd: sd.toFixed(1) });
          }}
        />
      ) : (
        <button type="button" className="row-button" onClick={() => setMeasuring(true)}>
          Find its colour: a photograph beside a card, a colorimeter, or by eye
        </button>
      )}
      <RecordForm
        fields={[
          ...ofLine,
          { name: 'number', label: 'Number', width: 2 },
          { name: 'name', label: 'Name', width: 4 },
          { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(PAINT_KINDS), width: 3 },
          { name: 'finish', label: 'Finish', type: 'choice', options: optionsOf(FINISHES), width: 3 },
          { name: 'opacity', label: 'Opacity', type: 'choice', options: optionsOf(OPACITIES), width: 3 },
          ...(paint
            ? []
            : [
                {
                  name: 'mlLeft',
                  label: 'In the drawer',
                  unit: 'ml',
                  type: 'number',
                  optional: true,
                  width: 3,
                } as const,
              ]),
          { name: 'sizeMl', label: 'Bottle', unit: 'ml', type: 'number', width: 2 },
          { name: 'price', label: 'Price', help: 'empty: not known', type: 'number', optional: true, width: 2 },
          { name: 'currency', label: 'Currency', width: 2 },
          ...COLOUR_FIELDS,
          {
            name: 'contrastRatio',
            label: 'Contrast ratio',
            help: 'one coat, black over white',
            type: 'number',
            optional: true,
            width: 3,
          },
          { name: 'tint', label: 'Tint, 1 in 4 of white', help: 'L* a* b*', width: 3 },
          { name: 'claims', label: 'Claims to be', help: 'codes, by commas', width: 4 },
          { name: 'ground', label: 'Metal: meant over', type: 'choice', options: orNotKnown(METAL_GROUNDS), width: 3 },
          { name: 'flop', label: 'Metal: darkens aslant (flop)', type: 'choice', options: orNotKnown(FLOPS), width: 3 },
        ]}
        initial={paint ? valuesOf(paint) : BLANK}
        offered={offered}
        version={paint?.version ?? null}
        saveLabel={paint ? 'Save the paint' : 'Add the paint'}
        saved={paint ? 'Paint saved' : 'Paint added'}
        submit={({ price, ...values }, version, act) => {
          const priceCents = typeof price === 'number' ? Math.round(price * 100) : (price ?? null);
          return paint
            ? changePaint({
                act,
                ...given(values),
                priceCents,
                line: paint.line,
                chemistry: paint.chemistry,
                thinner: paint.thinner,
                thinRatio: paint.thinRatio,
                briefId,
                id: paint.id,
                version,
              })
            : addPaint({ act, name: '', ...given(values), priceCents, briefId });
        }}
        onDone={onClose}
        onCancel={onClose}
      />
    </Opened>
  );
}

const BLANK = {
  line: '',
  chemistry: 'WA',
  thinner: '',
  thinRatio: null,
  number: '',
  name: '',
  kind: 'solid',
  finish: 'matt',
  opacity: 'opaque',
  mlLeft: 0,
  sizeMl: 17,
  price: null,
  currency: 'EUR',
  L: null,
  a: null,
  b: null,
  sd: null,
  hex: '',
  munsell: '',
  reflectance: '',
  contrastRatio: null,
  tint: '',
  claims: '',
  ground: '',
  flop: '',
};

const valuesOf = (paint: Paint) => ({
  ...BLANK,
  number: paint.number,
  name: paint.name,
  kind: paint.kind,
  finish: paint.finish,
  opacity: paint.opacity,
  sizeMl: paint.sizeMl,
  price: paint.priceCents === null ? null : (paint.priceCents / 100).toFixed(2),
  currency: paint.currency,
  L: paint.data?.reflectance ? null : (paint.lab?.[0] ?? null),
  a: paint.data?.reflectance ? null : (paint.lab?.[1] ?? null),
  b: paint.data?.reflectance ? null : (paint.lab?.[2] ?? null),
  sd: paint.sd,
  reflectance: paint.data?.reflectance?.join(' ') ?? '',
  contrastRatio: paint.data?.contrastRatio ?? null,
  tint: paint.data?.tint14?.join(' ') ?? '',
  claims: paint.claims.join(', '),
  ground: paint.ground,
  flop: paint.flop,
});
