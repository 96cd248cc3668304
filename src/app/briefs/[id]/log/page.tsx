import { compareByLane } from '@/core/bench/compare';
import { elapsedToLocal } from '@/core/route/calendar';
import { LogStation } from '@/stations/log/log-station';
import { briefView } from '../view';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  const { log, brief } = view.state;
  const { lanes, all } = compareByLane(log);
  return (
    <LogStation
      facts={{
        briefId: brief.id,
        lanes,
        all,
        entries: log.map((entry) => ({ ...entry, endedLocal: elapsedToLocal(0, brief.timeZone, entry.endedAt) })),
      }}
    />
  );
}
