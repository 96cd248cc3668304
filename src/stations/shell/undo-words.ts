import type { UndoAnswer } from '@/core/kept/undo-answer';
import { STATIONS } from './stations';

const stationTitle = (path: string) => STATIONS.find((station) => station.path === path)?.title ?? 'Setup';

/** What one press of `u` did, and what it passed over because others have built on it. */
export function undoInWords({ undone, passed }: UndoAnswer): string {
  const over = passed.map(({ station, says }) => `Passed over a change at ${stationTitle(station)}: ${says}`);
  const back = undone
    ? `Taken back: the last change at ${stationTitle(undone.station)}`
    : 'There is nothing left to take back';
  return [...over, back].join(' ');
}
