import { addDays, weekdayOf, type Day } from '@/core/units/day';
import { takenOff, type Evening, type WeeklySession } from './evening';

/** A stretch of time on a day, on the builder's clock. */
export interface Spell {
  onDay: Day;
  startsAt: string;
  minutes: number;
}

/** What the events of a calendar mean: times at the bench, or times that are taken. */
export type Meaning = 'bench' | 'busy';

const minutesOf = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));
/** A session lasts between these, minutes. */
const [SHORTEST, LONGEST] = [10, 12 * 60];

/**
 * The single evenings that a calendar makes of a week: more of them where its events are times at the bench, taken off where an event lies
 * over one of the week. What stands already is not made again.
 */
export function eveningsOf(
  spells: readonly Spell[],
  meaning: Meaning,
  weekly: readonly WeeklySession[],
  standing: readonly Evening[],
  booth: boolean,
): Evening[] {
  const known = new Set(standing.map(keyOf));
  const made = meaning === 'bench' ? spells.flatMap((spell) => evening(spell, booth)) : inTheWay(spells, weekly);
  return made.filter((one) => {
    const isNew = !known.has(keyOf(one));
    known.add(keyOf(one));
    return isNew;
  });
}

const keyOf = ({ onDay, startsAt, off }: Evening) => (off ? `${onDay} off` : `${onDay} ${startsAt}`);

const evening = ({ onDay, startsAt, minutes }: Spell, booth: boolean): Evening[] =>
  minutes < SHORTEST ? [] : [{ onDay, startsAt, minutes: Math.min(LONGEST, minutes), booth, off: false }];

function inTheWay(spells: readonly Spell[], weekly: readonly WeeklySession[]): Evening[] {
  return spells.flatMap(({ onDay, startsAt, minutes }) => {
    const from = minutesOf(startsAt);
    // What goes on past midnight is in the way of the next morning too.
    return [0, 1].flatMap((later): Evening[] => {
      const day = addDays(onDay, later);
      const [start, end] = [from - later * 24 * 60, from + minutes - later * 24 * 60];
      const isInTheWay = weekly.some(
        (session) =>
          session.weekday === weekdayOf(day) &&
          minutesOf(session.startsAt) < end &&
          start < minutesOf(session.startsAt) + session.minutes,
      );
      return isInTheWay ? [takenOff(day)] : [];
    });
  });
}
