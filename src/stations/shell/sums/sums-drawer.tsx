'use client';

import Drawer from '@mui/material/Drawer';
import TextField from '@mui/material/TextField';
import { useEffect, useState, type ReactNode } from 'react';
import type { SumFacts } from '@/core/workshop/sum-facts';
import { useMeasures } from '@/ui/shown-units';
import css from './sums.module.css';
import { SUM_KINDS, type SumKind } from './kinds';

/** The sums of the workshop, filled in from the brief; every figure says how it came about. */
export function SumsDrawer({ briefId, onClose }: { briefId: string; onClose: () => void }): ReactNode {
  const [facts, setFacts] = useState<SumFacts | null>(null);
  const [away, setAway] = useState(false);
  const [key, setKey] = useState(SUM_KINDS[0]!.key);
  useEffect(() => {
    let stale = false;
    fetch(`/briefs/${briefId}/sum-facts`)
      .then((response) => response.json() as Promise<SumFacts>)
      .then(
        (found) => !stale && setFacts(found),
        () => !stale && setAway(true),
      );
    return () => {
      stale = true;
    };
  }, [briefId]);
  const kind = SUM_KINDS.find((one) => one.key === key)!;
  return (
    <Drawer anchor="right" open onClose={onClose} slotProps={{ paper: { 'aria-label': 'Sums', role: 'dialog' } }}>
      <div className={css.sums}>
        <header>
          <h2>Sums</h2>
          <button type="button" className="row-button" onClick={onClose}>
            close (Esc)
          </button>
        </header>
        <label>
          What{' '}
          <select value={key} onChange={(event) => setKey(event.target.value)} autoFocus>
            {SUM_KINDS.filter(({ isFor }) => !facts || !isFor || isFor(facts)).map((one) => (
              <option key={one.key} value={one.key}>
                {one.title}
              </option>
            ))}
          </select>
        </label>
        {away ? <p role="alert">The server does not answer: what the brief knows cannot be filled in.</p> : null}
        {facts ? <Sum key={key} kind={kind} facts={facts} /> : null}
      </div>
    </Drawer>
  );
}

function Sum({ kind, facts }: { kind: SumKind; facts: SumFacts }): ReactNode {
  const measures = useMeasures();
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      Object.entries(kind.given(facts)).map(([name, value]) => [
        name,
        typeof value === 'number'
          ? measures.asTyped(value, kind.fields.find((field) => field.name === name)?.unit ?? '')
          : value,
      ]),
    ),
  );
  const numbers: Record<string, number> = {};
  const chosen: Record<string, string> = {};
  const faults: Record<string, string> = {};
  for (const { name, label, unit, least = 0, choices, isList } of kind.fields) {
    if (choices) chosen[name] = typed[name] ?? choices[0]![0];
    else if (isList) chosen[name] = typed[name] ?? '';
    else {
      const value = measures.read(typed[name] ?? '', unit);
      if (value === null) faults[name] = `${label}: a number`;
      else if (value < least || value > 1e7) faults[name] = value < least ? `at least ${least}` : 'too large';
      else numbers[name] = value;
    }
  }
  const answer = Object.keys(faults).length === 0 ? kind.sum(numbers, chosen) : null;
  return (
    <>
      <div className={css.fields}>
        {kind.fields.map(({ name, label, unit, choices, isList }) =>
          choices ? (
            <label key={name}>
              {label}{' '}
              <select value={chosen[name]} onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}>
                {choices.map(([value, title]) => (
                  <option key={value} value={value}>
                    {title}
                  </option>
                ))}
              </select>
            </label>
          ) : (
            <TextField
              key={name}
              size="small"
              label={unit ? `${label}, ${measures.unit(unit)}` : label}
              value={typed[name] ?? ''}
              onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
              error={faults[name] !== undefined}
              helperText={faults[name]}
              multiline={isList ?? false}
              slotProps={{ htmlInput: { inputMode: isList ? 'text' : 'decimal' } }}
            />
          ),
        )}
      </div>
      <output aria-live="polite" className={css.answer}>
        {answer ? (
          answer.figures.map(([label, value]) => (
            <div key={label}>
              <span className="dim">{label}</span> <strong>{value}</strong>
            </div>
          ))
        ) : (
          <span className="dim">It wants whole figures.</span>
        )}
      </output>
      {answer ? (
        <ul className="plain-list">
          {answer.because.map((why) => (
            <li key={why}>{why}</li>
          ))}
        </ul>
      ) : null}
      {kind.assumes ? <p className="dim">{kind.assumes}</p> : null}
    </>
  );
}
