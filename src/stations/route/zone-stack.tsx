import type { ReactNode } from 'react';
import { capital } from '@/core/units/words';
import { clock, shortDay } from '@/ui/dates';
import { Chip } from '@/ui/swatch';
import type { RoutePage } from './page-data';

/** What lies on a zone and what will, from the plastic up: done layers are solid, the others still to come. */
export function ZoneStack({
  data,
  zone,
  onChoose,
}: {
  data: RoutePage;
  zone: string;
  onChoose: (key: string) => void;
}): ReactNode {
  const layers = data.stacks[zone] ?? [];
  const byNumber = new Map(data.work.map((work) => [work.number, work]));
  return (
    <section className="bar-line" aria-label="What lies on it">
      <strong>{capital(data.zoneTitles[zone] ?? zone)}, from the plastic up</strong>
      {layers.length === 0 ? (
        <p>Nothing is planned on it yet: decide its colour at Evidence.</p>
      ) : (
        <ol className="zone-stack">
          {layers.map(({ number, what }, i) => {
            const work = byNumber.get(number);
            return work ? (
              <li key={`${number} ${i}`} className={work.done ? 'done' : undefined}>
                {work.hex ? <Chip hex={work.hex} /> : null} {what}:{' '}
                <button type="button" className="row-button" onClick={() => onChoose(work.key)}>
                  {work.title}
                </button>{' '}
                <span className="dim">{work.done ? 'done' : `${shortDay(work.start)} ${clock(work.start)}`}</span>
              </li>
            ) : null;
          })}
        </ol>
      )}
    </section>
  );
}
