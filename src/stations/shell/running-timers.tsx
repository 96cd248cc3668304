'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';
import { callOf, timerAt, type Timer } from '@/core/bench/timer';
import { countdown } from '@/core/units/minutes';
import { measureServerClock, serverNow } from '@/ui/server-clock';
import { callOut } from './call-out';
import { useOutbox } from './outbox';
import './head.css';

export interface TimerRow extends Timer {
  id: string;
  version: number;
  stepKey: string;
  label: string;
}

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

/** The timers as this device knows them: those of the page, with what was done here since. */
export function useTimers(kept: readonly TimerRow[]): TimerRow[] {
  const { unseen } = useOutbox();
  const stopped = new Set(unseen.flatMap((act) => (act.kind === 'stop' ? [act.id] : [])));
  const finished = new Set(unseen.flatMap((act) => (act.kind === 'finish' ? [act.entry.stepKey] : [])));
  const known = new Set(kept.map(({ id }) => id));
  const own = unseen.flatMap((act) => {
    const begun = act.kind === 'timer' ? [act] : act.kind === 'finish' ? act.timers : [];
    return begun.flatMap(({ id, fields }) => (known.has(id) ? [] : [{ ...fields, id, version: 0 }]));
  });
  return [...kept, ...own].filter(({ id, stepKey }) => !stopped.has(id) && !finished.has(stepKey));
}

/** "6:40", "open 24:10", "now", "too late": what a timer says at a moment. */
export function timerInWords(timer: Timer, now: number | null): { says: string; over: boolean } {
  if (now === null) return { says: '–:––', over: false };
  const { phase, seconds } = timerAt(timer, now);
  if (phase === 'waiting') return { says: countdown(seconds), over: false };
  if (phase === 'open') return { says: `now, ${countdown(seconds)} left`, over: true };
  return { says: phase === 'ready' ? 'now' : 'too late', over: true };
}

/** The bench timers that run, on every station. They follow from their starts alone: a reload or another device shows the same. */
export function RunningTimers({ briefId, timers: kept }: { briefId: string; timers: TimerRow[] }): ReactNode {
  const now = useNow();
  const { send } = useOutbox();
  const timers = useTimers(kept);
  const before = useRef<number | null>(null);
  useEffect(() => {
    if (now === null) return;
    if (before.current !== null)
      for (const timer of timers) {
        const call = callOf(timer, before.current, now);
        if (call) callOut(timer.label, call);
      }
    before.current = now;
  }, [now, timers]);
  return timers.map((timer) => {
    const { says, over } = timerInWords(timer, now);
    const isWaiting = now !== null && !over;
    return (
      <button
        key={timer.id}
        type="button"
        className={`head-timer${over ? ' over' : ''}`}
        title="Stop this timer"
        aria-label={`${timer.label}: ${now === null ? '' : isWaiting ? `${says} left` : says === 'now' ? 'time is up' : says}. Stop`}
        onClick={() => void send((act) => ({ kind: 'stop', briefId, act, id: timer.id }), 'Timer stopped')}
      >
        <em>{timer.label}</em> <span>{says}</span>
      </button>
    );
  });
}
