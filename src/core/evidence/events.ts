import { addDays, type Day } from '@/core/units/day';
import type { Window } from './date-fit';

/** What happened to the paint of a zone on a day. */
export const EVENT_KINDS = {
  repaint: { title: 'Repainted', reason: 'the whole zone: what was on it before no longer counts for its surface' },
  overpaint: { title: 'Overpainted', reason: 'a patch over something, the rest of the zone stays' },
  temporary: {
    title: 'Temporary finish',
    reason: 'winter white or bars over the finished machine, markings and all: washed off or worn through later',
  },
  addition: { title: 'Added', reason: 'something put on top: a band, a name, a tally' },
} as const;
export type EventKind = keyof typeof EVENT_KINDS;
export const EVENT_KIND_NAMES = Object.keys(EVENT_KINDS) as [EventKind, ...EventKind[]];

export interface PaintEvent {
  id: string;
  zone: string;
  kind: EventKind;
  onDay: Day;
  /** The colour code laid (repaint, overpaint) or the name of what was put on or covered; empty = not known. */
  value: string;
  /** What lies under it still shows: by its edge, or worn through. */
  showsUnder: boolean;
}

/** A source's own days with what it says relative to events: "before the repaint of the fin". */
export interface DatedSource {
  dateFrom: Day | null;
  dateTo: Day | null;
  afterEventId: string | null;
  beforeEventId: string | null;
}

/**
 * The days in which a source can have been made. An open end that an event bounds becomes that event's day ("after" includes
 * the day itself, "before" ends the day before). Own days are only ever narrowed.
 */
export function windowOf(source: DatedSource, eventDays: ReadonlyMap<string, Day>): Window {
  const after = source.afterEventId ? (eventDays.get(source.afterEventId) ?? null) : null;
  const before = source.beforeEventId ? (eventDays.get(source.beforeEventId) ?? null) : null;
  const latest = before && addDays(before, -1);
  // One known day stands for both ends, unless an event opens the other.
  const from = source.dateFrom ?? (after ? null : source.dateTo);
  const to = source.dateTo ?? (latest ? null : source.dateFrom);
  const later = (a: Day | null, b: Day | null) => (a && b ? (a > b ? a : b) : (a ?? b));
  const earlier = (a: Day | null, b: Day | null) => (a && b ? (a < b ? a : b) : (a ?? b));
  return { from: later(from, after), to: earlier(to, latest) };
}

/** Days of events by their id, as `windowOf` wants them. */
export const eventDays = (events: readonly Pick<PaintEvent, 'id' | 'onDay'>[]): Map<string, Day> =>
  new Map(events.map((event) => [event.id, event.onDay]));

/** The days round `day` in which the zone was not repainted: from its last repaint on or before to the day before the next. */
export function epochOf(events: readonly PaintEvent[], zone: string, day: Day): Window {
  const repaints = events
    .filter((event) => event.zone === zone && event.kind === 'repaint')
    .map((event) => event.onDay)
    .sort();
  const next = repaints.find((on) => on > day);
  return { from: repaints.findLast((on) => on <= day) ?? null, to: next ? addDays(next, -1) : null };
}
