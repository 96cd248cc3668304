import { addDays, FIRST_YEAR, isDay, LAST_YEAR, type Day } from './day';
import { withoutAccents } from './text';

/**
 * Dates as people know them: a year, a month, a season, "before 1950", "about May 1944", "1943–44", "3–9 May 1951"; in words and figures, in
 * English, German, French and Spanish. Each is a span of days, open on a side where nothing is known.
 */

export interface DateSpan {
  from: Day | null;
  to: Day | null;
}
interface WholeSpan {
  from: Day;
  to: Day;
  /** How exactly it was said: what "about" widens it by. */
  by: 'day' | 'month' | 'season' | 'year';
}

const MONTHS: readonly RegExp[] = [
  /^(jan(uary|uar|vier)?|enero|ene|janner)$/,
  /^(feb(ruary|ruar|rero)?|fevr(ier)?|feb)$/,
  /^(mar(ch|s|zo)?|marz|mrz)$/,
  /^(apr(il)?|avr(il)?|abr(il)?)$/,
  /^(may|mai|mayo)$/,
  /^(june?|juni|juin|junio)$/,
  /^(july?|juli|juil(let)?|julio)$/,
  /^(aug(ust)?|aout|ago(sto)?)$/,
  /^(sept?(ember|embre|iembre)?|set)$/,
  /^(oct(ober|obre|ubre)?|okt(ober)?)$/,
  /^(nov(ember|embre|iembre)?)$/,
  /^(dec(ember|embre)?|dez(ember)?|dic(iembre)?)$/,
];
/** The first month of each; winter runs into the next year. */
const SEASONS: readonly (readonly [RegExp, number])[] = [
  [/^(spring|fruhling|fruhjahr|printemps|primavera)$/, 3],
  [/^(summer|sommer|ete|verano)$/, 6],
  [/^(autumn|fall|herbst|automne|otono)$/, 9],
  [/^(winter|hiver|invierno)$/, 12],
];
const THIRDS: readonly (readonly [RegExp, number])[] = [
  [/^(early|beginning( of)?|anfang|debut|principios( de)?)\s+/, 0],
  [/^(mid|middle( of)?|mitte|mi|mediados( de)?)[\s-]+/, 1],
  [/^(late|end( of)?|ende|fin( de)?|finales( de)?)\s+/, 2],
];
const UNDATED =
  /^(undated|no date|unknown|not known|nd|\?+|-+|undatiert|ohne datum|unbekannt|non date|sans date|inconnu|sin fecha|desconocido)$/;
