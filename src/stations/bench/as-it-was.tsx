'use client';

import type { ReactNode } from 'react';
import type { BenchCard, LoggedStep } from '@/core/bench/cards';
import { useMeasures } from '@/ui/shown-units';
import type { BenchAct } from '@/outbox/queued';
import { MixedEditor } from '@/ui/mixed-editor';
import { TextField } from '@/ui/text-field';

/** What was really done, where it differs from the card. */
export interface Really extends LoggedStep {
  who: string;
  /** Taken here, sent with the step. */
  picture: Blob | null;
}

type Entry = Extract<BenchAct, { kind: 'finish' }>['entry'];

export const asLogged = (
  card: BenchCard,
  { picture: _, ...really }: Really,
  actualMinutes: number,
  note: string,
): Entry => ({
  ...really,
  stepKey: card.stepKey,
  title: card.title,
  lane: card.lane,
  plannedMinutes: card.plannedMinutes,
  actualMinutes,
  note: note.trim(),
  paint: card.paint?.label ?? '',
  again: false,
  replaces: false,
});

const SPRAYED = {
  pressureBar: { label: 'Pressure', unit: 'bar' },
  // Needles are sold by the millimetre everywhere.
  needleMm: { label: 'Needle, mm', unit: '' },
  distanceCm: { label: 'Distance', unit: 'cm' },
} as const;

/** As it was mixed and laid: only what differs has to be touched. */
export function AsItWas({
  card,
  people,
  really,
  onReally,
}: {
  card: BenchCard;
  people: readonly string[];
  really: Really;
  onReally: (really: Really) => void;
}): ReactNode {
  const measures = useMeasures();
  const number = (label: string, name: 'ml' | 'coats' | 'tempC' | 'humidity', unit: string) => (
    <TextField
      label={`${label}, ${measures.unit(unit)}`}
      defaultValue={really[name] === null ? '' : measures.asTyped(really[name], unit)}
      onChange={(event) => onReally({ ...really, [name]: (measures.read(event.target.value, unit) ?? null) as never })}
      inputMode="decimal"
      width={150}
    />
  );
  const sprayed = really.sprayed;
  return (
    <details className="bench-really">
      <summary>As it really was, and a picture</summary>
      {really.mixed ? <MixedEditor mixed={really.mixed} onMixed={(mixed) => onReally({ ...really, mixed })} /> : null}
      <div className="bench-fields">
        {really.mixed ? number('Off the bottle', 'ml', 'ml') : null}
        {card.coats ? number('Coats', 'coats', 'laid') : null}
        {sprayed
          ? (['pressureBar', 'needleMm', 'distanceCm'] as const).map((name) => (
              <TextField
                key={name}
                label={[SPRAYED[name].label, measures.unit(SPRAYED[name].unit)].filter(Boolean).join(', ')}
                defaultValue={measures.asTyped(sprayed[name], SPRAYED[name].unit)}
                onChange={(event) => {
                  const value = measures.read(event.target.value, SPRAYED[name].unit);
                  if (value !== null) onReally({ ...really, sprayed: { ...sprayed, [name]: value } });
                }}
                inputMode="decimal"
                width={150}
              />
            ))
          : null}
        {number('Temperature', 'tempC', '°C')}
        {number('Humidity', 'humidity', '%')}
        <TextField
          label="By"
          value={really.who}
          onChange={(event) => onReally({ ...really, who: event.target.value })}
          list="bench-people"
          width={150}
        />
        <datalist id="bench-people">
          {people.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
        <label className="bench-picture">
          Picture{' '}
          <input
            type="file"
            accept="image/*"
            capture="environment"
            onChange={(event) => onReally({ ...really, picture: event.target.files?.[0] ?? null })}
          />
        </label>
      </div>
    </details>
  );
}
