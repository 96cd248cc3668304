import { DIMENSIONS, type DimensionName } from '@/core/outline/dimensions';
import { namedPlaces } from '@/core/outline/named-places';
import { buildOutline, type OutlineSpec } from '@/core/outline/outline';
import { NoCamera } from './find-camera';
import type { KeptCamera } from './kept-camera';
import { laidOver, setSdPx } from './laid-over';

/** Where pictures disagree with an outline in the same way: the dimension of it that would mend most. */
export interface Mend {
  dimension: DimensionName;
  /** As the outline has it, and as the pictures do; in the unit of the dimension. */
  from: number;
  to: number;
  /** Share of what does not fit that it takes away. */
  gain: number;
  /** Pictures that fit better with it, of those that were asked. */
  better: number;
  pictures: number;
}

/** Which of outline and kit the pictures put in the wrong: the kit stands nearer to one of the two. `kitM`, m of the real machine, as it was measured; null where nobody did. */
export function kitInWords(
  mend: Pick<Mend, 'dimension' | 'from' | 'to'>,
  kitM: number | null,
  denominator: number,
): string {
  if (DIMENSIONS[mend.dimension].unit !== 'm') return 'Hold the kit against it as it is built up.';
  if (kitM === null) return 'Measured at Kit, it is told whether the kit is wrong too.';
  if (Math.abs(kitM - mend.from) >= Math.abs(kitM - mend.to))
    return `Your kit measures ${kitM.toFixed(2)} m, as the pictures have it: the outline alone is wrong.`;
  const off = Math.abs((mend.to - kitM) * 1000) / denominator;
  return `Your kit measures ${kitM.toFixed(2)} m, as the outline has it: it is wrong too, by ${off.toFixed(1)} mm on the model.`;
}

/** Dimensions that move a named place, and are often told wrongly. */
const TRIED: readonly DimensionName[] = [
  'span',
  'dihedral',
  'finHeight',
  'gearHeight',
  'length',
  'tailSpan',
  'canopyHeight',
  'mainTrack',
  'wingStation',
  'wingHeight',
];
/** Steps that are tried of each to either side: shares of it, or degrees. */
const SHARES = [0.02, 0.05, 0.1, 0.2] as const;
const DEGREES = [0.5, 1.5, 3, 5] as const;
/** One place may say no more than this against a picture, in squares of its standard deviation: another machine's says nothing of this one. */
const MOST_OF_ONE = 200;
/** So well fits what needs no mending: mean square of places, in squares of their standard deviation. */
const FITS = 2;
/** A dimension of which a first look takes away less is not followed. */
const WORTH_A_LOOK = 0.15;
/** A dimension that takes away less is not offered. */
const LEAST_GAIN = 0.5;

/** The best first; none where the pictures fit, or nothing mends them. */
export function mendsOf(spec: OutlineSpec, pictures: readonly KeptCamera[]): Mend[] {
  const now = pictures.map((kept) => misfit(spec, kept));
  const asked = pictures.filter((_, i) => now[i] !== null);
  const before = now.filter((one) => one !== null);
  const places = asked.reduce((sum, { points }) => sum + points.length, 0);
  const whole = sumOf(before);
  if (asked.length === 0 || whole <= FITS * places) return [];
  return TRIED.flatMap((dimension): Mend[] => {
    const { least, most, unit } = DIMENSIONS[dimension];
    const from = spec.dimensions[dimension];
    if (from === 0 && unit !== 'deg') return [];
    const off = unit === 'deg' ? DEGREES : SHARES.map((share) => share * from);
    const at = (value: number) => {
      const to = Math.min(most, Math.max(least, value));
      const own = { ...spec, dimensions: { ...spec.dimensions, [dimension]: to } };
      const each = asked.map((kept, i) => misfit(own, kept) ?? before[i]!);
      return { to, each, sum: sumOf(each) };
    };
    const still = { to: from, each: before, sum: whole };
    // A first look to either side: where neither helps, no step does.
    const [short, long] = [at(from - off[1]!), at(from + off[1]!)];
    const side = short.sum < long.sum ? -1 : 1;
    if (Math.min(short.sum, long.sum) > (1 - WORTH_A_LOOK) * whole) return [];
    const further = [off[0]!, ...off.slice(2)].map((by) => at(from + side * by));
    const tried = [still, short, long, ...further].sort((a, b) => a.to - b.to);
    const place = tried.reduce((best, one, i) => (one.sum < tried[best]!.sum ? i : best), 0);
    const vertex = lowestThrough(tried.slice(Math.max(0, place - 1), place + 2).map(({ to, sum }) => [to, sum]));
    const best = [tried[place]!, ...(vertex === null ? [] : [at(vertex)])].reduce((a, b) => (b.sum < a.sum ? b : a));
    const gain = 1 - best.sum / whole;
    if (gain < LEAST_GAIN || best.to === from) return [];
    const better = best.each.filter((one, i) => one < before[i]!).length;
    return [{ dimension, from, to: best.to, gain, better, pictures: asked.length }];
  }).sort((a, b) => b.gain - a.gain);
}

const sumOf = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0);

/** Squares of how far places are off, in their standard deviations; null where the picture has no camera. */
function misfit(spec: OutlineSpec, kept: KeptCamera): number | null {
  try {
    const { places } = laidOver(kept, namedPlaces(buildOutline(spec)));
    return sumOf(places.map(({ offPx }) => Math.min(MOST_OF_ONE, (offPx / setSdPx(kept)) ** 2)));
  } catch (error) {
    if (error instanceof NoCamera) return null;
    throw error;
  }
}

/** Where a parabola through three points is lowest; null where it is not between the outer two. */
function lowestThrough(points: readonly (readonly [number, number])[]): number | null {
  if (points.length < 3) return null;
  const [[x0, y0], [x1, y1], [x2, y2]] = points as [[number, number], [number, number], [number, number]];
  const [a, b] = [(x1 - x0) * (y1 - y2), (x1 - x2) * (y1 - y0)];
  if (a === b) return null;
  const x = x1 - ((x1 - x0) * a - (x1 - x2) * b) / (2 * (a - b));
  return x > x0 && x < x2 ? x : null;
}
