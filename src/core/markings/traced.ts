import tracer from 'imagetracerjs';
import { deltaE00 } from '@/core/colour/difference';
import { hexToLab, srgbToHex } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { grown, intersection, regionArea, union, type Region } from '@/core/geometry/clip';
import type { Point, Polygon } from '@/core/geometry/polygon';
import { leastDetail } from './fit';
import { MOST_COLOURS } from './design';

/** A picture of artwork traced into fields of few colours, that can be masked, painted or printed. */

/** Pixels row by row, red, green, blue, opacity, 0 to 255 each. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** One colour of it as a field, in pixels, y down. */
export interface TracedColour {
  hex: string;
  rings: Polygon[];
  /** Of the picture, 0 to 1. */
  share: number;
  /** It is what the artwork stands on: it reaches along most of the edge of the picture. */
  isGround: boolean;
  /** Its narrowest stroke, pixels. */
  leastPx: number;
}

export interface Traced {
  width: number;
  height: number;
  colours: TracedColour[];
}

/** A picture is looked at in so many colours at the most before the like of them are taken together. */
const FIRST_COLOURS = 64;
/** Colours that share their upper bits begin as one. */
const BITS = 4;
/** Colours nearer than this are one that light fell on differently. */
const ALIKE = 9;
/** Less of a picture than this is a blend along an edge, and no colour. */
const LEAST_SHARE = 0.004;
/** Fewer pixels than this are dust. */
const DUST_PX = 10;
const SOLID = 128;
/** Steps in which a curve is followed. */
const CURVE_STEPS = 4;

type Segment = { type: 'L' | 'Q'; x1: number; y1: number; x2: number; y2: number; x3?: number; y3?: number };

/** 0 to 255 each. */
type Colour = { r: number; g: number; b: number; a: number };
const hexOfColour = ({ r, g, b }: Colour) => srgbToHex([r / 255, g / 255, b / 255]);

/**
 * Traces a picture into at most so many colours. Those that are alike are taken together first, what covers little and lies near another before
 * what is far from all (Ward 1963, on CIEDE2000). Deterministic; throws a RangeError where there is nothing to trace.
 */
export function traceArtwork(pixels: Pixels, most: number): Traced {
  const { width, height } = pixels;
  if (width < 2 || height < 2 || pixels.data.length < width * height * 4)
    throw new RangeError('The picture is too small to be traced.');
  const palette = paletteOf(pixels, Math.min(most, MOST_COLOURS + 1));
  if (palette.length === 0) throw new RangeError('The picture is empty: nothing of it is opaque.');
  // What is see-through is a colour of its own, and none of the artwork.
  const clear: Colour = { r: 0, g: 0, b: 0, a: 0 };
  const options = tracer.checkoptions({
    pal: [...palette, clear],
    colorquantcycles: 1,
    pathomit: DUST_PX,
    ltres: 0.8,
    qtres: 0.8,
    rightangleenhance: true,
    linefilter: true,
  });
  const { layers } = tracer.imagedataToTracedata(copyOf(pixels), options);
  const { array } = tracer.colorquantization(copyOf(pixels), options);
  const ground = groundIn(array, palette.length);
  const colours = palette.flatMap((colour, i): TracedColour[] => {
    const rings = layers[i]!.map(({ segments }) => ringOf(segments)).filter((ring) => ring.length > 2);
    const region = withoutSlivers(rings);
    if (region.length === 0) return [];
    const share = regionArea(region) / (width * height);
    const least = leastDetail(region);
    return [{ hex: hexOfColour(colour), rings: [...region], share, isGround: i === ground, leastPx: least }];
  });
  return { width, height, colours: colours.sort((a, b) => b.share - a.share) };
}

/** Without what is thinner than a blend along an edge is, px. */
function withoutSlivers(rings: readonly Polygon[]): Region {
  if (rings.length === 0) return [];
  const region = union(rings, []);
  return intersection(region, grown(grown(region, -SLIVER_PX / 2), SLIVER_PX / 2, 'sharp'));
}
const SLIVER_PX = 2;

/** The tracer writes into what it is given. */
const copyOf = ({ width, height, data }: Pixels): Pixels => ({ width, height, data: new Uint8ClampedArray(data) });

interface Bunch extends Colour {
  lab: Lab;
  share: number;
}

