'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { measure, setOnTile } from '@/actions/services';
import type { Lab } from '@/core/colour/types';
import { parseTriple } from '@/core/units/number';
import { useSaving } from '@/ui/saving';
import { EyePicker } from './eye-picker';
import type { MeasuredColour } from './measured-colour';
import { PhotoSampler } from './photo-sampler';

/** A colour found by whatever is at hand: a photograph beside a card, a colorimeter, or the eye. `under` is what the simulated one is told to see. */
export function MeasureColour({
  under,
  onColour,
}: {
  under: Lab | null;
  onColour: (colour: MeasuredColour) => void;
}): ReactNode {
  const [by, setBy] = useState<'photo' | 'device' | 'eye'>('photo');
  return (
    <div className="measure">
      <div className="filters" role="group" aria-label="Measured by">
        <label>
          <input type="radio" name="measured-by" checked={by === 'photo'} onChange={() => setBy('photo')} /> a
          photograph beside a grey or white card
        </label>
        <label>
          <input type="radio" name="measured-by" checked={by === 'device'} onChange={() => setBy('device')} /> a pocket
          colorimeter
        </label>
        <label>
          <input type="radio" name="measured-by" checked={by === 'eye'} onChange={() => setBy('eye')} /> the eye, from
          pages of hues
        </label>
      </div>
      {by === 'photo' ? <PhotoSampler onColour={onColour} /> : null}
      {by === 'device' ? <Device under={under} onColour={onColour} /> : null}
      {by === 'eye' ? <EyePicker onColour={onColour} /> : null}
    </div>
  );
}

function Device({ under, onColour }: { under: Lab | null; onColour: (colour: MeasuredColour) => void }): ReactNode {
  const { run, busy } = useSaving();
  const [warnings, setWarnings] = useState<string[]>([]);
  const [read, setRead] = useState<MeasuredColour | null>(null);
  const [text, setText] = useState(under ? under.map((value) => value.toFixed(1)).join(' ') : '');
  const told = parseTriple(text);
  const take = async () => {
    const result = await run(() => measure({ under: told }));
    if (!result.ok) return;
    const { lab, sd, instrument, warnings: said } = result.value;
    setWarnings(said);
    setRead({ lab, sd, origin: 'measured', instrument, how: `measured with ${instrument}` });
  };
  return (
    <>
      <p className="dim">
        No instrument is joined to this house: a simulated one answers in its place, with noise and a cold lamp. It has
        no eye, so tell it what lies under it.
      </p>
      <div className="filters">
        <label>
          Under it lies L* a* b*{' '}
          <input size={18} value={text} aria-invalid={!told} onChange={(event) => setText(event.target.value)} />
        </label>
        <Button variant="outlined" disabled={busy} onClick={() => run(() => setOnTile(), 'Set on its white tile')}>
          Set on its tile
        </Button>
        <Button variant="outlined" disabled={busy || !told} onClick={take}>
          Measure, five readings
        </Button>
      </div>
      {read ? (
        <>
          <p>
            L* {read.lab[0].toFixed(2)} a* {read.lab[1].toFixed(2)} b* {read.lab[2].toFixed(2)}, ± {read.sd.toFixed(1)}{' '}
            ΔE00.{' '}
            <Button variant="contained" onClick={() => onColour(read)}>
              Take this colour
            </Button>
          </p>
          {warnings.map((says) => (
            <p key={says}>{says}</p>
          ))}
        </>
      ) : null}
    </>
  );
}
