import { cardsForNow, type BenchCard } from '@/core/bench/cards';
import type { BriefView } from '@/core/brief/derive';
import type { TimerRow } from '@/stations/shell/running-timers';

export interface BenchPage {
  briefId: string;
  startLocal: string | null;
  running: boolean;
  cards: BenchCard[];
  timers: TimerRow[];
  finish: string | null;
}

export function benchPage(view: BriefView): BenchPage {
  const { cards, running, startLocal } = cardsForNow(view);
  return {
    briefId: view.state.brief.id,
    cards,
    running,
    startLocal,
    timers: view.state.timers,
    finish: view.plan.finish,
  };
}
