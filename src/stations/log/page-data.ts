import { compareByLane, type LaneComparison } from '@/core/bench/compare';
import type { BriefView } from '@/core/brief/derive';
import type { Kept } from '@/core/kept/records';
import { doneAgainWith } from '@/core/route/behind';
import { elapsedToLocal } from '@/core/route/calendar';

export interface LogRow extends Kept<'log_entry'> {
  endedLocal: string;
  /** Entries of work that no longer holds when this is done again. */
  takes: { id: string; version: number; title: string }[];
}

export interface LogPage {
  briefId: string;
  entries: LogRow[];
  lanes: LaneComparison[];
  all: LaneComparison;
}

export function logPage({ state: { brief, log }, route }: BriefView): LogPage {
  const { lanes, all } = compareByLane(log);
  const standing = new Map(log.flatMap((entry) => (entry.again ? [] : [[entry.stepKey, entry] as const])));
  const done = new Set(standing.keys());
  const entries = log.map((entry) => ({
    ...entry,
    endedLocal: elapsedToLocal(0, brief.timeZone, entry.endedAt),
    takes: entry.again
      ? []
      : doneAgainWith(route, done, entry.stepKey).map(({ key }) => {
          const { id, version, title } = standing.get(key)!;
          return { id, version, title };
        }),
  }));
  return { briefId: brief.id, lanes, all, entries };
}
