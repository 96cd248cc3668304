import type { BriefView } from '@/core/derive/derive';
import { SOURCE_KINDS } from '@/core/evidence/weights';
import type { Findable } from './find-field';

/** What of a brief can be found by name besides its zones, and where it is shown. */
export const placesToGo = ({ state, calls, plan }: BriefView): Findable[] => [
  ...state.sources.map((source) => ({
    label: source.title,
    kind: SOURCE_KINDS[source.kind].title,
    path: `evidence?source=${source.id}`,
  })),
  ...calls.map((call) => ({
    label: `${call.code} ${call.official?.record.name ?? ''}`.trim(),
    kind: 'Colours',
    path: `colours?code=${encodeURIComponent(call.code)}`,
  })),
  ...plan.work.map((item) => ({ label: item.step.title, kind: 'Steps', path: 'route' })),
];
