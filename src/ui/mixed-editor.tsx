'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { Kept } from '@/core/kept/records';
import { parseNumber } from '@/core/units/number';
import { TextField } from './text-field';

type Mixed = NonNullable<Kept<'log_entry'>['mixed']>;

/** The cup as it really was: drops by paint, and thinner to one part of paint. */
export function MixedEditor({ mixed, onMixed }: { mixed: Mixed; onMixed: (mixed: Mixed) => void }): ReactNode {
  const change = (i: number, part: Partial<Mixed['parts'][number]>) =>
    onMixed({ ...mixed, parts: mixed.parts.map((own, at) => (at === i ? { ...own, ...part } : own)) });
  const whole = (text: string) => Math.max(1, Math.round(parseNumber(text) ?? 1));
  return (
    <fieldset className="mixed-editor">
      <legend>As it was mixed</legend>
      {mixed.parts.map(({ label, drops }, i) => (
        <div key={i}>
          <TextField
            label="Drops"
            defaultValue={drops}
            onChange={(event) => change(i, { drops: whole(event.target.value) })}
            inputMode="numeric"
            aria-label={`Drops of ${label}`}
            width={90}
          />
          <TextField
            label="Paint"
            value={label}
            onChange={(event) => change(i, { label: event.target.value })}
            width={320}
          />
          {mixed.parts.length > 1 ? (
            <button
              type="button"
              className="row-button"
              aria-label={`Without ${label}`}
              onClick={() => onMixed({ ...mixed, parts: mixed.parts.filter((_, at) => at !== i) })}
            >
              take out
            </button>
          ) : null}
        </div>
      ))}
      <div>
        <TextField
          label="Thinner to one"
          defaultValue={mixed.thinner}
          onChange={(event) => onMixed({ ...mixed, thinner: Math.max(0, parseNumber(event.target.value) ?? 0) })}
          inputMode="decimal"
          width={130}
        />
        <Button
          size="small"
          disabled={mixed.parts.length >= 8}
          onClick={() => onMixed({ ...mixed, parts: [...mixed.parts, { label: '', drops: 1 }] })}
        >
          Another paint
        </Button>
      </div>
    </fieldset>
  );
}
