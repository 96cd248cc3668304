import { cardsForNow, type BenchCard } from '@/core/bench/cards';
import type { BriefView } from '@/core/brief/derive';
import { brokenInWords } from '@/ui/broken-words';
import type { TimerRow } from '@/stations/shell/running-timers';

export interface BenchPage {
  briefId: string;
  startLocal: string | null;
  running: boolean;
  cards: BenchCard[];
  timers: TimerRow[];
  finish: string | null;
  /** Steps that are not done, planned or not. */
  left: number;
  broken: string[];
  /** Changes to the kept plan that wait to be accepted. */
  waiting: number;
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
    left: view.route.steps.length - view.plan.work.filter(({ done }) => done).length,
    broken: view.plan.broken.map(brokenInWords),
    waiting: view.proposal?.changes.length ?? 0,
  };
}
