import { intersection, type Region } from '@/core/geometry/clip';
import { dense, extentOf, polygonArea, rectangle, type Point, type Polygon } from '@/core/geometry/polygon';
import {
  between,
  bodyPoint,
  girthOfBreadth,
  girthOfHeight,
  sectionAt,
  sectionRings,
  stretchAt,
  type Body,
  type Xyz,
} from './body';
import { chordAt, liftingPoint, outOf, spanwise, type Lifting } from './lifting';
import { runsOf } from '@/core/units/grouped';
import { project } from './drawing';
import { isSide, type View } from './zones';

/**
 * A surface of the airframe with two coordinates of its own, so that zones, colours and markings are regions of it that can be measured.
 * A body has the station (m) and the girth angle (degrees, 0 spine .. 360); a face of a wing, tail or fin the distance from its root
 * in plan and the station (m).
 */
export interface Chart {
  id: string;
  on: { kind: 'body'; body: Body } | { kind: 'lifting'; of: Lifting; face: 1 | -1 };
  /** From chart to space, m. */
  at(point: Point): Xyz;
  /** From a point of a view (m, as drawn) to the chart; null where the view does not see the surface. Beyond the surface its nearest edge. */
  under(view: View, point: Point): Point | null;
  /** What of the chart each view sees. */
  seen: Partial<Record<View, Region>>;
  /** What of it a view shows, where bodies hide some of it: its root. The whole of what is seen where it is not told. */
  shown?: Partial<Record<View, Region>>;
  /** Skin area, m2, from a fixed line to the second coordinate, for a unit of the first. */
  swath(p: number, q: number): number;
  /** Steps in which a straight line of the chart is followed in space. */
  step: Point;
  /** First coordinates at which the skin is bent. */
  breaks: readonly number[];
}

/** A line followed in steps that are fine enough for the skin under it; also cut where the skin is bent. */
export function followed({ step, breaks }: Chart, line: Polygon, closed: boolean): Point[] {
  const points: Point[] = [];
  const last = closed ? line.length : line.length - 1;
  for (let i = 0; i < last; i += 1) {
    const [a, b] = [line[i]!, line[(i + 1) % line.length]!];
    const parts = Math.max(1, Math.ceil(Math.abs(b[0] - a[0]) / step[0]), Math.ceil(Math.abs(b[1] - a[1]) / step[1]));
    const along = (t: number): Point => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
    const [low, high] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])];
    const bends = breaks.filter((x) => x > low && x < high);
    if (bends.length === 0) {
      for (let k = 0; k < parts; k += 1) points.push(along(k / parts));
      continue;
    }
    const cuts = bends.map((x) => (x - a[0]) / (b[0] - a[0])).filter((t) => t > 0 && t < 1);
    for (let k = 0; k < parts; k += 1) cuts.push(k / parts);
    for (const t of cuts.sort((s, u) => s - u)) points.push(along(t));
  }
  if (!closed && line.length > 0) points.push(line.at(-1)!);
  return points;
}

/**
 * Skin area of a region of a chart, m2, by Green's theorem: round the border the area between it and a fixed line is added up, so that
 * parts of a region make up exactly the whole.
 */
export function areaOn(chart: Chart, region: Region): number {
  let sum = 0;
  for (const ring of region) {
    const line = followed(chart, ring, true);
    line.forEach((a, i) => {
      const b = line[(i + 1) % line.length]!;
      const dp = b[0] - a[0];
      if (dp === 0) return;
      // Gauss's two points: exact up to the third power.
      for (const t of GAUSS) sum += (dp / 2) * chart.swath(a[0] + t * dp, a[1] + t * (b[1] - a[1]));
    });
  }
  return Math.abs(sum);
}
const GAUSS = [0.5 - Math.sqrt(3) / 6, 0.5 + Math.sqrt(3) / 6];

/** Rings thinner than this share of a step of the chart are rounding where two borders run together: they have no colour. */
const THINNEST = 0.004;

export function withoutSlivers({ step: [sp, sq] }: Chart, region: Region): Region {
  return region.filter((ring) => {
    const scaled = ring.map(([p, q]): Point => [p / sp, q / sq]);
    const round = scaled.reduce((sum, [p, q], i) => {
      const [r, s] = scaled[(i + 1) % scaled.length]!;
      return sum + Math.hypot(r - p, s - q);
    }, 0);
    return polygonArea(scaled) > (THINNEST * round) / 2;
  });
}

