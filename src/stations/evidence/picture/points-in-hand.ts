import type { Point } from '@/core/geometry/polygon';
import type { ViewerMarks } from './picture-viewer';

/** The points that a tool puts on a picture, as many as it takes: a full set begins anew. `mayPut`: whether one can be put. */
export function pointsInHand(
  points: readonly Point[],
  most: number,
  mayPut: boolean,
  change: (next: Point[]) => void,
  [selected, setSelected]: readonly [number | null, (index: number | null) => void],
): ViewerMarks {
  return {
    points,
    selected,
    onSelect: setSelected,
    onMove: (index, to) => change(points.map((point, i) => (i === index ? to : point))),
    onPut: mayPut
      ? (at) => {
          const next = points.length >= most ? [at] : [...points, at];
          change(next);
          setSelected(next.length - 1);
        }
      : undefined,
    onRemoveLast: () => {
      change(points.slice(0, -1));
      setSelected(null);
    },
  };
}
