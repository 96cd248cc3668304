'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { doAgain } from '@/actions/bench';
import type { Kept } from '@/core/kept/records';
import { counted } from '@/core/units/words';
import { useFetched } from '@/ui/use-fetched';
import { useSaving } from '@/ui/saving';
import type { LogPage } from './page-data';

/** What falls with a step that is done again: each may be kept, all are proposed. */
export function DoAgain({
  data: { briefId, revision },
  entry,
  onDone,
}: {
  data: LogPage;
  entry: Kept<'log_entry'>;
  onDone: () => void;
}): ReactNode {
  const { run, busy } = useSaving();
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const takes = useFetched<{ id: string; version: number; title: string }[]>(
    `/briefs/${briefId}/log/falls/${entry.id}?of=${revision}`,
  );
  const falls = (takes ?? []).filter(({ id }) => !kept.has(id));
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
      {takes === null ? (
        <p className="dim">Looking what rests on it…</p>
      ) : takes.length === 0 ? (
        <p>Nothing that is done rests on it.</p>
      ) : (
        <>
          <p>What was done on top of it goes with it. Take the mark away from what still holds.</p>
          <ul className="plain-list">
            {takes.map(({ id, title }) => (
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
        <Button variant="contained" disabled={busy || takes === null} onClick={() => void open()} autoFocus>
          Do {counted(1 + falls.length, 'step')} again
        </Button>{' '}
        <Button onClick={onDone}>Leave it</Button>
      </p>
    </section>
  );
}
