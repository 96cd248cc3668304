'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { planInput } from '@/actions/plan';
import type { AskedSoFar } from '@/core/route/counterfactuals';
import { counted, listed } from '@/core/units/words';
import { fullDay } from '@/ui/dates';
import { useWorker } from '@/ui/use-worker';
import type { PlanWorker } from '@/workers/plan.worker';

/** What would bring the date forward, each with its figure; what would not is said in one line. */
export function WhatIf({ briefId }: { briefId: string }): ReactNode {
  const { answer, working, start, stop } = useWorker<PlanWorker, AskedSoFar | null>(
    () => new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
  );
  const ask = async () => {
    const input = await planInput({ briefId });
    if (input.ok) await start((api, hear) => api.whatIf(input.value, hear));
  };
  const found = answer?.found ?? [];
  const changing = found.filter(({ days }) => days !== 0);
  const nothing = found.filter(({ days, loads }) => days === 0 && loads <= 0);
  const cleaner = found.filter(({ days, loads }) => days === 0 && loads > 0);
  return (
    <div className="what-if">
      <p className="pane-actions">
        {working ? (
          <Button variant="outlined" size="small" onClick={stop}>
            Stop asking
          </Button>
        ) : (
          <Button variant="outlined" size="small" onClick={() => void ask()}>
            What would bring it forward?
          </Button>
        )}
        {working ? <span role="status">{answer ? `${counted(answer.left, 'question')} to go` : 'Asking…'}</span> : null}
      </p>
      {changing.length > 0 ? (
        <ul className="reasons" aria-label="What would move the date">
          {changing.map(({ says, days, finish }) => (
            <li key={says}>
              {days === null ? (
                <>
                  {says}: <strong>not everything would fit</strong>
                </>
              ) : (
                <>
                  {says}:{' '}
                  <strong>
                    {counted(Math.abs(days), 'day')} {days > 0 ? 'sooner' : 'later'}
                  </strong>
                  , {fullDay(finish!.slice(0, 10))}
                </>
              )}
            </li>
          ))}
        </ul>
      ) : null}
      {cleaner.length > 0 ? (
        <p className="dim">
          The same day, but cleaner:{' '}
          {listed(cleaner.map(({ says, loads }) => `${says} (${counted(loads, 'filling')} fewer)`))}.
        </p>
      ) : null}
      {nothing.length > 0 && !working ? (
        <p className="dim">
          Nothing gained by{' '}
          {listed(
            nothing.map(({ says }) => says),
            'or',
          )}
          .
        </p>
      ) : null}
    </div>
  );
}
