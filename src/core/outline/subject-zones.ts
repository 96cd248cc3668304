import { SUBJECTS, subjectZone, type SubjectKind } from '@/core/kit/subjects';
import type { Outline } from './outline';
import type { Zone } from './zones';

/** An outline with the zones of what is modelled beside the airframe: in no view, but asked about, painted and planned like the others. */
export function withSubjects(
  outline: Outline,
  subjects: readonly { kind: SubjectKind; name: string; title: string; count: number; byGate: 'fuselage' | 'end' }[],
  denominator: number,
): Outline {
  if (subjects.length === 0) return outline;
  const zones = subjects.flatMap(({ kind, name, title, count, byGate }) =>
    SUBJECTS[kind].zones.map((zone): Zone => ({
      key: subjectZone(name, zone.key),
      title: `${title}, ${zone.title}`,
      side: 'both',
      group: 'subject',
      faces: null,
      station: null,
      span: null,
      closedBy: byGate === 'fuselage' ? 'fuselage' : null,
      // Areas of subjects are known on the model; zones are measured on the real thing.
      areaM2: (zone.areaCm2 * count * denominator ** 2) / 10_000,
      surface: null,
      subject: { name, part: zone.key },
    })),
  );
  return { ...outline, zones: [...outline.zones, ...zones] };
}
