import type { Progress } from '@/core/kit/machine';
import type { Kept } from '@/core/kept/records';

/** How far a build is, as far as that forbids some choices. */
export function progressOf(log: readonly Pick<Kept<'log_entry'>, 'stepKey' | 'again'>[]): Progress {
  const done = (key: string) => log.some(({ stepKey, again }) => stepKey === key && !again);
  return {
    fuselage: done('gate:fuselage') ? 'closed' : 'open',
    noseWeight: done('nose-weight') ? 'in' : 'not in',
  };
}
