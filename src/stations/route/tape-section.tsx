import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { counted } from '@/core/units/words';
import type { RoutePage } from './page-data';
import { useEdits } from './use-edits';

/** Tape that the plan leaves on for longer than its glue bears. */
export function TapeSection({ data }: { data: RoutePage }): ReactNode {
  const { add, busy } = useEdits(data);
  const { tape } = data;
  if (tape.length === 0) return null;
  return (
    <section className="bar-line" aria-label="Tape that stays on">
      <strong>{counted(tape.length, 'mask')} would stay on for more than a week</strong>
      <ul className="reasons">
        {tape.map(({ step, title, says, anew }) => (
          <li key={step}>
            <strong>{title}</strong>. <span className="dim">{says}</span>{' '}
            <Button
              size="small"
              disabled={busy}
              aria-label={`Plan to lay it anew: ${title}`}
              onClick={() =>
                void add({ kind: 'renew', step, times: anew }, `Laid anew ${anew === 1 ? 'once' : `${anew} times`}`)
              }
            >
              Plan to lay it anew
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
