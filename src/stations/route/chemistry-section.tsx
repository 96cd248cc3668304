'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { TakenRemedy } from '@/core/laid/guard';
import { capital, counted, lowered } from '@/core/units/words';
import { useKeep } from '@/stations/shell/use-keep';
import type { RoutePage } from './page-data';

const TAKE: Record<TakenRemedy['remedy'], string> = { barrier: 'Put clear between', mist: 'Begin in mist coats' };

/** Where one layer attacks another: what helps, and what the route does when it is taken. */
export function ChemistrySection({ data }: { data: RoutePage }): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'route');
  const { open, waited, barriers } = data.chemistry;
  if (open.length === 0 && barriers.length === 0) return null;
  const decide = (over: string, under: string, remedy: TakenRemedy['remedy'] | null, said: string) => {
    const others = data.remedies.filter((one) => one.over !== over || one.under !== under);
    void keep(
      'brief',
      { id: data.briefId, version: data.briefVersion },
      { remedies: remedy ? [...others, { over, under, remedy }] : others },
      said,
    );
  };
  const left = open.filter(({ taken }) => taken === null).length;
  return (
    <section className="bar-line" aria-label="What attacks what">
      <strong>
        {left > 0
          ? left === 1
            ? 'One layer attacks what is under it'
            : `${left} layers attack what is under them`
          : 'Every layer bears the next'}
      </strong>
      <ul className="reasons">
        {open.map(({ over, under, overTitle, underTitle, where, says, remedies, taken }) => (
          <li key={`${over} ${under}`}>
            {taken === null ? '⚠ ' : ''}
            <strong>{overTitle}</strong> over “{lowered(underTitle)}” on {where}: {says}.{' '}
            <span className="dim">{capital(remedies.map((remedy) => remedy.says).join('; or '))}.</span>{' '}
            {remedies.map(({ id, canTake }) =>
              canTake ? (
                <Button
                  key={id}
                  size="small"
                  variant="outlined"
                  disabled={busy}
                  aria-pressed={taken === id}
                  onClick={() =>
                    taken === id
                      ? decide(over, under, null, 'Taken back; u takes it up again')
                      : decide(over, under, id as TakenRemedy['remedy'], 'The route follows')
                  }
                >
                  {taken === id
                    ? `${TAKE[id as TakenRemedy['remedy']]} – take it back`
                    : TAKE[id as TakenRemedy['remedy']]}
                </Button>
              ) : null,
            )}
          </li>
        ))}
        {barriers.map(({ over, under, says }) => (
          <li key={`barrier ${over} ${under}`}>
            {says}.{' '}
            <Button
              size="small"
              variant="outlined"
              disabled={busy}
              onClick={() => decide(over, under, null, 'Without the clear')}
            >
              Leave the clear out
            </Button>
          </li>
        ))}
      </ul>
      {waited > 0 ? (
        <p className="dim">Before {counted(waited, 'more layer')} the route waits until what is under has cured.</p>
      ) : null}
    </section>
  );
}
