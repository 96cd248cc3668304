'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { doAgain } from '@/actions/bench';
import { counted } from '@/core/units/words';
import { useSaving } from '@/ui/saving';
import type { LogRow } from './page-data';

/** What falls with a step that is done again: each may be kept, all are proposed. */
export function DoAgain({ briefId, entry, onDone }: { briefId: string; entry: LogRow; onDone: () => void }): ReactNode {
  const { run, busy } = useSaving();
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const falls = entry.takes.filter(({ id }) => !kept.has(id));
  const open = async () => {
    const entries = [entry, ...falls].map(({ id, version }) => ({ id, version }));
    const result = await run(
      (act) => doAgain({ act, briefId, entries, again: true }),
      `${counted(entries.length, 'step')} back on the route; the record stays`,
    );
    if (result.ok) onDone();
  };
  return (
    <section aria-label={`Do ${entry.title} again`}>
      {entry.takes.length === 0 ? (
        <p>Nothing that is done rests on it.</p>
      ) : (
        <>
          <p>What was done on top of it goes with it. Take the mark away from what still holds.</p>
          <ul className="plain-list">
            {entry.takes.map(({ id, title }) => (
              <li key={id}>
                <label>
                  <input
                    type="checkbox"
                    checked={!kept.has(id)}
                    onChange={(event) =>
                      setKept(new Set(event.target.checked ? [...kept].filter((one) => one !== id) : [...kept, id]))
                    }
                  />{' '}
                  {title}
                </label>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="pane-actions">
        <Button variant="contained" disabled={busy} onClick={() => void open()} autoFocus>
          Do {counted(1 + falls.length, 'step')} again
        </Button>{' '}
        <Button onClick={onDone}>Leave it</Button>
      </p>
    </section>
  );
}