/** Length along the skin of a line of a chart, m. */
export function lengthOn(chart: Chart, line: Polygon): number {
  const points = followed(chart, line, false).map(chart.at);
  return points.slice(1).reduce((sum, point, i) => sum + between(points[i]!, point), 0);
}

/** A region of a chart as a view shows it: nothing where it does not see it. `length` is the airframe's. */
export function shownIn(chart: Chart, region: Region, view: View, length: number): Polygon[] {
  const seen = chart.seen[view];
  if (!seen) return [];
  const shown = chart.shown?.[view];
  const own = cutTo(region, seen);
  return drawnIn(chart, shown ? intersection(own, shown) : own, view, length);
}

/** A region of a chart as it is drawn where a view looks at all of it. */
export const drawnIn = (chart: Chart, region: Region, view: View, length: number): Polygon[] =>
  region.map((ring) => followed(chart, ring, true).map((point) => project(view, length, ...chart.at(point))));

/** What of a region lies in upright rectangles. Most lie in one of them or in none, which needs no clipping. */
function cutTo(region: Region, boxes: Region): Region {
  return boxes.flatMap((box) => {
    const [[p0, q0], , [p1, q1]] = box as unknown as [Point, Point, Point];
    const { left, right, top, bottom } = extentOf(region);
    const isWithin = left >= p0 && right <= p1 && top >= q0 && bottom <= q1;
    const isBeside = left >= p1 || right <= p0 || top >= q1 || bottom <= q0;
    return isBeside ? [] : isWithin ? region : intersection(region, [box]);
  });
}

/** A line of a chart as a view shows it, in the pieces that it sees. */
export function lineIn(chart: Chart, line: Polygon, view: View, length: number): Polygon[] {
  const seen = chart.seen[view];
  if (!seen) return [];
  return runsOf(
    followed(chart, line, false).map((point) => {
      const girth = chart.on.kind === 'body' ? ((point[1] % 360) + 360) % 360 : point[1];
      const isSeen = seen.some((ring) => isIn([point[0], girth], ring));
      return isSeen ? project(view, length, ...chart.at(point)) : null;
    }),
  );
}

/** Within an upright rectangle, its border included. */
const isIn = ([p, q]: Point, ring: Polygon): boolean => {
  const [[p0, q0], , [p1, q1]] = ring as unknown as [Point, Point, Point];
  return p >= p0 && p <= p1 && q >= q0 && q <= q1;
};

/** A region drawn in a view, laid on a chart: empty where the view does not see the surface or the region misses it. */
export function laidOn(chart: Chart, region: Region, view: View): Polygon[] {
  const seen = chart.seen[view];
  if (!seen) return [];
  const onto = region.map((ring) => dense(ring, VIEW_STEP).map((point) => chart.under(view, point)!));
  return [...cutTo(unwrapped(chart, onto), seen)];
}

/** Steps, m, in which what is drawn in a view is followed on the skin. */
const VIEW_STEP = 0.06;

/** Girth angles below nought, as the upper view has them to port of the spine, come in from the other end. */
function unwrapped(chart: Chart, region: Region): Region {
  if (chart.on.kind !== 'body' || region.flat().every(([, q]) => q >= 0)) return region;
  const ends = region.flat().map(([p]) => p);
  const [from, to] = [Math.min(...ends) - 1, Math.max(...ends) + 1];
  const half = (low: number, high: number): Region => [rectangle(from, low, to, high)];
  const port = intersection(region, half(-360, 0)).map((ring) => ring.map(([p, q]): Point => [p, q + 360]));
  return [...port, ...intersection(region, half(0, 360))];
}

/** Girth steps of the table of areas, degrees. */
const GIRTH_STEP = 4;
const GIRTHS = 360 / GIRTH_STEP;

