import { durationInWords } from '@/core/units/minutes';
import { withoutAccents } from '@/core/units/text';
import { listed } from '@/core/units/words';
import { WEEKDAYS } from '@/core/units/day';
import type { WeeklySession } from './evening';

/**
 * When somebody is at the bench, said in a line: "Tuesdays and Thursdays 19:30 for 2 h; now and then Saturdays". Days in English, German,
 * French and Spanish; times by either clock; how long, or until when.
 */

export interface SessionsSaid {
  sessions: WeeklySession[];
  /** Each as it was understood, for whoever said it. */
  understood: string[];
  /** What is missing, or cannot be. */
  faults: string[];
}

/** Days by the beginnings of their names, Monday 1. */
const DAYS: readonly (readonly [RegExp, readonly number[]])[] = [
  [/^(mondays?|mon|montags?|mo|lundis?|lun|lunes)$/, [1]],
  [/^(tuesdays?|tues?|dienstags?|di|mardis?|mar|martes)$/, [2]],
  [/^(wednesdays?|wed|mittwochs?|mi|mercredis?|mer|miercoles|mie)$/, [3]],
  [/^(thursdays?|thurs?|thu|donnerstags?|do|jeudis?|jeu|jueves|jue)$/, [4]],
  [/^(fridays?|fri|freitags?|fr|vendredis?|ven|viernes|vie)$/, [5]],
  [/^(saturdays?|sat|samstags?|sonnabends?|sa|samedis?|sam|sabados?|sab)$/, [6]],
  [/^(sundays?|sun|sonntags?|so|dimanches?|dim|domingos?|dom)$/, [7]],
  [/^(weekdays|werktags|wochentags|semaine|laborables)$/, [1, 2, 3, 4, 5]],
  [/^(weekends?|wochenenden?|fines?)$/, [6, 7]],
  [/^(daily|taglich|quotidien|diario|everyday)$/, [1, 2, 3, 4, 5, 6, 7]],
];

const IRREGULAR =
  /\b(now and then|sometimes|occasionally|once in a while|ab und zu|manchmal|gelegentlich|parfois|de temps en temps|a veces|de vez en cuando)\b/;
const DRY =
  /\b(no spray(ing)?|without spray(ing)?|brush only|ohne spritzen|kein spritzen|sans pulverisation|sin aerografo)\b/;

type Token =
  | { kind: 'days'; days: readonly number[] }
  | { kind: 'time'; minutes: number }
  | { kind: 'until'; minutes: number }
  | { kind: 'lasts'; minutes: number };

const PATTERN = new RegExp(
  [
    // 19:30, 19.30, 7:30 pm
    /(?<until>(?:to|until|till|-|–|bis|a|jusqu a|hasta)\s*)?(?<hour>\d{1,2})[:.](?<minute>\d{2})(?:\s*(?<half>am|pm)\b)?/,
    // 7 pm
    /(?<until2>(?:to|until|till|-|–)\s*)?(?<hour2>\d{1,2})\s*(?<half2>am|pm)\b/,
    // 1 h 30, 19h30: a time from seven on, where nothing says that it lasts
    /(?<lasting>(?:for|pendant|durante)\s*)?(?<hours3>\d{1,2})\s*h\s*(?<minutes3>\d{2})\b/,
    // 2 h, 1.5 hours, 90 min
    /(?<amount>\d+(?:[.,]\d+)?)\s*(?<unit>minutes?|minuten|minutos?|mins?|hours?|stunden?|std|heures?|horas?|hrs?|h)\b/,
    /(?<word>[a-z]+)/,
  ]
    .map(({ source }) => source)
    .join('|'),
  'g',
);

/** The clock begins to be one where nobody works so many hours. */
const CLOCK_FROM = 7;

