import { addDays, dayInWords, type Day } from '@/core/units/day';
import { counted, lowered } from '@/core/units/words';
import { LONGEST_TAPE } from '@/core/work/tape';
import type { PlannedWork, RoutePlan } from './plan';

/** Tape that stays on for longer than its glue bears. */
export interface LongTape {
  /** The step that puts it on. */
  step: string;
  title: string;
  days: number;
  /** How often it would have to be laid anew in between. */
  anew: number;
  /** What can be done instead, each a sentence. */
  helps: string[];
}

const DAY = 24 * 60;

/** Tape of a plan that stays on for more than a week: what is plugged with foam or paper has no glue to leave. */
export function longTapes({ work }: Pick<RoutePlan, 'work'>): LongTape[] {
  return work.flatMap((on): LongTape[] => {
    const { tape, title, zones } = on.step;
    if (tape?.goes !== 'on' || zones.length === 0) return [];
    const laid = on.segments.at(-1)![1];
    // It comes off for good, or is laid anew where it lies.
    const then = work.find(
      ({ step, segments }) =>
        step.tape?.of === tape.of &&
        segments[0]![0] >= laid &&
        (step.tape.goes === 'off' || zones.every((zone) => step.zones.includes(zone))),
    );
    if (!then || then.done) return [];
    const minutes = then.segments[0]![0] - laid;
    if (minutes <= LONGEST_TAPE) return [];
    const anew = Math.ceil(minutes / LONGEST_TAPE) - 1;
    return [{ step: on.key, title, days: Math.round(minutes / DAY), anew, helps: helpsFor(on) }];
  });
}

function helpsFor(on: PlannedWork): string[] {
  const last: Day = addDays(on.end.slice(0, 10) as Day, LONGEST_TAPE / DAY);
  const anew = `take it off by ${dayInWords(last)} and lay it anew`;
  return on.step.tape?.of === 'gear' || on.step.masking
    ? [anew]
    : ['masking fluid, which stays for months', 'a spare canopy or blanks in its place', anew];
}

/** "Mask the canopy stays on for 52 days; after seven tape leaves its glue: masking fluid, or take it off by 8 Jan and lay it anew." */
export const longTapeSaid = ({ days, helps }: LongTape): string =>
  `It stays on for ${counted(days, 'day')}, and after seven tape leaves its glue: ${lowered(helps.join('; or '))}.`;
