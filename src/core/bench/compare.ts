import type { Minutes } from '@/core/units/minutes';

export interface Worked {
  lane: string;
  plannedMinutes: Minutes | null;
  actualMinutes: Minutes;
}

export interface LaneComparison {
  lane: string;
  planned: Minutes;
  actual: Minutes;
  /** actual / planned; null without a plan. */
  factor: number | null;
}

/** Planned against logged minutes by lane, then in all. Work that was never planned counts only in `actual` and in no factor. */
export function compareByLane(entries: readonly Worked[]): { lanes: LaneComparison[]; all: LaneComparison } {
  const lanes = [...new Set(entries.map((entry) => entry.lane || 'Other'))];
  return {
    lanes: lanes.map((lane) =>
      total(
        lane,
        entries.filter((entry) => (entry.lane || 'Other') === lane),
      ),
    ),
    all: total('All', entries),
  };
}

function total(lane: string, entries: readonly Worked[]): LaneComparison {
  const planned = entries.filter((entry) => entry.plannedMinutes !== null);
  const plannedMinutes = planned.reduce((sum, entry) => sum + entry.plannedMinutes!, 0);
  const comparable = planned.reduce((sum, entry) => sum + entry.actualMinutes, 0);
  return {
    lane,
    planned: plannedMinutes,
    actual: entries.reduce((sum, entry) => sum + entry.actualMinutes, 0),
    factor: plannedMinutes > 0 ? comparable / plannedMinutes : null,
  };
}
