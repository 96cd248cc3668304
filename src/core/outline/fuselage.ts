import { project, type Drawings } from './drawing';
import type { Dimensions } from './dimensions';
import { steps, type Point } from '@/core/geometry/polygon';
import type { Body } from './profile';
import type { Zone } from './zones';
import { sided } from './zones';

/** How far up a side the under-surface colour reaches, as a fraction of the local height. */
export const DEMARCATION = 0.3;
const SLICES = 44;

interface Segment {
  key: string;
  title: string;
  /** First and last station as functions of the height fraction 0 (belly) .. 1 (spine), so that an edge can run obliquely. */
  from: (height: number) => number;
  to: (height: number) => number;
  /** Reaches down to the keel, or only to the demarcation. */
  whole: boolean;
}

/** Both sides are split alike: their zones are compared, however differently they are painted. */
function segmentsOf(d: Dimensions): Segment[] {
  const rest = d.length - d.cowlLength;
  const wave = (at: number, slant: number) => (h: number) =>
    d.cowlLength + rest * at + d.fuselageHeight * (slant * (h - 0.5) + 0.14 * Math.sin(h * 2 * Math.PI));
  const first = wave(0.36, 0.75);
  const second = wave(0.66, -0.6);
  const nose = () => 0;
  const cowlEnd = () => d.cowlLength;
  const tail = () => d.length;
  const segments: Segment[] = [
    {
      key: 'fuselage-forward',
      title: 'Forward fuselage',
      from: d.cowlLength > 0 ? cowlEnd : nose,
      to: first,
      whole: false,
    },
    { key: 'fuselage-mid', title: 'Mid fuselage', from: first, to: second, whole: false },
    { key: 'fuselage-rear', title: 'Rear fuselage', from: second, to: tail, whole: false },
  ];
  return d.cowlLength > 0
    ? [{ key: 'cowling', title: 'Cowling', from: nose, to: cowlEnd, whole: true }, ...segments]
    : segments;
}

/** Adds the fuselage zones to all four views and returns them. */
export function drawFuselage(drawings: Drawings, body: Body, d: Dimensions): Zone[] {
  const zones: Zone[] = [];
  const start = d.cowlLength;
  const height = (x: number, h: number) => body.bottom(x) + h * (body.top(x) - body.bottom(x));

  const belly = steps(start, d.length, SLICES);
  for (const side of ['port', 'starboard'] as const) {
    const at = (x: number, z: number) => project(side, d.length, x, 0, z);
    drawings[side].shapes.push({
      zone: 'fuselage-lower',
      points: [
        ...belly.map((x) => at(x, height(x, DEMARCATION))),
        ...[...belly].reverse().map((x) => at(x, body.bottom(x))),
      ],
    });
  }
  const across = (view: 'upper' | 'lower', sign: number, x: number, share = 1) =>
    project(view, d.length, x, sign * share * body.halfWidth(x), 0);
  drawings.lower.shapes.push({
    zone: 'fuselage-lower',
    points: [...belly.map((x) => across('lower', 1, x)), ...[...belly].reverse().map((x) => across('lower', -1, x))],
  });
  zones.push({
    key: 'fuselage-lower',
    title: 'Fuselage underside',
    side: 'both',
    group: 'fuselage',
    closedBy: null,
    areaM2:
      girthArea(
        body,
        () => start,
        () => d.length,
        0,
        DEMARCATION,
      ) * 2,
  });

  for (const side of ['port', 'starboard'] as const) {
    const sign = side === 'port' ? -1 : 1;
    for (const segment of segmentsOf(d)) {
      const low = segment.whole ? 0 : DEMARCATION;
      const key = sided(segment.key, side);
      const edge = (end: (h: number) => number, downwards: boolean): Point[] => {
        const heights = steps(low, 1, 10);
        return (downwards ? heights.reverse() : heights).map((h) => clampedAt(end, h));
      };
      const clampedAt = (end: (h: number) => number, h: number): Point => {
        const x = Math.min(d.length, Math.max(0, end(h)));
        return project(side, d.length, x, 0, height(x, h));
      };
      const along = (h: number, reverse: boolean) => {
        const xs = steps(segment.from(h), segment.to(h), SLICES);
        return (reverse ? xs.reverse() : xs).map((x) => project(side, d.length, x, 0, height(x, h)));
      };
      drawings[side].shapes.push({
        zone: key,
        points: [...edge(segment.from, false), ...along(1, false), ...edge(segment.to, true), ...along(low, true)],
      });
      const top = steps(segment.from(1), segment.to(1), SLICES);
      drawings.upper.shapes.push({
        zone: key,
        points: [
          ...top.map((x) => across('upper', sign, x)),
          ...[...top].reverse().map((x) => across('upper', sign, x, 0)),
        ],
      });
      if (segment.whole) {
        const under = steps(0, d.cowlLength, SLICES);
        drawings.lower.shapes.push({
          zone: key,
          points: [
            ...under.map((x) => across('lower', sign, x)),
            ...[...under].reverse().map((x) => across('lower', sign, x, 0)),
          ],
        });
      }
      zones.push({
        key,
        title: `${segment.title}, ${side}`,
        side,
        group: segment.whole ? 'engines' : 'fuselage',
        closedBy: null,
        areaM2: girthArea(body, segment.from, segment.to, low, 1),
      });
    }
  }
  return zones;
}

/**
 * Skin area of one side between two edges, m2: the arc of the elliptical cross-section between two height fractions,
 * integrated over the stations by the midpoint rule.
 */
export function girthArea(
  body: Body,
  from: (h: number) => number,
  to: (h: number) => number,
  low: number,
  high: number,
): number {
  const arcs = 16;
  const slices = 36;
  let area = 0;
  // Angle from the keel: the height fraction is (1 - cos angle) / 2.
  const [first, last] = [Math.acos(1 - 2 * low), Math.acos(1 - 2 * high)];
  for (let i = 0; i < arcs; i += 1) {
    const angle = first + ((last - first) * (i + 0.5)) / arcs;
    const h = (1 - Math.cos(angle)) / 2;
    const [start, end] = [from(h), to(h)];
    for (let j = 0; j < slices; j += 1) {
      const x = start + ((end - start) * (j + 0.5)) / slices;
      const a = body.halfWidth(x);
      const b = (body.top(x) - body.bottom(x)) / 2;
      const arc = Math.hypot(a * Math.cos(angle), b * Math.sin(angle)) * ((last - first) / arcs);
      area += (arc * (end - start)) / slices;
    }
  }
  return area;
}
