import { onSkin, schemeOn, type PlaceableMarking } from '@/core/markings/placing';
import { bodyPoint, type Xyz } from '@/core/outline/body';
import type { Chart } from '@/core/outline/chart';
import { liftingPoint } from '@/core/outline/lifting';
import { buildOutline, type Outline, type OutlineSpec } from '@/core/outline/outline';
import { solidPoint, type Solid } from '@/core/outline/solid';
import { cross, way } from '@/core/outline/space';
import { cellsOf } from '@/core/scheme/cells';
import type { SchemeField } from '@/core/scheme/field';
import { steps } from '@/core/geometry/polygon';
import { pointGrid } from './grid';
import { cornerAt, type Mesh } from './mesh';
import { liftedRegion, type Lifted } from './lift';

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
const TOLERANCE_MODEL_MM = 0.05;
/** Paint over paint is drawn so far over it, mm on the model: more than two sets of triangles may differ, less than an eye sees. */
const OVER_MODEL_MM = 2 * TOLERANCE_MODEL_MM;
/** Markings that lie over one another are told apart by so much of that each. */
const EACH = 0.2;

export function skinOf({ spec, denominator, fields, markings }: MachineToSkin): SkinPiece[] {
  const outline = buildOutline(spec);
  const tolerance = (TOLERANCE_MODEL_MM * denominator) / 1000;
  const over = (OVER_MODEL_MM * denominator) / 1000;
  const painted = schemeOn(outline, fields, markings);
  const bare = { marking: null, share: 1, glass: false };
  const skin = cellsOf(outline, () => null, painted).map(
    ({ zone, chart, region, code, share, glass, field }): SkinPiece => ({
      ...bare,
      zone,
      code,
      glass,
      // What blotches lie on is there whole, and they over it.
      share: field === null ? 1 : share,
      ...liftedRegion(chart, region, tolerance, share < 1 && field !== null ? over : 0),
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
  return [...skin, ...endsOf(outline), ...art, ...fitted].filter(({ index }) => index.length > 0);
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
    const length = Math.hypot(normals[i]!, normals[i + 1]!, normals[i + 2]!) || 1;
    for (let k = 0; k < 3; k += 1) normals[i + k]! /= length;
  }
  return { positions: Float32Array.from(positions), normals, index: Uint32Array.from(triangles) };
}

/** Ends of bodies and tips of wings are closed, so that nobody looks into them. */
function endsOf({ regions }: Outline): SkinPiece[] {
  const charts = new Map<Chart, string>();
  for (const { chart, zone, glass } of regions) if (!glass && !charts.has(chart)) charts.set(chart, zone);
  return [...charts].flatMap(([chart, zone]): SkinPiece[] => {
    const closed = (ring: Xyz[], zoneOf: string): SkinPiece => ({
      zone: zoneOf,
      code: null,
      marking: null,
      share: 1,
      glass: false,
      ...fan(ring),
    });
    const { on } = chart;
    if (on.kind === 'lifting') {
      if (on.face < 0) return [];
      const round = steps(0, 1, 12);
      const tip = zoneAt(regions, chart, on.of.semispan, zone);
      return [
        closed(
          [
            ...round.map((t) => liftingPoint(on.of, 1, 1, t)),
            ...[...round].reverse().map((t) => liftingPoint(on.of, -1, 1, t)),
          ],
          tip,
        ),
      ];
    }
    const { sections } = on.body;
    return [sections[0]!, sections.at(-1)!].flatMap(({ x, width, height }) =>
      width > 0 && height > 0
        ? [
            closed(
              steps(0, 345, 23).map((girth) => bodyPoint(on.body, x, girth)),
              zoneAt(regions, chart, x, zone),
            ),
          ]
        : [],
    );
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
