import { onSkin, schemeOn, type PlaceableMarking } from '@/core/markings/placing';
import { between, bodyPoint, type Xyz } from '@/core/outline/body';
import { followed, laidOn, withoutSlivers, type Chart } from '@/core/outline/chart';
import { chordAt, liftingPoint } from '@/core/outline/lifting';
import { buildOutline, chartsOf, type Outline, type OutlineSpec } from '@/core/outline/outline';
import { solidPoint, type Solid } from '@/core/outline/solid';
import { cross, onWay, way } from '@/core/outline/space';
import { cellsOf, type Cell } from '@/core/scheme/cells';
import type { SchemeField } from '@/core/scheme/field';
import { intersection, isInRegion, union, type Region } from '@/core/geometry/clip';
import { rectangle, steps, type Point } from '@/core/geometry/polygon';
import { pointGrid } from './grid';
import { softened } from './soft';
import { cornerAt, type Mesh } from './mesh';
import { liftedRegion, turnOf, type Lifted } from './lift';

/** A whole machine in space, in pieces that each have one zone and one colour. Metres; x aft, y to starboard, z up. */

export interface SkinPiece extends Lifted {
  zone: string;
  /** The code that shows; null for the zone's own colour. */
  code: string | null;
  /** The marking that it is of; null for skin. */
  marking: string | null;
  /** How much of it covers what lies under: less than 1 of blotches. */
  share: number;
  glass: boolean;
}

export interface MachineToSkin {
  spec: OutlineSpec;
  denominator: number;
  fields: readonly SchemeField[];
  markings: readonly PlaceableMarking[];
}

/** How far triangles may lie off the skin, mm on the model: under what an eye sees. */
const TOLERANCE_MODEL_MM = 0.08;
/** Paint over paint is drawn so far over it, mm on the model: more than two sets of triangles may differ, less than an eye sees. */
const OVER_MODEL_MM = 2 * TOLERANCE_MODEL_MM;
/** Markings that lie over one another are told apart by so much of that each. */
const EACH = 0.2;

export function skinOf({ spec, denominator, fields, markings }: MachineToSkin): SkinPiece[] {
  const outline = buildOutline(spec);
  const tolerance = (TOLERANCE_MODEL_MM * denominator) / 1000;
  const over = (OVER_MODEL_MM * denominator) / 1000;
  const charts = new Map(chartsOf(outline).map((chart) => [chart.id, chart]));
  const { painted, strips } = softened(schemeOn(outline, fields, markings), charts);
  const bare = { marking: null, share: 1, glass: false };
  const cells = cellsOf(outline, () => null, painted);
  const skin = cells.map(({ zone, chart, region, code, share, glass, field }): SkinPiece => ({
    ...bare,
    zone,
    code,
    glass,
    // What blotches lie on is there whole, and they over it.
    share: field === null ? 1 : share,
    ...liftedRegion(chart, region, tolerance, share < 1 && field !== null ? over : 0),
  }));
  const soft = strips.flatMap(({ chart, code, region, share }, i) =>
    outline.regions.flatMap((part): SkinPiece[] => {
      if (part.chart !== chart || part.glass) return [];
      const here = withoutSlivers(chart, intersection(region, part.region));
      if (here.length === 0) return [];
      const above = over * UNDER_ART * (0.2 + (0.8 * (i + 1)) / strips.length);
      return [{ ...bare, zone: part.zone, code, share, ...liftedRegion(chart, here, tolerance, above) }];
    }),
  );
  const art = markings.flatMap((marking, rank) =>
    marking.places.flatMap((_, place): SkinPiece[] => {
      const on = onSkin(outline, marking, place);
      return (on?.fields ?? []).map(({ region, code }, i) => ({
        ...bare,
        zone: marking.zone,
        code,
        marking: marking.id,
        ...liftedRegion(on!.chart, region, tolerance, over * (1 + i + EACH * (rank % 10))),
      }));
    }),
  );
  const fitted = outline.solids.map((solid): SkinPiece => ({
    ...bare,
    zone: solid.zone,
    code: null,
    ...solidSkin(solid, tolerance),
  }));
  return [
    ...skin,
    ...soft,
    ...endsOf(outline),
    ...edgesOf(cells),
    ...baysOf(outline, tolerance, over),
    ...art,
    ...fitted,
  ].filter(({ index }) => index.length > 0);
}

