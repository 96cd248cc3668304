import type { Minutes } from '@/core/units/minutes';

/** A bench timer as it is kept: from its start alone everything follows, on every device and after every reload. */
export interface Timer {
  startedAt: string;
  /** Until it may begin, and until it is too late where it ever is. */
  minutes: Minutes;
  closesMin: Minutes | null;
  /** Times the minutes: below 1 where drying is forced. */
  factor: number;
}

export type TimerPhase = 'waiting' | 'open' | 'ready' | 'closed';

/** Where a timer stands: seconds until it opens, then until it closes; behind that, since. A start that lies ahead counts from now. */
export function timerAt(
  { startedAt, minutes, closesMin, factor }: Timer,
  now: number,
): { phase: TimerPhase; seconds: number } {
  const gone = Math.max(0, (now - Date.parse(startedAt)) / 1000);
  const opens = minutes * factor * 60;
  if (gone < opens) return { phase: 'waiting', seconds: opens - gone };
  if (closesMin === null) return { phase: 'ready', seconds: gone - opens };
  const closes = closesMin * factor * 60;
  return gone < closes ? { phase: 'open', seconds: closes - gone } : { phase: 'closed', seconds: gone - closes };
}

/** A window that closes this soon is called out once more. */
const LAST_CALL_S = 5 * 60;

/** What is to be called out between two moments: that it may begin, that it closes soon, that it is too late. */
export function callOf(timer: Timer, before: number, now: number): 'open' | 'closing' | 'closed' | null {
  const [was, is] = [timerAt(timer, before), timerAt(timer, now)];
  if (was.phase !== is.phase) return is.phase === 'closed' ? 'closed' : is.phase === 'waiting' ? null : 'open';
  return is.phase === 'open' && was.seconds > LAST_CALL_S && is.seconds <= LAST_CALL_S ? 'closing' : null;
}
