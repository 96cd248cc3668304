'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { CardTimer } from '@/core/bench/cards';
import { durationInWords } from '@/core/units/minutes';
import { timerInWords, useNow, type TimerRow } from '@/stations/shell/running-timers';

/** A clock of the card: when it may begin, until when, and how it stands once it runs. */
export function CardClock({
  timer,
  running,
  isFirst,
  onStart,
}: {
  timer: CardTimer;
  running: TimerRow | undefined;
  isFirst: boolean;
  onStart: () => void;
}): ReactNode {
  const now = useNow();
  const when =
    timer.closes === null
      ? `after ${durationInWords(timer.opens)}`
      : `${timer.opens > 0 ? `from ${durationInWords(timer.opens)} ` : ''}until ${durationInWords(timer.closes)}`;
  return (
    <li>
      {running ? (
        <span className="timer-face" role="timer" aria-label={`${timer.label}, timer`}>
          {timerInWords(running, now).says}
        </span>
      ) : (
        <Button variant="outlined" onClick={onStart}>
          {isFirst ? 'Start the timer (t)' : 'Start'}
        </Button>
      )}
      <span>
        {timer.closes === null ? timer.why || timer.label : timer.label} <span className="dim">{when}</span>
      </span>
    </li>
  );
}