const ABOUT = /^(about|around|circa|ca\.?|c\.?|approx\.?|~|um|etwa|ungefahr|vers|environ|hacia|alrededor de)\s*/;
const BEFORE = /^(before|prior to|vor|avant|antes de|<)\s*/;
const UNTIL = /^(until|till|up to|to|bis|jusqu'?a|hasta)\s*/;
const AFTER = /^(after|later than|nach|apres|despues de|>)\s*/;
const SINCE = /^(since|from|seit|ab|depuis|des|desde)\s*/;

const two = (n: number) => String(n).padStart(2, '0');
const firstOf = (year: number, month: number): Day => `${year}-${two(month)}-01`;
/** The last day of a month; months beyond December are those of the next year. */
function lastOf(year: number, month: number): Day {
  const [y, m] = month >= 12 ? [year + Math.floor(month / 12), (month % 12) + 1] : [year, month + 1];
  return addDays(firstOf(y, m), -1);
}
const inOurTime = (year: number) => year >= FIRST_YEAR && year <= LAST_YEAR;

const monthNamed = (word: string): number => MONTHS.findIndex((month) => month.test(word.replace(/\.$/, ''))) + 1;

function dayOf(year: number, month: number, day: number): WholeSpan | null {
  const text = `${year}-${two(month)}-${two(day)}`;
  return inOurTime(year) && isDay(text) ? { from: text, to: text, by: 'day' } : null;
}
function monthOf(year: number, month: number): WholeSpan | null {
  if (!inOurTime(year) || month < 1 || month > 12) return null;
  return { from: firstOf(year, month), to: lastOf(year, month), by: 'month' };
}
const yearOf = (year: number): WholeSpan | null =>
  inOurTime(year) ? { from: `${year}-01-01`, to: `${year}-12-31`, by: 'year' } : null;

/** One day, month, season or year; null where it is none of them, or two at once ("3/4/1951"). */
function one(text: string): WholeSpan | null {
  const third = THIRDS.find(([word]) => word.test(text));
  if (third) return thirdOf(one(text.replace(third[0], '')), third[1]);
  const figures = (pattern: RegExp) => pattern.exec(text)?.slice(1).map(Number);
  const iso = figures(/^(\d{4})-(\d{1,2})-(\d{1,2})$/);
  if (iso) return dayOf(iso[0]!, iso[1]!, iso[2]!);
  const isoMonth = figures(/^(\d{4})[-/.](\d{1,2})$/);
  if (isoMonth) return monthOf(isoMonth[0]!, isoMonth[1]!);
  const dotted = figures(/^(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4})$/);
  if (dotted) return dayOf(dotted[2]!, dotted[1]!, dotted[0]!);
  const slashed = figures(/^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/);
  if (slashed) {
    const [a, b, year] = slashed as [number, number, number];
    // Which is the day is clear only where the other cannot be a month, or where both are the same.
    if (a > 12 || a === b) return dayOf(year, b, a);
    return b > 12 ? dayOf(year, a, b) : null;
  }
  const monthYear = figures(/^(\d{1,2})[/.](\d{4})$/);
  if (monthYear) return monthOf(monthYear[1]!, monthYear[0]!);
  const year = figures(/^(\d{4})$/);
  if (year) return yearOf(year[0]!);
  const decade = figures(/^(?:the )?(\d{3})0(?:'?s|er)$/);
  if (decade) {
    const first = decade[0]! * 10;
    return inOurTime(first) ? { from: `${first}-01-01`, to: `${first + 9}-12-31`, by: 'year' } : null;
  }
  return inWords(text);
}

function inWords(text: string): WholeSpan | null {
  const words = text
    .replace(/[.,]/g, ' ')
    .replace(/(\d)(st|nd|rd|th|er)\b/g, '$1')
    .split(/\s+/)
    .filter((word) => word !== '' && !/^(of|the|de|del|im|en|in)$/.test(word));
  const year = Number(words.find((word) => /^\d{4}$/.test(word)));
  if (!year || !inOurTime(year)) return null;
  const month = words.map(monthNamed).find((found) => found > 0);
  const season = words.flatMap((word) => SEASONS.filter(([name]) => name.test(word)).map(([, first]) => first))[0];
  const day = Number(words.find((word) => /^\d{1,2}$/.test(word)) ?? NaN);
  const known = 1 + (month || season ? 1 : 0) + (Number.isNaN(day) ? 0 : 1);
  if (words.length !== known) return null;
  if (month) return Number.isNaN(day) ? monthOf(year, month) : dayOf(year, month, day);
  if (!season || !Number.isNaN(day)) return null;
  return { from: firstOf(year, season), to: lastOf(year, season + 2), by: 'season' };
}

function thirdOf(span: WholeSpan | null, third: number): WholeSpan | null {
  if (!span) return null;
  const year = Number(span.from.slice(0, 4));
  if (span.by === 'year') return { from: firstOf(year, 1 + 4 * third), to: lastOf(year, 4 + 4 * third), by: 'season' };
  if (span.by === 'season') return span;
  if (span.by === 'day') return null;
  const from = addDays(span.from, 10 * third);
  return { from, to: third === 2 ? span.to : addDays(span.from, 10 * third + 9), by: 'day' };
}

/** Days by which "about" widens a date, on each side. */
const ABOUT_BY: Record<WholeSpan['by'], number> = { day: 7, month: 30, season: 60, year: 365 };

/** Two dates with something between them, the first taking from the second what it lacks: "3–9 May 1951", "May to July 1944", "1943/44". */
function between(text: string): WholeSpan | null {
  const short = /^(\d{4})\s*[/–-]\s*(\d{2})$/.exec(text);
  if (short) {
    const first = Number(short[1]);
    const last = Math.floor(first / 100) * 100 + Number(short[2]);
    return last > first && yearOf(first) && yearOf(last)
      ? { from: `${first}-01-01`, to: `${last}-12-31`, by: 'year' }
      : null;
  }
  const wintry = /^(winter|hiver|invierno)\s+(\d{4})\s*[/–-]\s*(\d{2,4})$/.exec(text);
  if (wintry) return one(`winter ${wintry[2]}`);
  const said = /^(?:between|zwischen|entre)\s+(.+?)\s+(?:and|und|et|y)\s+(.+)$/.exec(text);
  const parts =
    said?.slice(1) ?? /^(.+?)\s*(?:–|—|\s-\s|\bto\b|\bbis\b|\bau\b|\bal\b|\buntil\b)\s*(.+)$/.exec(text)?.slice(1);
  const close =
    parts ??
    /^(\d{1,2})-(\d{1,2}\.?\s+[a-z].*)$/.exec(text)?.slice(1) ??
    /^([a-z]+)-([a-z]+\s+\d{4})$/.exec(text)?.slice(1);
  if (!close) return null;
  const [first, last] = close as [string, string];
  const end = one(last);
  if (!end) return null;
  const begin =
    one(first) ?? one(`${first} ${last.replace(/^\d{1,2}\.?\s+/, '')}`) ?? one(`${first} ${end.to.slice(0, 4)}`);
  return begin && begin.from <= end.to ? { from: begin.from, to: end.to, by: end.by } : null;
}

const dated = (text: string): WholeSpan | null => one(text) ?? between(text);

/** A date as it was said; null where it is none, or could be two. */
export function readDates(said: string): DateSpan | null {
  const text = withoutAccents(said).trim().replace(/\s+/g, ' ');
  if (text === '' || UNDATED.test(text)) return { from: null, to: null };
  const whole = dated(text);
  if (whole) return { from: whole.from, to: whole.to };
  const rest = (prefix: RegExp) => (prefix.test(text) ? dated(text.replace(prefix, '')) : null);
  const about = rest(ABOUT);
  if (about) return { from: addDays(about.from, -ABOUT_BY[about.by]), to: addDays(about.to, ABOUT_BY[about.by]) };
  const before = rest(BEFORE);
  if (before) return { from: null, to: addDays(before.from, -1) };
  const until = rest(UNTIL);
  if (until) return { from: null, to: until.to };
  const after = rest(AFTER);
  if (after) return { from: addDays(after.to, 1), to: null };
  const since = rest(SINCE);
  if (since) return { from: since.from, to: null };
  return null;
}

const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** A span of days as short as it can be said, so that `readDates` reads the same. */
export function datesWritten({ from, to }: DateSpan): string {
  if (!from && !to) return 'undated';
  if (!from) return `until ${to}`;
  if (!to) return `since ${from}`;
  if (from === to) return from;
  const [year, month] = [Number(from.slice(0, 4)), Number(from.slice(5, 7))];
  const isFirst = from.endsWith('-01');
  if (from === `${year}-01-01` && to === `${year}-12-31`) return String(year);
  if (isFirst && to === lastOf(year, month)) return `${MONTH_NAMES[month - 1]} ${year}`;
  return `${from} – ${to}`;
}
