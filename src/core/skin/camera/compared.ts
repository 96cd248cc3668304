import type { TracedFigure } from './traced';

/** The same thing traced in two pictures. */
export interface Compared {
  /** How far the one is above the other, in the unit of the figures, and in standard deviations of the difference. */
  apart: number;
  sigmas: number;
  /** The mean of both by what is known of each (inverse variances; GUM 2008, Annex H), where they agree. */
  together: { value: number; sd: number } | null;
}

/** Further apart than so many standard deviations they do not agree: 1 in 20 of those that do. */
const AGREES = 2;

/** Null where they are figures of other things. */
export function compared(one: TracedFigure, other: TracedFigure): Compared | null {
  if (one.of !== other.of) return null;
  const apart = one.value - other.value;
  const sigmas = Math.abs(apart) / Math.hypot(one.sd, other.sd);
  const [here, there] = [1 / one.sd ** 2, 1 / other.sd ** 2];
  return {
    apart,
    sigmas,
    together:
      sigmas <= AGREES
        ? { value: (here * one.value + there * other.value) / (here + there), sd: 1 / Math.sqrt(here + there) }
        : null,
  };
}
