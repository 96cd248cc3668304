import { steps, type Point } from '@/core/geometry/polygon';
import { girthOfHeight, type Body } from './body';
import { bodyChart, type Chart } from './chart';
import type { Dimensions } from './dimensions';
import type { SkinPart, ZoneRegion } from './parts';
import type { ZoneEdges } from './zone-edges';
import { sided, zoneOf, type Zone } from './zones';

interface Segment {
  key: string;
  title: string;
  /** First and last station as functions of the height share 0 (belly) .. 1 (spine), so that an edge can run obliquely. */
  from: (height: number) => number;
  to: (height: number) => number;
  /** Reaches down to the keel, or only to the underside. */
  whole: boolean;
}

/** Both sides are split alike: their zones are compared, however differently they are painted. */
/** `end` is where the body ends: on booms, well before the tail. */
function segmentsOf(d: Dimensions, end: number, edges: ZoneEdges): Segment[] {
  const rest = end - d.cowlLength;
  const wave = (at: number, slant: number) => (h: number) =>
    Math.min(
      end,
      Math.max(0, d.cowlLength + rest * at + d.fuselageHeight * (slant * (h - 0.5) + 0.14 * Math.sin(h * 2 * Math.PI))),
    );
  const first = wave(edges.forward, 0.75);
  const second = wave(edges.rear, -0.6);
  const cowlEnd = () => d.cowlLength;
  const segments: Segment[] = [
    { key: 'fuselage-forward', title: 'Forward fuselage', from: cowlEnd, to: first, whole: false },
    { key: 'fuselage-mid', title: 'Mid fuselage', from: first, to: second, whole: false },
    { key: 'fuselage-rear', title: 'Rear fuselage', from: second, to: () => end, whole: false },
  ];
  return d.cowlLength > 0
    ? [{ key: 'cowling', title: 'Cowling', from: () => 0, to: cowlEnd, whole: true }, ...segments]
    : segments;
}

/** Edges run straight up the skin in this many steps. */
const RISE = 12;

/** The fuselage: a body whose sides are cut into zones, with one underside for both. */
export function fuselagePart(body: Body, d: Dimensions, edges: ZoneEdges): SkinPart {
  const chart: Chart = bodyChart('fuselage', body, d.length);
  const regions: ZoneRegion[] = [];
  const zones: Zone[] = [];
  const { n } = body.sections[0]!;
  const end = body.sections.at(-1)!.x;
  const girth = (h: number) => girthOfHeight(n, 2 * h - 1);
  const low = girth(edges.underside);
  const zone = (key: string, title: string, side: Zone['side'], group: Zone['group']) =>
    zones.push(zoneOf(key, title, group, side));

  regions.push({
    zone: 'fuselage-lower',
    chart,
    region: [
      [
        [d.cowlLength, low],
        [end, low],
        [end, 360 - low],
        [d.cowlLength, 360 - low],
      ],
    ],
  });
  zone('fuselage-lower', 'Fuselage underside', 'both', 'fuselage');
  for (const side of ['port', 'starboard'] as const)
    for (const segment of segmentsOf(d, end, edges)) {
      const heights = steps(segment.whole ? 0 : edges.underside, 1, RISE);
      const at = (end: (h: number) => number, h: number): Point => [
        end(h),
        side === 'port' ? 360 - girth(h) : girth(h),
      ];
      regions.push({
        zone: sided(segment.key, side),
        chart,
        region: [[...heights.map((h) => at(segment.from, h)), ...[...heights].reverse().map((h) => at(segment.to, h))]],
      });
      zone(sided(segment.key, side), `${segment.title}, ${side}`, side, segment.whole ? 'engines' : 'fuselage');
    }
  const ring = (x: number): Point[] => [
    [x, 0],
    [x, 360],
  ];
  const lines =
    d.cowlLength > 0 ? [{ id: 'cowling joint', kind: 'panel' as const, chart, points: ring(d.cowlLength) }] : [];
  return { regions, lines, zones, level: 30 };
}
