import { eventDays, windowOf } from '@/core/evidence/events';
import { derivationCircle } from '@/core/evidence/independence';
import type { Fields, Kept } from './records';
import type { BriefState } from './state';

export interface SourceFault {
  field: keyof Fields<'source'>;
  says: string;
}

/** A photograph is of the airframe itself: none can be younger than that was. Museums and magazines can. */
export const isAfterLoss = (kind: Fields<'source'>['kind'], day: string | null, lostOn: string | null): boolean =>
  kind === 'photograph' && day !== null && lostOn !== null && day > lostOn;

/**
 * What a source alone cannot tell: days that contradict an event it is dated by, a photograph dated after the airframe was lost, links
 * to what is not there, circles of derived-from links. `id` is null for a new source.
 */
export function checkSource(
  source: Fields<'source'>,
  id: string | null,
  state: Pick<BriefState, 'sources' | 'events' | 'airframe'>,
): SourceFault[] {
  const faults: SourceFault[] = [];
  if (source.grade !== 1 && !source.gradeReason)
    faults.push({ field: 'gradeReason', says: 'Reason for the grade: why it is trusted more or less than its kind' });
  const others = state.sources.filter((other) => other.id !== id);
  const event = (ref: string | null): Kept<'paint_event'> | undefined => state.events.find((item) => item.id === ref);
  for (const end of ['afterEventId', 'beforeEventId'] as const)
    if (source[end] && !event(source[end])) faults.push({ field: end, says: 'The event it is dated by is gone' });

  const window = windowOf(source, eventDays(state.events));
  if (window.from && window.to && window.from > window.to)
    faults.push({
      field: source.beforeEventId ? 'beforeEventId' : source.afterEventId ? 'afterEventId' : 'dateTo',
      says: `The window ends before it starts: with the event it is dated by, it would run from ${window.from} to ${window.to}`,
    });
  const { lostOn } = state.airframe;
  if (isAfterLoss(source.kind, window.from, lostOn))
    faults.push({
      field: 'dateFrom',
      says: `Dated ${window.from}, but the airframe was lost on ${lostOn}: another machine, or another day`,
    });

  const known = new Set(others.map((other) => other.id));
  if (source.derivedFrom.some((origin) => !known.has(origin)))
    faults.push({ field: 'derivedFrom', says: 'Derived from: one of these sources is gone, or it is this one' });
  const own = { id: id ?? 'new', derivedFrom: source.derivedFrom.filter((origin) => known.has(origin)) };
  const circle = derivationCircle([...others, own]);
  const title = (ref: string) =>
    ref === own.id ? source.title : (others.find((other) => other.id === ref)?.title ?? ref);
  if (circle)
    faults.push({ field: 'derivedFrom', says: `Derived from: goes in a circle, ${circle.map(title).join(' from ')}` });
  return faults;
}
