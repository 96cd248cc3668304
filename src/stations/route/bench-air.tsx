'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { benchAir } from '@/actions/services';
import { useKeep } from '@/stations/shell/use-keep';
import type { RoutePage } from './page-data';
import { useMeasures } from '@/ui/shown-units';

/** Temperature and humidity at the bench, typed or read from a sensor: every wait is scaled by them. */
export function BenchAir({ data }: { data: RoutePage }): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'route');
  const measures = useMeasures();
  const { tempC, humidity, says } = data.air;
  /** What was typed and not taken yet. */
  const [typed, setTyped] = useState<{ tempC?: string; humidity?: string }>({});
  const filled = { tempC: typed.tempC ?? measures.asTyped(tempC, '°C'), humidity: typed.humidity ?? String(humidity) };
  const [fault, setFault] = useState('');
  const take = async (next: { tempC: number; humidity: number }) => {
    setFault('');
    const kept = await keep(
      'brief',
      { id: data.briefId, version: data.briefVersion },
      next,
      measures.shown(`${next.tempC} °C, ${next.humidity} %: every wait follows`),
    );
    // What was typed while this was on its way stays.
    if (kept.ok) setTyped((now) => (now === typed ? {} : now));
  };
  const read = async () => {
    const answer = await benchAir();
    if (answer.ok) await take({ tempC: answer.value.tempC, humidity: answer.value.humidity });
    else setFault('faults' in answer ? (answer.faults[0]?.says ?? '') : 'The sensor did not answer.');
  };
  const isSame =
    (measures.read(filled.tempC, '°C') ?? NaN) === tempC && (measures.read(filled.humidity, '') ?? NaN) === humidity;
  const field = (name: 'tempC' | 'humidity', label: string, unit: string) => (
    <TextField
      size="small"
      label={label}
      value={filled[name]}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      slotProps={{ input: { endAdornment: unit }, htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 150 }}
    />
  );
  return (
    <section className="bar-line" aria-label="Air at the bench">
      <form
        className="pane-actions"
        onSubmit={(event) => {
          event.preventDefault();
          const next = {
            tempC: measures.read(filled.tempC, '°C') ?? NaN,
            humidity: measures.read(filled.humidity, '') ?? NaN,
          };
          if (Object.values(next).every(Number.isFinite)) void take(next);
          else setFault('Temperature and humidity: two numbers');
        }}
      >
        {field('tempC', 'Bench temperature', measures.unit('°C'))}
        {field('humidity', 'Humidity', '%')}
        <Button type="submit" variant="outlined" disabled={busy || isSame}>
          Take these
        </Button>
        <Button variant="outlined" disabled={busy} onClick={() => void read()}>
          Read the sensor
        </Button>
        <span className="dim">{says}</span>
      </form>
      {fault ? <p role="alert">{fault}</p> : null}
    </section>
  );
}
