import { ASPECTS } from '@/core/evidence/aspects';
import { otherSide } from '@/core/outline/zones';
import type { EvidencePage } from '@/stations/evidence/page-data';

/** What is known of both sides: a mirror is offered where a source says so, or somebody ruled it, and nowhere else. */

type Asked = Pick<EvidencePage, 'questions' | 'sources'>;

const RULED = 'it was ruled';
const saysSo = ({ sources }: Asked, sourceId: string): string | null => {
  const source = sources.find(({ id }) => id === sourceId);
  return source ? `“${source.title}” says` : null;
};

const [MIRRORED] = ASPECTS.pattern.choices;

/** Who says that the other side shows the pattern as in a mirror; null where nobody does. */
export function saysMirrored(data: Asked): string | null {
  for (const question of data.questions) {
    if (question.aspect !== 'pattern') continue;
    const said = question.sightings.find(({ value, sense }) => sense === 'for' && value === MIRRORED);
    const source = said && saysSo(data, said.sourceId);
    if (source) return source;
    if (question.ruling?.value === MIRRORED) return RULED;
  }
  return null;
}

/** Who says that the other side of a zone carries the same marking; null where nobody does. */
export function saysOnBoth(data: Asked, zone: string): string | null {
  const [here, there] = [zone, otherSide(zone)].map((side) =>
    data.questions.filter((question) => question.aspect === 'marking' && question.zone === side),
  );
  if (here!.some(({ mirrored }) => mirrored)) return 'the two sides are taken as one';
  for (const across of there!) {
    const own = here!.filter(({ item }) => item === across.item);
    const seen = new Set(
      own.flatMap(({ sightings }) => sightings.flatMap(({ sense, value }) => (sense === 'for' ? [value] : []))),
    );
    const said = across.sightings.find(({ sense, value }) => sense === 'for' && seen.has(value));
    const source = said && saysSo(data, said.sourceId);
    if (source) return source;
    if (across.ruling && own.some(({ ruling }) => ruling?.value === across.ruling!.value)) return RULED;
  }
  return null;
}
