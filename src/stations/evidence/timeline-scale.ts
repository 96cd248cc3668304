import { coloursOn, type ColourHistory } from '@/core/evidence/as-on';
import { addDays, daysBetween } from '@/core/units/day';
import { fullDay } from '@/ui/dates';
import type { EvidencePage } from './page-data';

/** The days a timeline covers. */
export interface Span {
  from: string;
  to: string;
  days: number;
}

/**
 * The days the scale covers: all events and the target with room round them, and the sources that lie near. A museum visit decades later
 * would squeeze everything else to a line.
 */
export function spanOf({ events, target, sources }: EvidencePage): Span {
  const core = [...events.map((event) => event.onDay), target.from, target.to].filter((d): d is string => Boolean(d));
  const dated = sources.flatMap((source) => source.window.from ?? source.window.to ?? []);
  const days = (core.length > 0 ? core : dated.length > 0 ? dated : ['1950-01-01']).sort();
  const [first, last] = [addDays(days[0]!, -NEAR_DAYS), addDays(days.at(-1)!, NEAR_DAYS)];
  const near = [...days, ...dated.filter((d) => d >= first && d <= last)].sort();
  const from = addDays(near[0]!, -14);
  const to = addDays(near.at(-1)!, 14);
  return { from, to, days: Math.max(1, daysBetween(from, to)) };
}
const NEAR_DAYS = 550;

/** Labels at the starts of years, or of months when the span is short. */
export function ticksOf(span: Span): { day: string; label: string }[] {
  const ticks: { day: string; label: string }[] = [];
  const months = span.days < 500 ? 2 : span.days < 1400 ? 6 : 12;
  for (let year = Number(span.from.slice(0, 4)); year <= Number(span.to.slice(0, 4)); year += 1)
    for (let month = 1; month <= 12; month += months) {
      const day = `${year}-${String(month).padStart(2, '0')}-01`;
      if (day >= span.from && day <= span.to)
        ticks.push({ day, label: months === 12 ? String(year) : fullDay(day).slice(2) });
    }
  return ticks;
}

/** The coats of a zone between its repaints, with what is known of each. */
export function coatsOf(page: EvidencePage, history: ColourHistory, zone: string, span: Span) {
  const repaints = page.events
    .filter((event) => event.zone === zone && event.kind === 'repaint')
    .map((event) => event.onDay)
    .sort();
  const starts = [span.from, ...repaints.filter((on) => on > span.from && on < span.to)];
  return starts.map((from, i) => {
    const to = starts[i + 1] ?? span.to;
    // The day in the middle of the coat, or in the target window when that lies in it.
    const target = page.target.from;
    const day = target && target >= from && target < to ? target : addDays(from, Math.floor(daysBetween(from, to) / 2));
    const known = coloursOn({ ...history, zones: [zone] }, day).get(zone)!;
    return { from, to, value: known.value, known: known.from };
  });
}
