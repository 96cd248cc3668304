'use client';

import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { BenchCard, LoggedStep } from '@/core/bench/cards';
import { readMeasure } from '@/core/units/measure';
import type { BenchAct } from '@/outbox/queued';
import { MixedEditor } from '@/ui/mixed-editor';

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
  stepKey: card.key,
  title: card.title,
  lane: card.lane,
  plannedMinutes: card.plannedMinutes,
  actualMinutes,
  note: note.trim(),
  paint: card.paint?.label ?? '',
  again: false,
});

const SPRAYED = {
  pressureBar: { label: 'Pressure', unit: 'bar' },
  needleMm: { label: 'Needle', unit: 'mm' },
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
  const number = (label: string, name: 'ml' | 'coats' | 'tempC' | 'humidity', unit: string) => (
    <TextField
      size="small"
      label={`${label}, ${unit}`}
      defaultValue={really[name] ?? ''}
      onChange={(event) => onReally({ ...really, [name]: (readMeasure(event.target.value, unit) ?? null) as never })}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 150 }}
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
                size="small"
                label={`${SPRAYED[name].label}, ${SPRAYED[name].unit}`}
                defaultValue={sprayed[name]}
                onChange={(event) => {
                  const value = readMeasure(event.target.value, SPRAYED[name].unit);
                  if (value !== null) onReally({ ...really, sprayed: { ...sprayed, [name]: value } });
                }}
                slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                sx={{ width: 150 }}
              />
            ))
          : null}
        {number('Temperature', 'tempC', '°C')}
        {number('Humidity', 'humidity', '%')}
        <TextField
          size="small"
          label="By"
          value={really.who}
          onChange={(event) => onReally({ ...really, who: event.target.value })}
          slotProps={{ htmlInput: { list: 'bench-people' } }}
          sx={{ width: 150 }}
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
