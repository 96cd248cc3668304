'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { remove } from '@/actions/records';
import { countdown } from '@/core/units/minutes';
import { useSaving } from '@/ui/saving';
import { measureServerClock, serverNow } from '@/ui/server-clock';

export interface TimerRow {
  id: string;
  version: number;
  stepKey: string;
  label: string;
  startedAt: string;
  minutes: number;
}

export const secondsLeft = (timer: Pick<TimerRow, 'startedAt' | 'minutes'>, now: number) =>
  (Date.parse(timer.startedAt) + timer.minutes * 60_000 - now) / 1000;

/** The present, once a second; null while the page is drawn on the server, so that both agree. */
export function useNow(): number | null {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNow(serverNow());
    const first = setTimeout(tick, 0);
    void measureServerClock().then(tick);
    const timer = setInterval(tick, 1000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, []);
  return now;
}

/** The bench timers that run, on every station. They live in the database: a reload or another device shows the same. */
export function RunningTimers({ briefId, timers }: { briefId: string; timers: TimerRow[] }): ReactNode {
  const now = useNow();
  const { run } = useSaving();
  return timers.map((timer) => {
    const left = now === null ? null : secondsLeft(timer, now);
    const over = left !== null && left <= 0;
    return (
      <button
        key={timer.id}
        type="button"
        className={`head-timer${over ? ' over' : ''}`}
        title="Stop this timer"
        aria-label={`${timer.label}: ${left === null ? '' : over ? 'time is up' : `${countdown(left)} left`}. Stop`}
        onClick={() =>
          run(
            (act) => remove({ act, briefId, station: 'bench', entity: 'timer', id: timer.id, version: timer.version }),
            'Timer stopped',
          )
        }
      >
        <em>{timer.label}</em> <span>{left === null ? '–:––' : over ? 'now' : countdown(left)}</span>
      </button>
    );
  });
}
