import type { BriefState } from '@/core/kept/state';
import { spokenZones } from '@/core/outline/spoken';
import type { Outline } from '@/core/outline/outline';
import { capital } from '@/core/units/words';
import { withoutSide } from '@/core/outline/zones';

/** What does not go together when zones are shown as on other days than the rest. */
export interface DayContradiction {
  zone: string;
  says: string;
}

/** `dayOf` writes a day as the reader's words. */
export function dayContradictions(
  { zoneDays, events, airframe, mirrors }: Pick<BriefState, 'zoneDays' | 'events' | 'airframe' | 'mirrors'>,
  { zones }: Outline,
  dayOf: (day: string) => string,
): DayContradiction[] {
  const rest = airframe.targetTo ?? airframe.targetFrom;
  return zoneDays.flatMap(({ zone, fromDay, toDay }) => {
    const own = (toDay ?? fromDay)!;
    const where = spokenZones(zones, [zone]);
    const found: DayContradiction[] = [];
    const say = (says: string) => found.push({ zone, says: capital(says) });
    if (airframe.lostOn && own > airframe.lostOn)
      say(`${where} is shown as on ${dayOf(own)}, but the machine was lost on ${dayOf(airframe.lostOn)}`);
    if (rest)
      for (const event of events) {
        const [earlier, later] = own < rest ? [own, rest] : [rest, own];
        if (event.onDay <= earlier || event.onDay > later) continue;
        const what = `${spokenZones(zones, [event.zone])} (${event.kind}, ${dayOf(event.onDay)})`;
        say(
          event.zone === zone
            ? `${where} is shown as ${own < rest ? 'before' : 'after'} ${what}, the rest as ${own < rest ? 'after' : 'before'} it`
            : `${where} as on ${dayOf(own)} and the rest as on ${dayOf(rest)} were never seen together: between them lies ${what}`,
        );
      }
    for (const mirror of mirrors)
      if (
        mirror.zone === withoutSide(zone) &&
        !zoneDays.some(
          (other) =>
            other.zone !== zone &&
            withoutSide(other.zone) === mirror.zone &&
            other.toDay === toDay &&
            other.fromDay === fromDay,
        )
      )
        say(`${where} has a day of its own, but both sides are ruled to mirror one another in ${mirror.aspect}`);
    return found;
  });
}