function tokensOf(clause: string): Token[] {
  return [...clause.matchAll(PATTERN)].flatMap(({ groups }): Token[] => {
    const of = groups!;
    const half = of.half ?? of.half2;
    const hour = of.hour ?? of.hour2;
    if (hour !== undefined) {
      const on24 = half === undefined ? Number(hour) : (Number(hour) % 12) + (half === 'pm' ? 12 : 0);
      const minutes = on24 * 60 + Number(of.minute ?? 0);
      return [{ kind: (of.until ?? of.until2) ? 'until' : 'time', minutes }];
    }
    if (of.hours3 !== undefined) {
      const minutes = Number(of.hours3) * 60 + Number(of.minutes3);
      return [{ kind: !of.lasting && Number(of.hours3) >= CLOCK_FROM ? 'time' : 'lasts', minutes }];
    }
    if (of.amount !== undefined) {
      const amount = Number(of.amount.replace(',', '.'));
      return [{ kind: 'lasts', minutes: Math.round(of.unit!.startsWith('m') ? amount : amount * 60) }];
    }
    const days = DAYS.find(([name]) => name.test(of.word!))?.[1];
    return days ? [{ kind: 'days', days }] : [];
  });
}

interface Group {
  days: number[];
  start: number | null;
  minutes: number | null;
}

/** Days before a time belong to it; a day after it begins anew. */
function groupsOf(tokens: readonly Token[]): Group[] {
  const groups: Group[] = [];
  let open: Group = { days: [], start: null, minutes: null };
  const close = () => {
    if (open.days.length > 0 || open.start !== null) groups.push(open);
    open = { days: [], start: null, minutes: null };
  };
  for (const [i, token] of tokens.entries()) {
    if (token.kind === 'days') {
      if (open.start !== null || open.minutes !== null) close();
      open.days.push(...token.days);
      // Hours, and minutes behind them.
    } else if (token.kind === 'lasts')
      open.minutes = token.minutes + (tokens[i - 1]?.kind === 'lasts' ? (open.minutes ?? 0) : 0);
    else if (open.start === null) open.start = token.minutes;
    // A second time is the end; past midnight it is that of the next day.
    else open.minutes = (token.minutes - open.start + 24 * 60) % (24 * 60);
  }
  close();
  return groups;
}

const clockOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
const dayNames = (days: readonly number[]) => listed(days.map((day) => `${WEEKDAYS[day - 1]}s`));

const LEAST = 10;
const MOST = 900;

/** Reads what was said; an empty line is nobody's week. */
export function readSessions(said: string): SessionsSaid {
  const read: SessionsSaid = { sessions: [], understood: [], faults: [] };
  const text = withoutAccents(said)
    .replace(/\bevery day\b/g, 'everyday')
    .replace(/\bjusqu'a\b/g, 'jusqu a');
  for (const clause of text.split(/[;\n]/)) {
    const groups = groupsOf(tokensOf(clause));
    if (IRREGULAR.test(clause)) {
      const days = groups.flatMap((group) => group.days);
      if (days.length > 0)
        read.understood.push(`${dayNames(days)} now and then: not planned for; say it at the Bench when you sit down`);
      continue;
    }
    const booth = !DRY.test(clause);
    for (const { days, start, minutes } of groups) {
      const own = [...new Set(days)].sort((a, b) => a - b);
      const fault =
        own.length === 0
          ? `${clockOf(start!)}: on which days?`
          : start === null
            ? `${dayNames(own)}: from when?`
            : start >= 24 * 60
              ? `${dayNames(own)}: there is no such time of the day`
              : minutes === null
                ? `${dayNames(own)} ${clockOf(start)}: for how long?`
                : minutes < LEAST || minutes > MOST
                  ? `${dayNames(own)}: from ${LEAST} minutes to ${MOST / 60} hours`
                  : null;
      if (fault) {
        read.faults.push(fault);
        continue;
      }
      for (const weekday of own) read.sessions.push({ weekday, startsAt: clockOf(start!), minutes: minutes!, booth });
      read.understood.push(
        `${dayNames(own)} ${clockOf(start!)} for ${durationInWords(minutes!)}${booth ? '' : ', no spraying'}`,
      );
    }
    if (groups.length === 0 && clause.trim() !== '')
      read.faults.push(`“${clause.trim()}”: which days, from when, how long?`);
  }
  return read;
}

/** The same sessions as one says them in a line: what `readSessions` reads as these. */
export function sessionsInWords(sessions: readonly WeeklySession[]): string {
  const groups = new Map<string, number[]>();
  for (const { weekday, startsAt, minutes, booth } of sessions) {
    const when = `${startsAt} for ${durationInWords(minutes)}${booth ? '' : ', no spraying'}`;
    groups.set(when, [...(groups.get(when) ?? []), weekday]);
  }
  return [...groups].map(([when, days]) => `${dayNames([...days].sort((a, b) => a - b))} ${when}`).join('; ');
}
