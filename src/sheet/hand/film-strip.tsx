'use client';

import { useEffect, useState, type ReactNode } from 'react';
import type { Film } from '@/core/laid/film';
import { shortDay } from '@/ui/dates';
import './film-strip.css';

/** How long a picture of the film stays, ms. */
const STAYS_MS = 650;

/** The build as a film: a slider over its steps, and what each did. `over`: how many are over; null for the machine as it is ruled. */
export function FilmStrip({
  film: { frames },
  over,
  ruled,
  isBefore,
  onOver,
}: {
  film: Film;
  over: number | null;
  ruled: string;
  /** It is told what comes next, and not what was last. */
  isBefore: boolean;
  onOver: (over: number | null) => void;
}): ReactNode {
  const [playing, setPlaying] = useState(false);
  const at = over ?? frames.length;
  const done = frames.findLastIndex(({ isDone }) => isDone) + 1;
  useEffect(() => {
    if (!playing) return undefined;
    const timer = setTimeout(() => {
      // What changes nothing that is seen is passed over.
      const next = frames.findIndex(
        ({ coats, tape, off }, i) => i >= at && (coats.length > 0 || tape !== null || off.length > 0),
      );
      if (next < 0) setPlaying(false);
      onOver(next < 0 ? frames.length : next + 1);
    }, STAYS_MS);
    return () => clearTimeout(timer);
  }, [playing, at, frames, onOver]);
  const last = at > 0 ? frames[at - 1] : undefined;
  const next = frames[at];
  const to = (count: number) => {
    setPlaying(false);
    onOver(Math.max(0, Math.min(frames.length, count)));
  };
  const said =
    over === null ? ruled : isBefore && next ? `Before: ${next.title}` : last ? `After: ${last.title}` : 'Bare plastic';
  const when = over === null ? undefined : isBefore ? next : last;
  return (
    <div className="film-strip">
      <button type="button" aria-pressed={over === null} onClick={() => onOver(null)}>
        {ruled}
      </button>
      <button type="button" disabled={done === 0} onClick={() => to(done)}>
        Today
      </button>
      <button type="button" aria-label="One step back" onClick={() => to(at - 1)} disabled={at === 0}>
        ‹
      </button>
      <input
        type="range"
        min={0}
        max={frames.length}
        value={at}
        aria-label="After which step"
        aria-valuetext={`${at} of ${frames.length}: ${said}`}
        onChange={(event) => to(Number(event.target.value))}
      />
      <button type="button" aria-label="One step on" onClick={() => to(at + 1)} disabled={at === frames.length}>
        ›
      </button>
      <button
        type="button"
        onClick={() => {
          // From its end it begins anew.
          if (!playing && at === frames.length) onOver(0);
          setPlaying(!playing);
        }}
      >
        {playing ? 'Stop' : 'Play'}
      </button>
      <output>
        {over === null ? '' : said}
        <small>
          {when
            ? [
                when.on ? shortDay(when.on) : 'no session has room for it',
                when.isDone ? 'done' : 'planned',
                `${at} of ${frames.length}`,
              ].join(' · ')
            : ''}
        </small>
      </output>
    </div>
  );
}
