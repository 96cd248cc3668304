import { compareByLane, type LaneComparison } from '@/core/bench/compare';
import type { BriefView } from '@/core/brief/derive';
import type { Kept } from '@/core/kept/records';
import { elapsedToLocal } from '@/core/route/calendar';

export interface LogPage {
  briefId: string;
  entries: (Kept<'log_entry'> & { endedLocal: string })[];
  lanes: LaneComparison[];
  all: LaneComparison;
}

export function logPage({ state: { brief, log } }: BriefView): LogPage {
  const { lanes, all } = compareByLane(log);
  const entries = log.map((entry) => ({ ...entry, endedLocal: elapsedToLocal(0, brief.timeZone, entry.endedAt) }));
  return { briefId: brief.id, lanes, all, entries };
}
