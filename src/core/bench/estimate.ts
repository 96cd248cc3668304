import type { Route } from '@/core/work/step';
import type { Minutes } from '@/core/units/minutes';
import { median } from '@/core/units/median';
import { counted } from '@/core/units/words';

/** One piece of work that was planned and done; kinds are those of steps. */
export interface Timed {
  kind: string;
  planned: Minutes | null;
  actual: Minutes | null;
}

export interface Factor {
  /** Entries that it rests on. */
  n: number;
  factor: number;
}

export interface Estimate {
  factors: Record<string, Factor>;
  /** Entries that say nothing, by their place in the log. */
  leftOut: { index: number; says: string }[];
}

/** So many entries weigh as much as the belief that the plan is right. */
export const PRIOR = 4;

/**
 * What a log teaches about each kind of work: exp(n / (n + prior) x median of ln(actual / planned)), the mean of the two middle ones where n is
 * even. A shrunken median in logarithms, so that half and double weigh alike and one bad evening does not count. Kinds without entries have
 * none: their factor is 1.
 */
export function estimated(log: readonly Timed[], prior = PRIOR): Estimate {
  const ratios = new Map<string, number[]>();
  const leftOut: Estimate['leftOut'] = [];
  log.forEach(({ kind, planned, actual }, index) => {
    if (!planned || !actual)
      leftOut.push({ index, says: `${kind || 'work'}: ${!planned ? 'never planned' : 'no minutes taken'}` });
    else ratios.set(kind, [...(ratios.get(kind) ?? []), Math.log(actual / planned)]);
  });
  const factors = Object.fromEntries(
    [...ratios].map(([kind, all]) => {
      const n = all.length;
      return [kind, { n, factor: Math.exp((n / (n + prior)) * median(all)) }];
    }),
  );
  return { factors, leftOut };
}

/** Factors nearer to 1 than this are no news. */
const NEWS = 0.05;

/** The route with the minutes that this builder takes, and each step saying so; what the builder said himself stays. */
export function atOwnPace(route: Route, factors: Estimate['factors']): Route {
  return {
    ...route,
    steps: route.steps.map((step) => {
      const own = factors[step.kind];
      if (!own || Math.abs(own.factor - 1) < NEWS || step.pace === null) return step;
      const minutes = Math.max(1, Math.round(step.minutes * own.factor));
      return {
        ...step,
        minutes,
        pace: own.factor,
        minutesFrom: `${step.minutesFrom}; times ${own.factor.toFixed(2)}, from ${counted(own.n, 'piece')} of this work in your log: ${minutes} min`,
      };
    }),
  };
}

/** The minutes of a step before the builder's pace: what the log holds against those taken, so that it does not learn from itself. */
export const plannedMinutes = ({ minutes, pace }: Route['steps'][number]): Minutes => Math.round(minutes / (pace ?? 1));
