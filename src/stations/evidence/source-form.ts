import type { Result } from '@/core/interchange/result';
import type { Fields } from '@/core/kept/records';
import { datesWritten, readDates } from '@/core/units/date-words';
import { FILM_NAMES, FILMS } from '@/core/evidence/film';
import { SOURCE_KIND_NAMES, SOURCE_KINDS } from '@/core/evidence/weights';
import { VIEWS } from '@/core/outline/zones';
import { fullDay } from '@/ui/dates';
import { optionsOf, type FieldSpec } from '@/ui/fields';
import { EVENT_KINDS } from '@/core/evidence/events';
import type { EvidencePage } from './page-data';

export const kindOptions = SOURCE_KIND_NAMES.map((kind) => ({
  value: kind,
  label: `${SOURCE_KINDS[kind].title} (${SOURCE_KINDS[kind].weight})`,
}));
export const filmOptions = FILM_NAMES.map((film) => ({ value: film, label: FILMS[film].title }));

/** A date as it is understood: "1 May 1951 – 31 May 1951". */
export function datesUnderstood(text: string): string {
  const dates = readDates(text);
  if (!dates) return 'as you know it: May 1951, spring 1943, before 1950, 1943–44, 12 May 1951';
  const { from, to } = dates;
  if (!from && !to) return 'undated; or a year, a month, a season, “before 1950”, “about 1944”';
  if (!from) return `until ${fullDay(to)}`;
  if (!to) return `from ${fullDay(from)} on`;
  return from === to ? fullDay(from) : `${fullDay(from)} – ${fullDay(to)}`;
}

/** The date of a source as its form has it. */
export const datedAs = ({ dateFrom, dateTo }: Pick<Fields<'source'>, 'dateFrom' | 'dateTo'>) => ({
  dated: dateFrom || dateTo ? datesWritten({ from: dateFrom, to: dateTo }) : '',
});

const ENDS: ReadonlySet<string> = new Set(['dateFrom', 'dateTo']);

/** Sends what a form holds of a source with its date as days; what is said against those is said of the date. */
export async function withDates<T>(
  { dated, ...values }: Record<string, unknown>,
  send: (fields: Record<string, unknown>) => Promise<Result<T>>,
): Promise<Result<T>> {
  const dates = readDates(String(dated ?? ''));
  if (!dates)
    return {
      ok: false,
      faults: [{ field: 'dated', says: `“${String(dated)}” is no date that could be meant in one way` }],
    };
  const result = await send({ ...values, dateFrom: dates.from, dateTo: dates.to });
  if (result.ok) return result;
  if ('faults' in result)
    return {
      ...result,
      faults: result.faults.map((fault) => (ENDS.has(fault.field) ? { ...fault, field: 'dated' } : fault)),
    };
  const { theirs } = result.conflict;
  return { ...result, conflict: { ...result.conflict, theirs: theirs && { ...theirs, ...datedAs(theirs as never) } } };
}

/** The fields of a source; its picture is handled beside them. */
export function sourceFieldSpecs(data: EvidencePage, own: string | null): FieldSpec[] {
  const zones = new Map(data.zones.map((zone) => [zone.value, zone.label]));
  const events = [
    { value: '', label: 'no event' },
    ...data.events.map((event) => ({
      value: event.id,
      label: `${zones.get(event.zone) ?? event.zone}: ${EVENT_KINDS[event.kind].title.toLowerCase()} ${event.value} ${fullDay(event.onDay)}`,
    })),
  ];
  return [
    { name: 'title', label: 'Title', width: 5 },
    { name: 'kind', label: 'Kind', type: 'choice', options: kindOptions, width: 3 },
    { name: 'dated', label: 'Dated', reads: datesUnderstood, width: 4 },
    { name: 'afterEventId', label: 'Taken after', type: 'choice', options: events, optional: true, width: 4 },
    { name: 'beforeEventId', label: 'Taken before', type: 'choice', options: events, optional: true, width: 4 },
    { name: 'place', label: 'Place', width: 4 },
    { name: 'citation', label: 'Citation', width: 6 },
    { name: 'page', label: 'Page', width: 2 },
    { name: 'film', label: 'Film', type: 'choice', options: filmOptions, width: 4 },
    { name: 'sides', label: 'Sides shown', type: 'several', options: optionsOf(VIEWS), width: 6 },
    {
      name: 'zones',
      label: 'Zones shown',
      type: 'several',
      options: data.zones,
      help: 'empty = all of its sides',
      width: 6,
    },
    {
      name: 'derivedFrom',
      label: 'Derived from',
      type: 'several',
      options: data.sources
        .filter((source) => source.id !== own)
        .map((source) => ({ value: source.id, label: source.title })),
      width: 6,
    },
    { name: 'grade', label: 'Grade', type: 'number', help: '0 to 2; 1 = as its kind says', width: 2 },
    { name: 'gradeReason', label: 'Reason for the grade', width: 4 },
  ];
}