/** The skin of a body. Only the nearer of two, to port and starboard, is seen from the side: `sides` says from which. */
export function bodyChart(
  id: string,
  body: Body,
  length: number,
  sides: readonly View[] = ['port', 'starboard'],
): Chart {
  const { sections } = body;
  const [first, last] = [sections[0]!.x, sections.at(-1)!.x];
  const whole: Partial<Record<View, Region>> = {
    starboard: [rectangle(first, 0, last, 180)],
    port: [rectangle(first, 180, last, 360)],
    upper: [rectangle(first, 0, last, 90), rectangle(first, 270, last, 360)],
    lower: [rectangle(first, 90, last, 270)],
  };
  const seen = Object.fromEntries(
    Object.entries(whole).filter(([view]) => view === 'upper' || view === 'lower' || sides.includes(view as View)),
  );
  // Between two sections: areas from the spine round to each girth, for a unit of length, at its first and its last end.
  const rings = sectionRings(body, GIRTHS);
  const tables = sections.slice(1).map((after, i) => {
    const before = sections[i]!;
    const ends = [rings[i]!, rings[i + 1]!];
    const dx = after.x - before.x;
    const sums = ends.map(() => new Float64Array(GIRTHS + 1));
    for (let k = 0; k < GIRTHS; k += 1) {
      // How the skin runs along the body, in the middle of the step.
      const rise = [1, 2].map(
        (c) => (ends[1]![k]![c]! + ends[1]![k + 1]![c]! - ends[0]![k]![c]! - ends[0]![k + 1]![c]!) / 2 / dx,
      );
      ends.forEach((points, end) => {
        const [cy, cz] = [points[k + 1]![1] - points[k]![1], points[k + 1]![2] - points[k]![2]];
        sums[end]![k + 1] = sums[end]![k]! + Math.hypot(rise[0]! * cz - rise[1]! * cy, cz, cy);
      });
    }
    return sums as [Float64Array, Float64Array];
  });
  const around = (table: Float64Array, girth: number) => {
    const place = Math.min(GIRTHS, Math.max(0, girth / GIRTH_STEP));
    const k = Math.min(GIRTHS - 1, Math.floor(place));
    return table[k]! + (place - k) * (table[k + 1]! - table[k]!);
  };
  const share = (value: number, half: number) => (half > 1e-9 ? value / half : 0);
  return {
    id,
    on: { kind: 'body', body },
    seen,
    step: [length / 70, GIRTH_STEP],
    breaks: sections.map(({ x }) => x),
    at: ([x, girth]) => bodyPoint(body, x, girth),
    under(view, [u, v]) {
      if (!seen[view]) return null;
      const x = Math.min(last, Math.max(first, view === 'starboard' ? length - u : u));
      const { width, height, z, n } = sectionAt(body, x);
      if (isSide(view)) {
        const girth = girthOfHeight(n, share(-v - z, height / 2));
        return [x, view === 'port' ? 360 - girth : girth];
      }
      const y = (view === 'upper' ? -v : v) - body.y;
      const girth = girthOfBreadth(n, share(Math.abs(y), width / 2));
      const signed = y < 0 ? -girth : girth;
      return [x, view === 'upper' ? signed : 180 - signed];
    },
    swath(x, girth) {
      const i = stretchAt(body, x);
      const [from, to] = tables[i]!;
      const t = (x - sections[i]!.x) / (sections[i + 1]!.x - sections[i]!.x);
      return (1 - t) * around(from, girth) + t * around(to, girth);
    },
  };
}

/** One face of a wing, tail or fin: 1 the upper or starboard one, -1 the lower or port one. `views` are those that look at it. */
export function liftingChart(id: string, of: Lifting, face: 1 | -1, length: number, views: readonly View[]): Chart {
  const reach = of.semispan * 1.2 + 1;
  const far = 10 * length + 100;
  const everything: Region = [rectangle(-reach, -far, reach, far)];
  // 1 + tan2 of the dihedral.
  const base = spanwise(of) ** 2;
  const shares = (out: number, x: number) => {
    const at = chordAt(of, out / of.semispan);
    return { at, t: at.chord > 1e-9 ? (x - at.x) / at.chord : 0 };
  };
  return {
    id,
    on: { kind: 'lifting', of, face },
    seen: Object.fromEntries(views.map((view) => [view, everything])),
    step: [of.semispan / 14, length / 30],
    breaks: [],
    at([out, x]) {
      const { t } = shares(out, x);
      const [, y, z] = liftingPoint(of, face, out / of.semispan, t);
      return [x, y, z];
    },
    under(view, [u, v]) {
      if (!views.includes(view)) return null;
      const x = view === 'starboard' ? length - u : u;
      return [outOf(of, of.upright || view === 'upper' ? -v : v), x];
    },
    // The arc of a parabola: the integral of sqrt(base + slope2) with the slope 2 thickness (1 - 2 t).
    swath(out, x) {
      const { at, t } = shares(out, x);
      const steep = 2 * at.thickness;
      if (steep < 1e-6) return at.chord * t * Math.sqrt(base);
      const grown = (s: number) =>
        (s * Math.sqrt(base + s * s) + base * Math.asinh(s / Math.sqrt(base))) / (2 * 2 * steep);
      return at.chord * (grown(steep) - grown(steep * (1 - 2 * t)));
    },
  };
}
