import type { Chemistry } from '@/core/paint/chemistry';
import type { Minutes } from '@/core/units/minutes';

const h = 60;

/** Tape comes up while the paint still gives: at the most so long after the last coat over it ended. */
export const MOST_TAPE: Readonly<Record<Chemistry, Minutes>> = {
  WA: 4 * h,
  SA: 24 * h,
  AL: 12 * h,
  ML: 12 * h,
  EN: 48 * h,
  OI: 48 * h,
  EW: 48 * h,
};

/** Tape that stays on for longer leaves its glue behind. */
export const LONGEST_TAPE: Minutes = 7 * 24 * h;
