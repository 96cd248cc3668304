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
    { name: 'dateFrom', label: 'Dated from', type: 'day', optional: true, width: 2 },
    { name: 'dateTo', label: 'Dated to', type: 'day', optional: true, width: 2 },
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
