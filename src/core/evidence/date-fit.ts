import { daysBetween, type Day } from '@/core/units/day';

/** First and last day; null = not known. */
export interface Window {
  from: Day | null;
  to: Day | null;
}

export interface Repaint {
  zone: string;
  on: Day;
}

/**
 * How well a source's date fits the target window, 0..1: 1 where the windows overlap, exp(-gap/decayDays) otherwise,
 * 0 when the zone was repainted in the gap (after the end of the earlier window, on or before the start of the later),
 * `unknown` without a date. A window of which one day is known is that day.
 */
export function dateFit(
  source: Window,
  target: Window,
  repaintsOfZone: readonly Repaint[],
  unknown: number,
  decayDays: number,
): number {
  const seen = filled(source);
  const wanted = filled(target);
  if (!seen || !wanted) return unknown;
  if (seen.from <= wanted.to && wanted.from <= seen.to) return 1;
  const [endOfEarlier, startOfLater] = seen.to < wanted.from ? [seen.to, wanted.from] : [wanted.to, seen.from];
  if (repaintsOfZone.some(({ on }) => on > endOfEarlier && on <= startOfLater)) return 0;
  return Math.exp(-daysBetween(endOfEarlier, startOfLater) / decayDays);
}

function filled({ from, to }: Window): { from: Day; to: Day } | null {
  const first = from ?? to;
  const last = to ?? from;
  return first && last ? { from: first, to: last } : null;
}
