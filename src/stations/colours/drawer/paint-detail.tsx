'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { remove, save } from '@/actions/records';
import { mergePaint } from '@/actions/paints';
import { bottleState } from '@/core/paint/bottle';
import { lineFieldsOf, paintLabel, type Bottle, type Paint } from '@/core/paint/catalogue';
import { dryingOf } from '@/core/paint/drying';
import { pigmentOfPaint } from '@/core/paint/paint-pigment';
import { thinningOf } from '@/core/paint/thinning';
import { durationInWords } from '@/core/units/minutes';
import { Opened } from '@/ui/opened';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { useSaving } from '@/ui/saving';
import { LINE_FIELDS } from '../colour-fields';

const PaintForm = dynamic(() => import('./paint-form').then((module) => module.PaintForm));

const dryingField = (name: string, label: string): FieldSpec => ({
  name,
  label,
  unit: 'min',
  help: 'at 20 °C; empty as its chemistry',
  type: 'number',
  optional: true,
  width: 4,
});
const WHOLE_LINE: FieldSpec[] = [
  { name: 'name', label: 'Line', width: 3 },
  ...LINE_FIELDS,
  dryingField('recoatMin', 'Next coat after'),
  dryingField('maskMin', 'Masked after'),
  dryingField('cureMin', 'Cured after'),
];
const BOTTLE_FIELDS: FieldSpec[] = [
  { name: 'mlLeft', label: 'Left', unit: 'ml', type: 'number', width: 3 },
  { name: 'openedOn', label: 'Opened', type: 'day', optional: true, width: 3 },
  {
    name: 'condition',
    label: 'Condition',
    type: 'suggest',
    options: optionsOf(['new', 'good', 'thick', 'skinned over', 'dried up']),
    width: 3,
  },
  {
    name: 'strength',
    label: 'Tinting strength',
    help: '1 = as its data say, 2 = twice as strong',
    type: 'number',
    width: 3,
  },
];

/** One paint: what is known of it, its bottles, and what to do with it. */
export function PaintDetail({
  briefId,
  today,
  paint,
  paints,
  onClose,
}: {
  briefId: string;
  today: string;
  paint: Paint;
  paints: readonly Paint[];
  onClose: () => void;
}): ReactNode {
  const [doing, setDoing] = useState<'change' | 'line' | 'merge' | 'bottle' | null>(null);
  const [bottle, setBottle] = useState<Bottle | null>(null);
  const done = () => {
    setDoing(null);
    setBottle(null);
  };
  return (
    <Opened label={paintLabel(paint)} onClose={onClose}>
      <h2 style={{ marginTop: 0 }}>
        {paintLabel(paint)} {paint.name}
      </h2>
      <WhatIsKnown paint={paint} />
      {paint.bottles.length > 0 ? (
        <Bottles
          briefId={briefId}
          paint={paint}
          today={today}
          onChange={(item) => {
            setBottle(item);
            setDoing('bottle');
          }}
        />
      ) : null}
      <p className="pane-actions">
        <Button
          variant="outlined"
          onClick={() => {
            setBottle(null);
            setDoing(doing === 'bottle' ? null : 'bottle');
          }}
        >
          Another bottle
        </Button>
        <Button variant="outlined" onClick={() => setDoing(doing === 'change' ? null : 'change')}>
          Change the paint
        </Button>
        <Button variant="outlined" onClick={() => setDoing(doing === 'line' ? null : 'line')}>
          Change the line {paint.line}
        </Button>
        <Button variant="outlined" onClick={() => setDoing(doing === 'merge' ? null : 'merge')}>
          It is the same as…
        </Button>
        <Button variant="text" onClick={onClose}>
          Close
        </Button>
      </p>
      {doing === 'bottle' ? <BottleForm briefId={briefId} paint={paint} bottle={bottle} onDone={done} /> : null}
      {doing === 'change' ? <PaintForm briefId={briefId} lines={paints} paint={paint} onClose={done} /> : null}
      {doing === 'line' ? (
        <RecordForm
          fields={WHOLE_LINE}
          initial={lineFieldsOf(paint)}
          version={paint.lineVersion}
          saveLabel="Save the line"
          saved="Line saved"
          submit={(fields, version, act) =>
            save({ act, briefId, station: 'colours', entity: 'paint_line', id: paint.lineId, version, fields })
          }
          onDone={done}
          onCancel={done}
        />
      ) : null}
      {doing === 'merge' ? <SameAs briefId={briefId} paint={paint} paints={paints} onMerged={onClose} /> : null}
    </Opened>
  );
}

