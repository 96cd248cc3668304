import { intersection } from '@/core/geometry/clip';
import { steps, type Point, type Polygon } from '@/core/geometry/polygon';
import type { Body, Xyz } from './body';
import { followed } from './chart';
import type { Dimensions } from './dimensions';
import type { ViewDrawing } from './drawing';
import type { SkinPart, ZoneRegion } from './parts';
import { silhouette } from './solid';

/** The airframe from ahead, nose on: starboard is on the left, as one stands before it. What is behind is drawn first. */
export function drawFront(parts: readonly SkinPart[], d: Dimensions): ViewDrawing {
  const shapes = [...parts]
    .sort((one, other) => frontLevel(one) - frontLevel(other))
    .flatMap(({ regions, solids = [] }) => [
      ...regions.flatMap((part) => facing(part).map((points) => ({ ...keyOf(part), points }))),
      ...solids.map((solid) => ({ zone: solid.zone, points: silhouette(solid, ahead) })),
    ]);
  const r = d.propellerDiameter / 2;
  const hub = parts.flatMap(({ regions }) => regions).find(({ zone }) => zone === 'spinner');
  const discs: Point[] = [];
  if (r > 0 && hub?.chart.on.kind === 'body') discs.push([0, hub.chart.on.body.sections[0]!.z]);
  if (r > 0 && d.engineSpacing > 0) for (const y of [-1, 1]) discs.push([y * d.engineSpacing, d.wingHeight]);
  return {
    shapes,
    lines: discs.map(([y, z]) => ({
      weight: 'fine',
      points: steps(0, 360, 48).map((deg): Point => {
        const a = (deg * Math.PI) / 180;
        return [-y + r * Math.cos(a), -z + r * Math.sin(a)];
      }),
    })),
  };
}

/** Seen from ahead, starboard on the left. */
const ahead = ([, y, z]: Xyz): Point => [-y, -z];

const keyOf = ({ zone, glass }: ZoneRegion) => (glass ? { zone, glass } : { zone });

/** Fin and tail lie behind the wing, glass behind the nose, all else as it is drawn elsewhere. */
function frontLevel({ level, zones, regions }: SkinPart): number {
  const group = zones[0]?.group;
  if (group === 'tail') return 5;
  if (group === 'glazing') return regions.some(({ chart }) => chart.id === 'fuselage') ? 31 : 28;
  return level === 40 || level === 20 ? 20 : level;
}

function facing({ chart, region }: ZoneRegion): Polygon[] {
  if (chart.on.kind === 'body') {
    const fullest = widest(chart.on.body);
    const first = chart.on.body.sections[0]!.x;
    const cap = steps(0, 360, 36).map((girth) => ahead(chart.at([first, girth])));
    const isFirst = region.some((ring) => ring.some(([x]) => x === first));
    return [
      ...intersection(region, [
        [
          [first, 0],
          [fullest, 0],
          [fullest, 360],
          [first, 360],
        ],
      ]).map((ring) => followed(chart, ring, true).map((point) => ahead(chart.at(point)))),
      ...(isFirst ? [cap] : []),
    ];
  }
  const { of } = chart.on;
  const outs = region.flat().map(([out]) => out);
  const [from, end] = [Math.max(0, Math.min(...outs)), Math.min(of.semispan, Math.max(...outs))];
  // The thickest of the section, and its middle line, along the span.
  const along = steps(from, end, 10);
  const surface = along.map((out) => ahead(chart.at([out, midChord(of, out)])));
  const other = along.map((out) => ahead(middle(of, out)));
  return [[...surface, ...other.reverse()]];
}

const share = (of: { semispan: number }, out: number) => out / of.semispan;
const midChord = (
  of: { root: { x: number; chord: number }; tip: { x: number; chord: number }; semispan: number },
  out: number,
) => {
  const s = share(of, out);
  const root = of.root.x + of.root.chord / 2;
  return root + s * (of.tip.x + of.tip.chord / 2 - root);
};
const middle = (
  of: { side: 1 | -1; y: number; z: number; dihedralDeg: number; upright: boolean },
  out: number,
): readonly [number, number, number] =>
  of.upright
    ? [0, of.y, of.z + of.side * out]
    : [0, of.y + of.side * out, of.z + out * Math.tan((of.dihedralDeg * Math.PI) / 180)];

/** The station of the largest section: what lies behind is hidden from ahead. */
const widest = ({ sections }: Body): number =>
  sections.reduce((best, one) => (one.width * one.height > best.width * best.height ? one : best)).x;