function paletteOf(pixels: Pixels, most: number): Colour[] {
  const pal = firstColours(pixels);
  if (pal.length === 0) return [];
  // Nothing is drawn by lot.
  const looked = tracer.checkoptions({ pal, colorquantcycles: 3, mincolorratio: 0 });
  const { array, palette } = tracer.colorquantization(copyOf(pixels), looked);
  const counts = palette.map(() => 0);
  for (const row of array) for (const i of row) if (i >= 0) counts[i]! += 1;
  const bunches = palette.flatMap((colour, i): Bunch[] =>
    counts[i]! > 0 && colour.a >= SOLID
      ? [{ ...colour, a: 255, lab: hexToLab(hexOfColour(colour)), share: counts[i]! / (pixels.width * pixels.height) }]
      : [],
  );
  while (bunches.length > 1) {
    const next = nearest(bunches);
    const isFew = bunches.length <= most;
    if (isFew && next.dE >= ALIKE && bunches.every(({ share }) => share >= LEAST_SHARE)) break;
    if (isFew && next.dE >= ALIKE) {
      // What is left over is a blend along edges: it goes to what it comes nearest to.
      const least = bunches.reduce((a, b) => (b.share < a.share ? b : a));
      const others = bunches.filter((one) => one !== least);
      const to = others.reduce((a, b) => (deltaE00(b.lab, least.lab) < deltaE00(a.lab, least.lab) ? b : a));
      bunches.splice(bunches.indexOf(least), 1);
      to.share += least.share;
      continue;
    }
    const [a, b] = [bunches[next.i]!, bunches[next.j]!];
    // The colour of the larger stands: a blend along an edge does not change it.
    const kept = a.share >= b.share ? a : b;
    bunches.splice(next.j, 1);
    bunches.splice(next.i, 1, { ...kept, share: a.share + b.share });
  }
  return bunches.map(({ r, g, b, a }) => ({ r, g, b, a }));
}

/** Where a picture's colours lie thickest, as it is begun to look at: each that covers more than dust, and one for what is see-through. */
function firstColours({ width, height, data }: Pixels): Colour[] {
  const bins = new Map<number, Colour & { n: number }>();
  for (let i = 0; i < width * height * 4; i += 4) {
    const [r, g, b, a] = [data[i]!, data[i + 1]!, data[i + 2]!, data[i + 3]!];
    if (a < SOLID) continue;
    const key = ((r >> BITS) << (2 * BITS)) | ((g >> BITS) << BITS) | (b >> BITS);
    const bin = bins.get(key) ?? { r: 0, g: 0, b: 0, a: 255, n: 0 };
    bins.set(key, { r: bin.r + r, g: bin.g + g, b: bin.b + b, a: 255, n: bin.n + 1 });
  }
  const thick = [...bins.values()].filter(({ n }) => n > DUST_PX).sort((a, b) => b.n - a.n);
  const colours = thick.slice(0, FIRST_COLOURS).map(({ r, g, b, n }) => ({
    r: Math.round(r / n),
    g: Math.round(g / n),
    b: Math.round(b / n),
    a: 255,
  }));
  return colours.length > 0 ? [...colours, { r: 0, g: 0, b: 0, a: 0 }] : [];
}

function nearest(bunches: readonly Bunch[]): { i: number; j: number; dE: number } {
  let best = { i: 0, j: 1, dE: Infinity, cost: Infinity };
  for (let i = 0; i < bunches.length; i += 1)
    for (let j = i + 1; j < bunches.length; j += 1) {
      const [a, b] = [bunches[i]!, bunches[j]!];
      const dE = deltaE00(a.lab, b.lab);
      const cost = ((a.share * b.share) / (a.share + b.share)) * dE * dE;
      if (cost < best.cost) best = { i, j, dE, cost };
    }
  return best;
}

/** The colour along most of the picture's edge, by its place in the palette; none where that is see-through. */
function groundIn(array: readonly (readonly number[])[], colours: number): number {
  const counts = Array.from({ length: colours + 1 }, () => 0);
  const [rows, columns] = [array.length - 2, array[0]!.length - 2];
  const see = (y: number, x: number) => {
    const i = array[y + 1]![x + 1]!;
    if (i >= 0) counts[i]! += 1;
  };
  for (let x = 0; x < columns; x += 1) [0, rows - 1].forEach((y) => see(y, x));
  for (let y = 0; y < rows; y += 1) [0, columns - 1].forEach((x) => see(y, x));
  const most = Math.max(...counts);
  return counts.indexOf(most);
}

function ringOf(segments: readonly Segment[]): Polygon {
  return segments.flatMap(({ type, x1, y1, x2, y2, x3, y3 }): Point[] => {
    if (type === 'L') return [[x1, y1]];
    return Array.from({ length: CURVE_STEPS }, (_, i): Point => {
      const t = i / CURVE_STEPS;
      const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t * t];
      return [a * x1 + b * x2 + c * x3!, a * y1 + b * y2 + c * y3!];
    });
  });
}
