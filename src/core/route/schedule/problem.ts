import type { Minutes } from '@/core/units/minutes';

/** Elapsed whole minutes since the problem's origin. */
export type Instant = number;

/** A half-open stretch of time, [start, end). */
export interface Span {
  start: Instant;
  end: Instant;
}

export interface SessionWindow extends Span {
  id: string;
}

export interface PlanStep {
  id: string;
  title?: string;
  minutes: Minutes;
  /** May pause at a session's end and go on at the very start of the next. */
  splittable: boolean;
  /** The airbrush's colour; null when nothing is sprayed. */
  colour: string | null;
  needsBooth: boolean;
  /** Not before this: a part that is still on order. */
  notBefore?: Instant | null;
}

/** minLag <= start(to) - end(from) <= maxLag. */
export interface PlanLink {
  from: string;
  to: string;
  minLag: Minutes;
  maxLag: Minutes | null;
}

export interface Airbrush {
  initial: string;
  /** The state is `clean` at the start of every session. */
  resetEachWindow: boolean;
  /** cleanOut[state][colour]; what is not listed takes no time. */
  cleanOut: Record<string, Record<string, Minutes>>;
}

export interface Actual extends Span {
  id: string;
}

/** One person, sessions, waits and one airbrush: the contract's instance with its times already checked. */
export interface PlanProblem {
  windows: readonly SessionWindow[];
  boothWindows: readonly Span[];
  steps: readonly PlanStep[];
  links: readonly PlanLink[];
  airbrush: Airbrush | null;
  now: Instant | null;
  actuals: readonly Actual[];
}

export interface PlannedStep {
  id: string;
  segments: [Instant, Instant][];
}

export const CLEAN = 'clean';

export function cleanOutMinutes(airbrush: Airbrush | null, state: string, colour: string): Minutes {
  if (!airbrush || state === colour) return 0;
  return airbrush.cleanOut[state]?.[colour] ?? 0;
}

/** Index of the first span that ends after a moment; the number of spans where none does. Sorted and disjoint. */
export function firstEndingAfter(spans: readonly Span[], at: Instant): number {
  let [low, high] = [0, spans.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (spans[middle]!.end <= at) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Spans that lie in both lists. Both sorted. */
export function overlaps(a: readonly Span[], b: readonly Span[]): Span[] {
  const found: Span[] = [];
  let j = 0;
  for (const one of a) {
    while (j < b.length && b[j]!.end <= one.start) j += 1;
    for (let k = j; k < b.length && b[k]!.start < one.end; k += 1) {
      found.push({ start: Math.max(one.start, b[k]!.start), end: Math.min(one.end, b[k]!.end) });
    }
  }
  return found;
}