/** Its colour, how it mixes, thins and dries. */
function WhatIsKnown({ paint }: { paint: Paint }): ReactNode {
  const known = pigmentOfPaint(paint);
  const dry = dryingOf(paint);
  const thinning = thinningOf(paint);
  return (
    <p>
      {paint.lab
        ? `L* ${paint.lab.map((value) => value.toFixed(1)).join(' ')} ± ${paint.sd.toFixed(1)} ΔE00`
        : 'No colour is known: it is never matched.'}
      {known ? `; mixes are computed ${known.from ? `from ${known.from}` : ''}, ± ${known.sd.toFixed(1)}` : ''}. Thinned{' '}
      {thinning.ratio} to 1 with {thinning.thinner}; at 20 °C touch-dry after {durationInWords(dry.touch)}, over it
      after {durationInWords(dry.recoat)}, masked after {durationInWords(dry.mask)}, cured after{' '}
      {durationInWords(dry.cure)}
      {Object.keys(paint.dries).length > 0 ? ' (by the line’s own word)' : ''}.
      {paint.formerly.length > 0 ? ` Formerly ${paint.formerly.join(', ')}.` : ''}
    </p>
  );
}

/** The bottles of it in the drawer. */
function Bottles({
  briefId,
  paint,
  today,
  onChange,
}: {
  briefId: string;
  paint: Paint;
  today: string;
  onChange: (bottle: Bottle) => void;
}): ReactNode {
  const { run, busy } = useSaving();
  return (
    <table className="plain">
      <tbody>
        {paint.bottles.map((item) => (
          <tr key={item.id}>
            <td className="num">{item.mlLeft.toFixed(1)} ml</td>
            <td>{item.openedOn ? `opened ${item.openedOn}` : 'not opened'}</td>
            <td>{bottleState(item, paint, today).says}</td>
            <td>{item.strength === 1 ? '' : `tints ${item.strength.toFixed(2)} times as strongly as its data say`}</td>
            <td>
              <Button variant="text" onClick={() => onChange(item)}>
                Change
              </Button>{' '}
              <Button
                variant="text"
                disabled={busy}
                onClick={() =>
                  run(
                    (act) =>
                      remove({
                        act,
                        briefId,
                        station: 'colours',
                        entity: 'bottle',
                        id: item.id,
                        version: item.version,
                      }),
                    'Bottle taken out',
                  )
                }
              >
                Take out
              </Button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function BottleForm({
  briefId,
  paint,
  bottle,
  onDone,
}: {
  briefId: string;
  paint: Paint;
  bottle: Bottle | null;
  onDone: () => void;
}): ReactNode {
  return (
    <RecordForm
      key={bottle?.id ?? 'new'}
      fields={BOTTLE_FIELDS}
      initial={bottle ? { ...bottle } : { mlLeft: paint.sizeMl, openedOn: null, condition: 'new', strength: 1 }}
      version={bottle?.version ?? null}
      saveLabel={bottle ? 'Save the bottle' : 'Put it in the drawer'}
      saved="Bottle saved"
      submit={(values, version, act) =>
        save({
          act,
          briefId,
          station: 'colours',
          entity: 'bottle',
          id: bottle?.id ?? null,
          version,
          fields: { ...values, paintId: paint.id },
        })
      }
      onDone={onDone}
      onCancel={onDone}
    />
  );
}

/** Two numbers of one paint become one. */
function SameAs({
  briefId,
  paint,
  paints,
  onMerged,
}: {
  briefId: string;
  paint: Paint;
  paints: readonly Paint[];
  onMerged: () => void;
}): ReactNode {
  const { run, busy } = useSaving();
  const [into, setInto] = useState('');
  const target = paints.find(({ id }) => id === into);
  return (
    <div className="filters">
      <label>
        {paintLabel(paint)} is the same as{' '}
        <select value={into} onChange={(event) => setInto(event.target.value)}>
          <option value="">…</option>
          {paints
            .filter(({ id, chemistry }) => id !== paint.id && chemistry === paint.chemistry)
            .map((other) => (
              <option key={other.id} value={other.id}>
                {paintLabel(other)} {other.name}
              </option>
            ))}
        </select>
      </label>
      <Button
        variant="contained"
        disabled={busy || !target}
        onClick={async () => {
          const result = await run(
            (act) =>
              mergePaint({
                act,
                briefId,
                from: { id: paint.id, version: paint.version },
                into: { id: target!.id, version: target!.version },
              }),
            `Merged into ${paintLabel(target!)}`,
          );
          if (result.ok) onMerged();
        }}
      >
        Make one of the two
      </Button>
      <span className="dim">Bottles, choices and recipes go over; its number stays findable. Undo with u.</span>
    </div>
  );
}
