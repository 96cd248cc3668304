import type { ReactNode } from 'react';
import { counted } from '@/core/units/words';
import type { RoutePage } from './page-data';

/** Tape that the plan leaves on for longer than its glue bears. */
export function TapeSection({ data: { tape } }: { data: RoutePage }): ReactNode {
  if (tape.length === 0) return null;
  return (
    <section className="bar-line" aria-label="Tape that stays on">
      <strong>{counted(tape.length, 'mask')} would stay on for more than a week</strong>
      <ul className="reasons">
        {tape.map(({ step, title, says }) => (
          <li key={step}>
            <strong>{title}</strong>. <span className="dim">{says}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
