import { betweenPixels } from '@/core/geometry/between-pixels';
import { extentOf, isInRegion, type Point } from '@/core/geometry/polygon';
import type { Pixels } from '@/core/markings/traced';
import type { MarkingPlace } from '@/core/markings/place';
import { turned, type PlaneOn } from '@/core/markings/placing';
import type { Xyz } from '@/core/outline/body';
import { project as drawnAt } from '@/core/outline/drawing';
import type { Outline } from '@/core/outline/outline';
import { times } from '@/core/outline/space';
import type { View } from '@/core/outline/zones';
import { fromDrawn } from '@/core/scheme/laid';
import { seenAt, type Landed, type Lander } from './landing';
import type { Camera } from './view';

/** A piece of a picture laid flat at true scale. */
export interface LaidFlat extends Pixels {
  mmPerPx: number;
  /** Share of it that the picture shows; the rest is clear. */
  shown: number;
  /** How many px of the picture come to one of the piece, as a rule: from 1 on it shows all that the piece can. */
  fineness: number;
  /** From how many pictures it is. */
  pictures: number;
}

/** As a view of the machine has it. */
export interface StraightOn extends LaidFlat {
  view: View;
  /** Station and offset of its upper left corner and of its lower right one, m. */
  corners: [Point, Point];
}

/** Longest side, px; the picture is looked up at every so many of them, and followed straight between. */
const LONGEST_PX = 480;
const EVERY_PX = 12;
/** So much is shown beyond what was drawn round, as a share of it. */
const BEYOND = 0.04;

/** Of a piece of the picture: where in it a place is seen, px of the pixels that are given. */
export interface Seen {
  camera: Camera;
  land: Lander;
  /** From a point as the camera has it to one of the pixels. */
  inPixels: (at: Point) => Point;
}

/** `round`: places on the skin round what is wanted; `zones` are those that it lies on. Null where the view has no extent of it. */
export function straightOn(
  outline: Outline,
  view: View,
  round: readonly Landed[],
  zones: ReadonlySet<string>,
  pixels: Pixels,
  seen: Seen,
): StraightOn | null {
  const { length } = outline.spec.dimensions;
  const at = round.map(({ xyz: [x, y, z] }) => drawnAt(view, length, x / 1000, y / 1000, z / 1000));
  const { left, right, top, bottom } = extentOf([at]);
  const [across, down] = [right - left, bottom - top];
  const [u0, v0] = [left - across * BEYOND, top - down * BEYOND];
  const regions = outline.regions.filter(({ zone, chart }) => zones.has(zone) && chart.seen[view]);
  const flat = laidFlat([across, down], pixels, seen, ([u, v]) => {
    const point: Point = [u0 + u, v0 + v];
    for (const { chart, region } of regions) {
      const on = chart.under(view, point);
      if (on && isInRegion(on, region)) return times(chart.at(on), 1000);
    }
    return null;
  });
  return (
    flat && {
      ...flat,
      view,
      corners: [
        fromDrawn(outline, view, [u0, v0]),
        fromDrawn(outline, view, [u0 + across * (1 + 2 * BEYOND), v0 + down * (1 + 2 * BEYOND)]),
      ],
    }
  );
}

/** What lies within a marking's own frame, unrolled from the skin on which it lies so turned. `size`: wide and high, m. */
export function inOwnPlane(
  { chart, put }: PlaneOn,
  place: Pick<MarkingPlace, 'turn'>,
  [wide, high]: readonly [number, number],
  pixels: Pixels,
  seen: Seen,
): LaidFlat | null {
  const [left, top] = [-wide * (0.5 + BEYOND), high * (0.5 + BEYOND)];
  return laidFlat([wide, high], pixels, seen, ([u, v]) =>
    times(chart.at(put(turned(place, [left + u, top - v]))), 1000),
  );
}

/**
 * `size`, m, with a little beyond it all round; `placeAt` has the place on the skin, mm, of a point so far to the right of the upper left corner
 * and below it, m, or null where there is none.
 */
