'use client';

import Button from '@mui/material/Button';
import { useEffect, useRef, type ReactNode } from 'react';
import { focusOn } from '@/ui/focus-kept';
import { AwayNote } from './away-note';
import { stationOf, type StationPath } from './stations';
import { useZoneChoice } from './zone-choice';
import './desk.css';

/** A station: the modeller's own question as heading, one line that says what matters now, then the work. */
export function StationFrame({
  station,
  styles = '',
  now,
  actions,
  children,
}: {
  station: StationPath;
  /** The class under which the station's own style sheet stands. */
  styles?: string;
  now: ReactNode;
  actions?: ReactNode;
  children: ReactNode;
}): ReactNode {
  const { zone, choose, titleOf } = useZoneChoice();
  const main = useRef<HTMLElement>(null);
  // Who comes to a station without a mouse begins at its top.
  useEffect(() => {
    if (document.activeElement === document.body) focusOn(main.current!);
  }, []);
  return (
    <main className={`station station-${station} ${styles}`} id="station" ref={main} tabIndex={-1}>
      <header className="station-head">
        <div>
          <h1>{stationOf(station).asks}</h1>
          <p className="station-now">{now}</p>
        </div>
        <div className="station-actions">{actions}</div>
      </header>
      <AwayNote station={station} />
      {zone && station !== 'bench' ? (
        <p className="narrowed">
          Narrowed to <strong>{titleOf(zone)}</strong>{' '}
          <Button size="small" onClick={() => choose(null)}>
            Show all
          </Button>
        </p>
      ) : null}
      {children}
    </main>
  );
}
