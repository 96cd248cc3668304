import ICAL from 'ical.js';
import { workBySession, type PlannedWork, type RoutePlan } from '@/core/route/plan';
import type { Route } from '@/core/work/step';
import { inOneLine } from '@/core/units/text';
import { durationInWords } from '@/core/units/minutes';

/** A wait of at most this long is a window that is met in the same session. */
const WET_MINUTES = 120;
/** So long before a window opens the alarm goes, minutes. */
const AHEAD = 2;
/** A wait from this long on is told where it ends, minutes. */
const DRIES_LONG = 60;

/** A line holds 75 octets at most (RFC 5545, 3.1), and one that goes on begins with a space that counts. */
ICAL.foldLength = 74;

/**
 * The sessions that are still ahead as an iCalendar (RFC 5545): each with its steps; the windows in which a wash comes off or tape comes up as
 * events of their own with an alarm; and where a long drying ends. `stamp`: when it is written, ISO text.
 */
export function planIcs(
  plan: RoutePlan,
  route: Pick<Route, 'links'>,
  { title, briefId, stamp }: { title: string; briefId: string; stamp: string },
): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Build Brief//bench//EN');
  // No property of the standard: the library writes its value as it is given.
  calendar.addPropertyWithValue('x-wr-calname', escaped(title));
  const origin = Date.parse(plan.origin);
  const at = (minutes: number) => ICAL.Time.fromJSDate(new Date(origin + minutes * 60_000), true);
  const event = (
    uid: string,
    start: number,
    end: number,
    summary: string,
    description: string,
    alarmAhead?: number,
  ) => {
    const component = new ICAL.Component('vevent');
    component.addPropertyWithValue('uid', `${inOneLine(uid)}@${briefId}`);
    component.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(new Date(stamp), true));
    component.addPropertyWithValue('dtstart', at(start));
    component.addPropertyWithValue('dtend', at(end));
    component.addPropertyWithValue('summary', inOneLine(summary));
    if (description) component.addPropertyWithValue('description', description);
    if (alarmAhead !== undefined) {
      const alarm = new ICAL.Component('valarm');
      alarm.addPropertyWithValue('action', 'DISPLAY');
      alarm.addPropertyWithValue('description', inOneLine(summary));
      alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(-60 * alarmAhead));
      component.addSubcomponent(alarm);
    }
    calendar.addSubcomponent(component);
  };
  const workOf = new Map(plan.work.map((item) => [item.key, item]));
  for (const { session, work } of workBySession(plan)) {
    const ahead = work.filter(({ done }) => !done);
    if (ahead.length === 0) continue;
    event(
      session.id,
      session.start,
      session.end,
      `${title}: ${ahead.length === 1 ? ahead[0]!.step.title : `${ahead[0]!.step.title} and ${ahead.length - 1} more`}`,
      ahead.map(lineOf).join('\n'),
    );
  }
  for (const { from, to, minLag, maxLag } of route.links) {
    const [before, after] = [workOf.get(from), workOf.get(to)];
    if (!before || !after || after.done) continue;
    const end = before.segments.at(-1)![1];
    if (maxLag !== null && maxLag <= WET_MINUTES)
      event(
        `window ${from} ${to}`,
        end + minLag,
        Math.max(end + minLag + 1, end + maxLag),
        after.step.title,
        `From ${minLag} to ${maxLag} min after “${inOneLine(before.step.title)}”.`,
        AHEAD,
      );
  }
  for (const item of plan.work) {
    const longest = Math.max(0, ...route.links.filter(({ from }) => from === item.key).map(({ minLag }) => minLag));
    if (longest < DRIES_LONG || item.done) continue;
    const until = item.segments.at(-1)![1] + longest;
    event(
      `dry ${item.key}`,
      until,
      until + 1,
      `Dry: ${item.step.title}`,
      `${durationInWords(longest)} after it was done.`,
      0,
    );
  }
  return `${calendar.toString()}\r\n`;
}

/** A text as RFC 5545 (3.3.11) writes it, without the signs that no text has. */
const escaped = (text: string): string =>
  inOneLine(text)
    .replace(/\p{Cc}/gu, '')
    .replace(/[\\;,]/g, '\\$&');

const lineOf = ({ start, step }: PlannedWork) => `${start.slice(11, 16)} ${inOneLine(step.title)}, ${step.minutes} min`;