function solidSkin(solid: Solid, tolerance: number): Lifted {
  const stations = solid.body.sections.map(({ x }) => x);
  return smooth(pointGrid((s, girth) => solidPoint(solid, s, girth), stations, [0, 90, 180, 270, 360], tolerance));
}

/** A mesh with the way it looks at each corner: the mean of its triangles there. */
function smooth({ positions, triangles }: Mesh): Lifted {
  const normals = new Float32Array(positions.length);
  for (let i = 0; i < triangles.length; i += 3) {
    const corners = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!];
    const [a, b, c] = corners.map((corner) => cornerAt(positions, corner)) as [Xyz, Xyz, Xyz];
    const n = cross(way(a, b), way(a, c));
    for (const corner of corners) n.forEach((value, k) => (normals[3 * corner + k]! += value));
  }
  for (let i = 0; i < normals.length; i += 3) {
    const length = Math.hypot(normals[i]!, normals[i + 1]!, normals[i + 2]!);
    // A corner of no triangle looks nowhere: anywhere is as good.
    if (length === 0) normals[i] = 1;
    else for (let k = 0; k < 3; k += 1) normals[i + k]! /= length;
  }
  return { positions: Float32Array.from(positions), normals, index: Uint32Array.from(triangles) };
}

/** Bays are openings of the underside that have no skin of their own: they lie where the view from below draws them. */
function baysOf({ drawings, regions, zones }: Outline, tolerance: number, over: number): SkinPiece[] {
  const bays = new Set(zones.filter(({ group }) => group === 'bays').map(({ key }) => key));
  const skins = new Map<Chart, Region>();
  for (const { chart, region, glass } of regions)
    if (chart.seen.lower && !glass) skins.set(chart, [...(skins.get(chart) ?? []), ...region]);
  return drawings.lower.shapes.flatMap(({ zone, points, chart: of }): SkinPiece[] => {
    if (of !== undefined || !bays.has(zone)) return [];
    return [...skins].flatMap(([chart, skin]): SkinPiece[] => {
      const drawn = laidOn(chart, [points], 'lower');
      const opened = chart.on.kind === 'body' ? intersection(drawn, [BELLY]) : drawn;
      const region = withoutSlivers(chart, intersection(opened, union(skin, [])));
      if (region.length === 0) return [];
      return [
        {
          zone,
          code: null,
          marking: null,
          share: 1,
          glass: false,
          ...liftedRegion(chart, region, tolerance, over * UNDER_ART),
        },
      ];
    });
  });
}
/** Where the skin of a body faces down: further up its sides no bay is open. */
const BELLY = rectangle(-100, 130, 500, 230);
/** Bays lie over the skin and under all that is laid on it, as a share of what that lies over it. */
const UNDER_ART = 0.6;

/** Ends of bodies are closed, so that nobody looks into them. */
function endsOf({ regions }: Outline): SkinPiece[] {
  const charts = new Map<Chart, string>();
  for (const { chart, zone, glass } of regions) if (!glass && !charts.has(chart)) charts.set(chart, zone);
  return [...charts].flatMap(([chart, zone]): SkinPiece[] => {
    const { on } = chart;
    if (on.kind !== 'body') return [];
    const { sections } = on.body;
    return [sections[0]!, sections.at(-1)!].flatMap(({ x, width, height }, end) =>
      width > 0 && height > 0
        ? [
            {
              zone: zoneAt(regions, chart, x, zone),
              code: null,
              marking: null,
              share: 1,
              glass: false,
              // Each looks out of its own end.
              ...fan(steps(0, 345, 23).map((step) => bodyPoint(on.body, x, end === 0 ? step : 345 - step))),
            },
          ]
        : [],
    );
  });
}

