import { ramerDouglasPeuckerD } from 'clipper2-ts';
import type { Polygon } from './polygon';

/** A shape or line as it is drawn on a screen: the path of an SVG drawing, in whole millimetres. */
export type DrawnPath = string & { readonly of?: 'mm' };

/** No screen shows a machine of any size so large that this much of its extent could be seen. */
const UNSEEN_SHARE = 1 / 5000;
const MOST_OFF_M = 0.002;

/**
 * Rings, or lines, as they are drawn: in millimetres, each point told from the one before and none that lies straight between its neighbours,
 * which is a fifth of what they weigh as numbers. `breadth` of all that is drawn with it, m; at most 2 mm and a rounding are lost.
 */
export function drawnPath(all: readonly Polygon[], breadth: number, isClosed = true): DrawnPath {
  const off = Math.min(MOST_OFF_M, breadth * UNSEEN_SHARE);
  return all.map((points) => one(points, off, isClosed)).join('');
}

function one(points: Polygon, off: number, isClosed: boolean): string {
  // A point is left out where it lies within `off` of the line that stands for it (Ramer 1972, Douglas and Peucker 1973).
  const kept = ramerDouglasPeuckerD(
    points.map(([x, y]) => ({ x, y })),
    off,
  );
  let [atX, atY] = [0, 0];
  const steps = kept.flatMap(({ x, y }, i): [number, number][] => {
    const [mmX, mmY] = [Math.round(x * 1000), Math.round(y * 1000)];
    const step: [number, number] = [mmX - atX, mmY - atY];
    [atX, atY] = [mmX, mmY];
    return i > 0 && step[0] === 0 && step[1] === 0 ? [] : [step];
  });
  if (steps.length === 0) return '';
  const [first, ...rest] = steps.map(([x, y]) => (y < 0 ? `${x}${y}` : `${x} ${y}`));
  return `M${first}${rest.length > 0 ? `l${rest.join(' ').replaceAll(' -', '-')}` : ''}${isClosed ? 'z' : ''}`;
}
