'use client';

import { useRef, useState } from 'react';
import type { BenchCard, CardTimer } from '@/core/bench/cards';
import { parseNumber } from '@/core/units/number';
import { useOutbox } from '@/stations/shell/outbox';
import { useTimers } from '@/stations/shell/running-timers';
import { serverNow } from '@/ui/server-clock';
import { asLogged, type Really } from './as-it-was';
import { useDoneOn } from './done-on';
import type { BenchPage } from './page-data';

/** What is wrong with what was filled in, beside its field. */
type Faults = Partial<Record<'took' | 'place' | 'note', string>>;

/**
 * What is filled in on a card, and the act that logs it: on which zones or how far, how long it took, why before its turn, as it really was,
 * and the clocks that start with it. What waits on this device is looked at first, so that nothing is logged twice.
 */
export function useFinish(data: BenchPage, card: BenchCard, missing: number, onDone: () => void) {
  const { send, isKnown, look } = useOutbox();
  const { on, part, mark } = useDoneOn(card);
  const [took, setTook] = useState<string | null>(null);
  /** Of work that has no zones: how far it is, in per cent. */
  const [far, setFar] = useState('100');
  const [note, setNote] = useState('');
  const [faults, setFaults] = useState<Faults>({});
  const [startsClocks, setStartsClocks] = useState(true);
  /** How what dries is hurried, by its name; '' in the air as it is. */
  const [hurried, setHurried] = useState('');
  const [really, setReally] = useState<Really>({ ...card.logged, who: '', picture: null });
  const noteField = useRef<HTMLInputElement>(null);
  const running = useTimers(data.timers);

  const share = card.places.length > 0 ? part : (parseNumber(far) ?? 0) / 100;
  // Half of it takes half of the minutes, until somebody says otherwise.
  const minutes = took ?? String(Math.max(1, Math.round(card.minutes * Math.min(1, share || 1))));
  const hurry = card.hurrying.find(({ name }) => name === hurried) ?? null;
  const runningOf = (timer: CardTimer) =>
    running.find(({ stepKey, label }) => stepKey === timer.waits && label === timer.label);
  const waiting = card.timers.filter((timer) => !runningOf(timer));
  const clockOf = (timer: CardTimer) => ({
    id: crypto.randomUUID(),
    fields: {
      stepKey: timer.waits,
      label: timer.label,
      startedAt: new Date(serverNow()).toISOString(),
      // One that may begin at once begins at once.
      minutes: Math.max(0.1, timer.opens),
      closesMin: timer.closes,
      // A window that closes is not hurried: it would close the sooner.
      factor: timer.closes === null ? (hurry?.factor ?? 1) : 1,
    },
  });
  const startClock = (timer: CardTimer) =>
    send((act) => ({ kind: 'timer', briefId: data.briefId, act, ...clockOf(timer) }), 'Timer started');

  /** A key is quicker than the page: what waits on this device may be this step. */
  const isOnItsWay = async () =>
    !isKnown &&
    (await look()).some(
      ({ act }) =>
        act.kind === 'finish' &&
        act.briefId === data.briefId &&
        act.entry.stepKey === card.stepKey &&
        on.every((zone) => act.entry.zones.includes(zone)),
    );
  const faultsOf = (actual: number | null): Faults => {
    if (actual === null || actual < 1 || actual > 10_000) return { took: 'whole minutes, at least 1' };
    if (card.places.length > 0 && on.length === 0) return { place: 'mark at least one zone' };
    if (card.zones.length === 0 && !(share > 0 && share <= 1)) return { place: 'how far, 1 to 100 %' };
    return missing > 0 && note.trim() === '' ? { note: 'say why it is done before its turn' } : {};
  };
  const finish = async () => {
    if (card.isOpen || (await isOnItsWay())) return;
    const actual = parseNumber(minutes);
    const found = faultsOf(actual);
    setFaults(found);
    if (found.note) noteField.current?.focus();
    if (actual === null || Object.keys(found).length > 0) return;
    await send(
      (act) => ({
        kind: 'finish',
        briefId: data.briefId,
        act,
        entry: {
          ...asLogged(card, really, Math.round(actual), note),
          zones: card.zones.length > 1 ? on : card.zones,
          share: card.zones.length === 0 && share < 1 ? share : null,
          plannedMinutes: Math.max(1, Math.round(card.plannedMinutes * Math.min(1, share))),
        },
        pictureId: null,
        timers: startsClocks ? waiting.map(clockOf) : [],
      }),
      share < 1 ? 'Logged as far as it is; what is left is planned' : 'Done; the rest is planned anew',
      really.picture,
    );
    onDone();
  };
  return {
    isKnown,
    on,
    mark,
    far,
    setFar,
    share,
    minutes,
    setTook,
    note,
    setNote,
    noteField,
    faults,
    startsClocks,
    setStartsClocks,
    hurry,
    hurried,
    setHurried,
    really,
    setReally,
    runningOf,
    waiting,
    startClock,
    finish,
  };
}

export type Finish = ReturnType<typeof useFinish>;
