import type { PlannedWork } from './plan';

/** A plan that the builder accepted: where each step lay, in minutes since 1970 in UTC. */
export interface AcceptedPlan {
  laid: readonly { key: string; title: string; segments: readonly (readonly [number, number])[] }[];
}

const MINUTE = 60_000;

/** Segments so many minutes later: from the minutes of a plan to those since 1970, or back. */
export const shifted = (segments: readonly (readonly [number, number])[], by: number): [number, number][] =>
  segments.map(([start, end]) => [start + by, end + by]);

/** Minutes since 1970 at which a plan begins. */
export const beginningOf = ({ origin }: { origin: string }): number => Date.parse(origin) / MINUTE;

/** A plan as it is kept when it is accepted. */
export const asAccepted = ({
  origin,
  work,
}: {
  origin: string;
  work: readonly (Pick<PlannedWork, 'key' | 'segments' | 'done'> & { step: { title: string } })[];
}): AcceptedPlan['laid'] => {
  const from = beginningOf({ origin });
  return work
    .filter(({ done }) => !done)
    .map(({ key, step, segments }) => ({
      key,
      title: step.title,
      segments: shifted(segments, from),
    }));
};
