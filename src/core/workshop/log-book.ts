import { MISHAPS } from '@/core/bench/mishaps';
import type { Kept } from '@/core/kept/records';
import { doneAgainWith } from '@/core/route/behind';
import { elapsedToLocal } from '@/core/route/calendar';
import type { BriefView } from '@/core/derive/derive';
import { mixedInWords } from './how-made';

/** The record of a build as it is read: what was done, what went wrong, what was tried, newest first. */

/** A line of the record; its own record comes with it, to be corrected. */
export type LogLine = {
  id: string;
  /** Local date-time at the bench. */
  at: string;
  title: string;
  zones: string[];
  pictureId: string | null;
} & (
  | { kind: 'done'; entry: Kept<'log_entry'>; mixed: string }
  | { kind: 'mishap'; mishap: Pick<Kept<'mishap'>, 'cure' | 'down' | 'note'>; version: number; steps: number }
  | { kind: 'tried'; tried: Kept<'spray_out'>; mixed: string }
);

/** What of it is looked for; an empty field looks for nothing. */
export interface LogFilter {
  zone: string;
  who: string;
  /** In titles, notes and paints. */
  text: string;
  kind: LogLine['kind'] | '';
}

export interface LogWindow {
  lines: LogLine[];
  /** So many there are in all that fit the filter. */
  total: number;
}

export const NO_FILTER: LogFilter = { zone: '', who: '', text: '', kind: '' };
/** Lines that are shown at once. */
const LOG_WINDOW = 25;

/** A part of the record, newest first. */
export function logWindow(view: Pick<BriefView, 'state'>, filter: LogFilter, from = 0, most = LOG_WINDOW): LogWindow {
  const found = linesOf(view).filter((line) => fits(line, filter));
  return { lines: found.slice(from, from + most), total: found.length };
}

/** The whole record, newest first. */
export function linesOf({ state: { brief, log, mishaps, sprayOuts } }: Pick<BriefView, 'state'>): LogLine[] {
  const local = (instant: string) => elapsedToLocal(0, brief.timeZone, instant);
  const lines: LogLine[] = [
    ...log.map((entry) => ({
      kind: 'done' as const,
      id: entry.id,
      at: local(entry.endedAt),
      title: entry.title,
      zones: entry.zones,
      pictureId: entry.pictureId,
      entry,
      mixed: mixedInWords(entry.mixed),
    })),
    ...mishaps.map(({ id, version, kind, happenedAt, zones, pictureId, cure, down, note, run }) => ({
      kind: 'mishap' as const,
      id,
      at: local(happenedAt),
      title: MISHAPS[kind].title,
      zones,
      pictureId,
      mishap: { cure, down, note },
      version,
      steps: run?.steps.length ?? 0,
    })),
    ...sprayOuts.map((tried) => ({
      kind: 'tried' as const,
      id: tried.id,
      at: `${tried.onDay}T12:00`,
      title: tried.title,
      zones: [],
      pictureId: tried.pictureId,
      tried,
      mixed: mixedInWords(tried.mixed),
    })),
  ];
  return lines.sort((a, b) => b.at.localeCompare(a.at) || a.title.localeCompare(b.title) || a.id.localeCompare(b.id));
}

function fits(line: LogLine, { zone, who, text, kind }: LogFilter): boolean {
  if (kind && line.kind !== kind) return false;
  if (zone && !line.zones.includes(zone)) return false;
  if (who && (line.kind !== 'done' || line.entry.who !== who)) return false;
  const wanted = text.trim().toLowerCase();
  return wanted === '' || wordsOf(line).toLowerCase().includes(wanted);
}

function wordsOf(line: LogLine): string {
  switch (line.kind) {
    case 'done':
      return [line.title, line.entry.note, line.entry.paint, line.mixed, line.entry.lane, line.entry.code].join(' ');
    case 'mishap':
      return [line.title, line.mishap.cure, line.mishap.note].join(' ');
    case 'tried':
      return [line.title, line.tried.note, line.tried.paint, line.mixed, line.tried.result].join(' ');
  }
}

/** Everybody who is named in the record, by name. */
export const peopleOf = ({ state }: Pick<BriefView, 'state'>): string[] =>
  [...new Set(state.log.flatMap(({ who }) => (who ? [who] : [])))].sort((a, b) => a.localeCompare(b));

/** What is done and no longer holds when the work of an entry is done again; null where there is no such entry. */
export function fallsWith(
  { state, route }: Pick<BriefView, 'state' | 'route'>,
  entryId: string,
): { id: string; version: number; title: string }[] | null {
  const entry = state.log.find(({ id }) => id === entryId);
  if (!entry) return null;
  if (entry.again) return [];
  const counts = state.log.filter(({ again, id }) => !again && id !== entryId);
  const fallen = new Set(
    doneAgainWith(route, new Set(counts.map(({ stepKey }) => stepKey)), entry.stepKey).map(({ key }) => key),
  );
  const touched = new Set(entry.zones);
  return counts.flatMap(({ id, version, title, stepKey, zones }) =>
    fallen.has(stepKey) && (touched.size === 0 || zones.length === 0 || zones.some((zone) => touched.has(zone)))
      ? [{ id, version, title }]
      : [],
  );
}