function laidFlat(
  size: readonly [number, number],
  pixels: Pixels,
  seen: Seen,
  placeAt: (at: Point) => Xyz | null,
): LaidFlat | null {
  const [across, down] = [size[0] * (1 + 2 * BEYOND), size[1] * (1 + 2 * BEYOND)];
  if (!(across > 0) || !(down > 0)) return null;
  const mPerPx = Math.max(across, down) / LONGEST_PX;
  const [width, height] = [Math.max(2, Math.round(across / mPerPx)), Math.max(2, Math.round(down / mPerPx))];
  const [columns, rows] = [Math.ceil(width / EVERY_PX) + 1, Math.ceil(height / EVERY_PX) + 1];
  const grid = Array.from({ length: columns * rows }, (_, i) => {
    const place = placeAt([(i % columns) * EVERY_PX * mPerPx, Math.floor(i / columns) * EVERY_PX * mPerPx]);
    const shown = place && seenAt(place, seen.camera, seen.land);
    return shown && seen.inPixels(shown.at);
  });
  const data = new Uint8ClampedArray(4 * width * height);
  let shown = 0;
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const [i, j] = [Math.floor(column / EVERY_PX), Math.floor(row / EVERY_PX)];
      const [a, b] = [grid[j * columns + i], grid[j * columns + i + 1]];
      const [c, d] = [grid[(j + 1) * columns + i], grid[(j + 1) * columns + i + 1]];
      if (!a || !b || !c || !d) continue;
      const [s, t] = [column / EVERY_PX - i, row / EVERY_PX - j];
      const mixed = (k: 0 | 1) => (1 - t) * ((1 - s) * a[k] + s * b[k]) + t * ((1 - s) * c[k] + s * d[k]);
      if (sample(pixels, [mixed(0), mixed(1)], data, 4 * (row * width + column))) shown += 1;
    }
  return {
    width,
    height,
    data,
    mmPerPx: mPerPx * 1000,
    shown: shown / (width * height),
    fineness: finenessOf(grid, columns),
    pictures: 1,
  };
}

/** The median way in the picture from one knot of the grid to the next, for a px of the piece. */
function finenessOf(grid: readonly (Point | null)[], columns: number): number {
  const steps = grid.flatMap((at, i) => {
    const next = (i + 1) % columns === 0 ? null : grid[i + 1];
    return at && next ? [Math.hypot(next[0] - at[0], next[1] - at[1]) / EVERY_PX] : [];
  });
  return steps.sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0;
}

/** Fewer places than this that two pieces show tell nothing of how their light differs. */
const LEAST_IN_COMMON = 200;

/**
 * One piece from several pictures of it that were laid flat alike. Each is brought to the light of the first (mean and spread of each channel,
 * over what both show), then each place is their mean, the finer picture by more: what one of them hides another shows.
 */
export function laidTogether<Flat extends LaidFlat>(flats: readonly [Flat, ...Flat[]]): Flat {
  const [first] = flats;
  const all = flats.filter(({ shown, width, height }) => shown > 0 && width === first.width && height === first.height);
  if (all.length < 2) return first;
  const data = new Uint8ClampedArray(first.data.length);
  const layers = all.map((flat) => ({
    tones: flat.data,
    weight: Math.min(1, flat.fineness) ** 2,
    light: [0, 1, 2].map((channel) => lightTo(first, flat, channel)),
  }));
  let shown = 0;
  for (let i = 0; i < data.length; i += 4) {
    const here = layers.filter(({ tones }) => tones[i + 3]! > 0);
    if (here.length === 0) continue;
    const whole = here.reduce((sum, { weight }) => sum + weight, 0);
    for (let channel = 0; channel < 3; channel += 1) {
      const at = i + channel;
      data[at] = here.reduce((sum, { tones, weight, light }) => sum + weight * light[channel]!(tones[at]!), 0) / whole;
    }
    data[i + 3] = 255;
    shown += 1;
  }
  return { ...first, data, shown: shown / (data.length / 4), pictures: all.length };
}

/** From the tone of one piece to that of another, in one channel. */
function lightTo(to: LaidFlat, from: LaidFlat, channel: number): (tone: number) => number {
  let [n, a, b, aa, bb] = [0, 0, 0, 0, 0];
  if (to !== from)
    for (let i = channel; i < to.data.length; i += 4) {
      if (!to.data[i - channel + 3] || !from.data[i - channel + 3]) continue;
      const [own, other] = [to.data[i]!, from.data[i]!];
      n += 1;
      a += own;
      b += other;
      aa += own * own;
      bb += other * other;
    }
  if (n < LEAST_IN_COMMON) return (tone) => tone;
  const spread = (sum: number, squares: number) => Math.sqrt(Math.max(0, squares / n - (sum / n) ** 2));
  const wider = spread(b, bb) > 0 ? spread(a, aa) / spread(b, bb) : 1;
  return (tone) => a / n + (tone - b / n) * wider;
}

/** The colour at a place between pixels; false beyond the picture. */
function sample(pixels: Pixels, at: Point, into: Uint8ClampedArray, from: number): boolean {
  const mixed = betweenPixels(pixels, at);
  if (!mixed) return false;
  for (let k = 0; k < 4; k += 1) into[from + k] = mixed((pixel) => pixels.data[4 * pixel + k]!);
  return true;
}
