import { SUBJECTS, subjectZone, zoneAreaM2, type SubjectKind, type SubjectSize } from '@/core/kit/subjects';
import type { Outline } from './outline';
import type { Zone } from './zones';

/** An outline with the zones of what is modelled beside the airframe: in no view, but asked about, painted and planned like the others. */
export function withSubjects(
  outline: Outline,
  subjects: readonly (SubjectSize & {
    kind: SubjectKind;
    name: string;
    title: string;
    count: number;
    byGate: 'fuselage' | 'end';
  })[],
  denominator: number,
): Outline {
  if (subjects.length === 0) return outline;
  const zones = subjects.flatMap(({ kind, name, title, count, byGate, ...size }) =>
    SUBJECTS[kind].zones.map((zone): Zone => ({
      key: subjectZone(name, zone.key),
      title: `${title}, ${zone.title}`,
      side: 'both',
      group: 'subject',
      faces: null,
      station: null,
      span: null,
      closedBy: byGate === 'fuselage' ? 'fuselage' : null,
      areaM2: zoneAreaM2(kind, zone.key, size, denominator) * count,
      surface: null,
      subject: { name, part: zone.key },
    })),
  );
  return { ...outline, zones: [...outline.zones, ...zones] };
}
