import { stayingOf } from '@/core/laid/laid';
import { lackingColour } from '@/core/laid/progress';
import { localDay } from '@/core/route/calendar';
import { dayInWords } from '@/core/units/day';
import { counted, listed } from '@/core/units/words';
import type { BriefView } from '@/core/derive/derive';

/** What is done already of something that is about to be decided anew, in a sentence: said before it is. */

type Done = Pick<BriefView, 'state' | 'outline' | 'standing' | 'route'>;

/** "lies on 6 zones in Hask 104 since 3 Jan 2026: another paint goes on the other 2 only"; '' where none is laid. */
export function colourLaid({ state, outline, standing, route }: Done, code: string): string {
  const here = outline.zones.flatMap(({ key }) =>
    stayingOf(standing.laid.get(key)).flatMap((layer) =>
      layer.what === 'colour' && layer.code === code ? [{ zone: key, ...layer }] : [],
    ),
  );
  if (here.length === 0) return '';
  const zones = new Set(here.map(({ zone }) => zone));
  const paints = [...new Set(here.flatMap(({ paint }) => paint || []))];
  const since = here.map(({ endedAt }) => endedAt).sort()[0]!;
  const left = lackingColour(route, standing.progress, code);
  const rest =
    left.length > 0
      ? `another paint goes on ${left.length === 1 ? 'the other one' : `the other ${left.length}`} only`
      : 'another paint changes nothing of it';
  return `${code} lies on ${counted(zones.size, 'zone')}${paints.length > 0 ? ` in ${listed(paints)}` : ''} since ${dayInWords(localDay(since, state.brief.timeZone))}: ${rest}`;
}

/** "is on the model since 4 Feb 2026: what is laid stays"; '' where nothing of a marking is done. */
export function markingLaid({ state, standing, route }: Done, id: string): string {
  const done = route.steps.flatMap(({ key, marking, lays }) => {
    const { done: zones, endedAt } = standing.progress.get(key)!;
    return marking === id && lays.length > 0 && zones.length > 0 && endedAt ? [endedAt] : [];
  });
  const first = done.sort()[0];
  return first
    ? `It is on the model since ${dayInWords(localDay(first, state.brief.timeZone))}: what is laid stays, and a change of it is laid anew.`
    : '';
}
