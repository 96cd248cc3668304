import type { BrokenWait } from '@/core/route/plan';
import type { StepKind } from '@/core/work/kinds';
import { clock, shortDay } from './dates';

/** What helps when a step comes too late after another, by its kind. */
const CURES: Partial<Record<StepKind, string>> = {
  wipe: 'wet it again with its own thinner and wipe at once',
  unmask: 'warm the tape and pull it back on itself, slowly',
  soften: 'try it on a spare decal first',
  oil: 'try whether it still moves',
};

/** "Wipe the wash could follow “Wash the interior” until 21:40 on Thu 3 Dec: wet it again and wipe at once, or do “Wash the interior” again." */
export function brokenInWords({ done, late, until }: BrokenWait): string {
  const cure = CURES[late.kind];
  const again = `do “${done.title}” again`;
  return `“${late.title}” could follow “${done.title}” until ${clock(until)} on ${shortDay(until)}: ${cure ? `${cure}, or ${again}` : again}`;
}
