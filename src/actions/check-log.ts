import { nowMs } from '@/clock/now';
import { isOther } from '@/core/bench/other-work';
import { canonicalIn } from '@/core/codes/system';
import type { Fields } from '@/core/kept/records';
import { localDay } from '@/core/route/calendar';
import type { Sight } from '@/data/sight';
import { bookOf, briefOf } from './brief-of';
import { Refused } from './answer';

const A_DAY = 24 * 3_600_000;
/** Models stand unfinished for decades; nobody writes down what was done before that. */
const LONGEST_AGO = 40 * 365 * A_DAY;

/** Whether something may have been done at an instant (ISO text): not tomorrow, and within a builder's life. */
export function isOfABuild(instant: string): boolean {
  const at = Date.parse(instant);
  return at <= nowMs() + A_DAY && at >= nowMs() - LONGEST_AGO;
}

/** Throws Refused where work cannot have been done when it says. */
function checkWorkedAt({ startedAt, endedAt }: Pick<Fields<'log_entry'>, 'startedAt' | 'endedAt'>): void {
  for (const [field, instant] of [
    ['startedAt', startedAt],
    ['endedAt', endedAt],
  ] as const)
    if (!isOfABuild(instant))
      throw new Refused(
        field,
        Date.parse(instant) > nowMs()
          ? `When: ${instant.slice(0, 10)} has not come yet.`
          : `When: on ${instant.slice(0, 10)} nobody worked on this build. Give the day on which it was done.`,
      );
}

/**
 * An entry as it is kept: its code as the standards write it, each zone once. Throws Refused for what cannot have been: work of another time,
 * before there was a kit, or a coat of other work that lies nowhere.
 */
export async function checkEntry(at: Sight, entry: Fields<'log_entry'>): Promise<Fields<'log_entry'>> {
  checkWorkedAt(entry);
  const { brief } = await briefOf(at);
  const day = localDay(entry.endedAt, brief.timeZone);
  if (brief.boughtOn !== null && day < brief.boughtOn)
    throw new Refused('onDay', `Day: the kit was bought on ${brief.boughtOn}, nothing was done on it on ${day}.`);
  if (entry.what && isOther(entry) && entry.zones.length === 0)
    throw new Refused('what', 'It laid: on which zones? Choose them on the sheet, or say that it laid nothing.');
  const book = await bookOf(at);
  return { ...entry, zones: [...new Set(entry.zones)], code: entry.code && canonicalIn(book, entry.code) };
}