/** Just beside an edge, as a share of a step of its chart. */
const BESIDE = 1e-3;
/** Thinner than this, m, nothing has to be closed. */
const THIN = 1e-4;

/** Where the two faces of a wing or tail do not meet by themselves, as round its tip, they are joined in the middle between them, each half in the colour of its own face. */
function edgesOf(cells: readonly Cell[]): SkinPiece[] {
  const faces = new Map<Chart, Cell[]>();
  for (const cell of cells)
    if (cell.chart.on.kind === 'lifting' && (cell.share === 1 || cell.field === null))
      faces.set(cell.chart, [...(faces.get(cell.chart) ?? []), cell]);
  return [...faces].flatMap(([chart, own]) => {
    const isTurned = turnOf(chart) > 0;
    const isSkin = (point: Point) => own.some(({ region }) => isInRegion(point, region));
    return own.map(({ zone, code, region, glass }): SkinPiece => {
      const whole: Mesh = { positions: [], triangles: [] };
      for (const ring of region)
        ring.forEach((from, i) => {
          const to = ring[(i + 1) % ring.length]!;
          const [left, right] = [isSkin(beside(chart, from, to, 1)), isSkin(beside(chart, from, to, -1))];
          if (left !== right)
            addStrip(whole, chart, followed(chart, left === isTurned ? [from, to] : [to, from], false));
        });
      return { zone, code, marking: null, share: 1, glass, ...smooth(whole) };
    });
  });
}

/** A point just beside the middle of an edge. */
function beside({ step: [sp, sq] }: Chart, [p0, q0]: Point, [p1, q1]: Point, side: 1 | -1): Point {
  const [dp, dq] = [(p1 - p0) / sp, (q1 - q0) / sq];
  const length = Math.hypot(dp, dq) || 1;
  return [(p0 + p1) / 2 - (side * BESIDE * sp * dq) / length, (q0 + q1) / 2 + (side * BESIDE * sq * dp) / length];
}

/** From a face half-way to the other along a line of its chart. */
function addStrip({ positions, triangles }: Mesh, chart: Chart, line: readonly Point[]): void {
  const { of, face } = chart.on as Extract<Chart['on'], { kind: 'lifting' }>;
  const first = positions.length / 3;
  for (const [out, x] of line) {
    const share = out / of.semispan;
    const { x: front, chord } = chordAt(of, share);
    const t = chord > 0 ? Math.min(1, Math.max(0, (x - front) / chord)) : 0;
    const own = liftingPoint(of, face, share, t);
    positions.push(...own, ...onWay(own, liftingPoint(of, face === 1 ? -1 : 1, share, t), 0.5));
  }
  const isThick = (corner: number) => between(cornerAt(positions, corner), cornerAt(positions, corner + 1)) > THIN;
  line.slice(1).forEach((_, i) => {
    const [a, b] = [first + 2 * i, first + 2 * i + 2];
    if (isThick(a) || isThick(b)) triangles.push(a, a + 1, b, b, a + 1, b + 1);
  });
}

/** The zone at an end of a surface, of several the one that begins or ends there. */
const zoneAt = (regions: Outline['regions'], chart: Chart, x: number, otherwise: string): string =>
  regions.find(
    (own) => own.chart === chart && !own.glass && own.region.some((ring) => ring.some(([p]) => Math.abs(p - x) < 1e-6)),
  )?.zone ?? otherwise;

function fan(ring: readonly Xyz[]): Lifted {
  const middle = [0, 1, 2].map((k) => ring.reduce((sum, at) => sum + at[k]!, 0) / ring.length) as unknown as Xyz;
  const triangles = ring.flatMap((_, i) => [0, i + 1, ((i + 1) % ring.length) + 1]);
  return smooth({ positions: [...middle, ...ring.flat()], triangles });
}
