import { difference, grown, stroked, together, union, type Region } from '@/core/geometry/clip';
import { extentOf, rectangle, type Point, type Polygon } from '@/core/geometry/polygon';
import type { Figure, FigureFields } from './design';

/** One flat field of a marking in units of its height, y up, with the index of its colour. */
export interface Field {
  region: Region;
  colour: number;
}

const CIRCLE = 96;

const round = (radius: number, corners: number, first = 0): Point[] =>
  Array.from({ length: corners }, (_, i): Point => {
    const angle = first + (2 * Math.PI * i) / corners;
    return [radius * Math.sin(angle), radius * Math.cos(angle)];
  });

/** Each figure in a square of side 1 about the origin, before its breadth. */
const DRAWN: Record<Figure, (at: Pick<FigureFields, 'points' | 'inner'>) => Region> = {
  disc: () => [round(0.5, CIRCLE)],
  ring: ({ inner }) => [round(0.5, CIRCLE), round(inner / 2, CIRCLE).reverse()],
  square: () => [rectangle(-0.5, -0.5, 0.5, 0.5)],
  bar: () => [rectangle(-0.5, -0.5, 0.5, 0.5)],
  cross: ({ inner }) => {
    const a = inner / 2;
    return [
      [
        [-a, -0.5],
        [a, -0.5],
        [a, -a],
        [0.5, -a],
        [0.5, a],
        [a, a],
        [a, 0.5],
        [-a, 0.5],
        [-a, a],
        [-0.5, a],
        [-0.5, -a],
        [-a, -a],
      ],
    ];
  },
  diamond: () => [
    [
      [0, -0.5],
      [0.5, 0],
      [0, 0.5],
      [-0.5, 0],
    ],
  ],
  star: ({ points, inner }) => {
    const n = Math.max(3, points);
    const tips = round(0.5, n);
    const hollows = round(inner / 2, n, Math.PI / n);
    return [tips.flatMap((tip, i) => [tip, hollows[i]!])];
  },
  // A flat lies on top, as with a hexagon that is painted level.
  polygon: ({ points }) => [round(0.5, Math.max(3, points), Math.PI / Math.max(3, points))],
  quarter: ({ points }) => {
    const quarter = (points - 1) % 4;
    const start = (quarter * Math.PI) / 2;
    return [
      [
        [0, 0],
        ...Array.from({ length: 25 }, (_, i): Point => {
          const angle = start + (i * Math.PI) / 48;
          return [0.5 * Math.sin(angle), 0.5 * Math.cos(angle)];
        }),
      ],
    ];
  },
  flash: ({ inner }) => [
    [
      [-0.5, -0.5],
      [0.5 - inner, -0.5],
      [0.5, 0.5],
      [inner - 0.5, 0.5],
    ],
  ],
};

/** The fields of an insignia, the first laid first; a border lies under its figure. */
export function figureFieldsOf(figures: readonly FigureFields[]): Field[] {
  return figures.flatMap((given): Field[] => {
    const angle = (-given.turn * Math.PI) / 180;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const region = DRAWN[given.figure](given).map((ring) =>
      ring.map(([u, v]): Point => {
        const [x, y] = [u * given.size * given.aspect, v * given.size];
        return [given.x + x * cos - y * sin, given.y + x * sin + y * cos];
      }),
    );
    const field = { region, colour: given.colour };
    return given.border > 0
      ? [{ region: grown(region, given.border, 'sharp'), colour: given.borderColour }, field]
      : [field];
  });
}

/** The demo's invented service: a hexagon with an inner hexagon and an upright lozenge. */
export const HEXAGON: readonly FigureFields[] = [
  { figure: 'polygon', size: 1, colour: 0, turn: 0 },
  { figure: 'polygon', size: 0.84, colour: 1, turn: 0 },
  { figure: 'diamond', size: 0.6, aspect: 0.5, colour: 2, turn: 0 },
].map((given) => ({
  aspect: 1,
  points: 6,
  inner: 0.5,
  x: 0,
  y: 0,
  border: 0,
  borderColour: 0,
  ...given,
})) as FigureFields[];

/** A row of equal regions, each moved on by a step; rows downwards where they are full. */
export function repeated(region: Region, count: number, perRow: number, step: Point): Region {
  const columns = Math.min(count, perRow);
  const rows = Math.ceil(count / perRow);
  return Array.from({ length: count }, (_, i): Region => {
    const [column, row] = [i % perRow, Math.floor(i / perRow)];
    const [dx, dy] = [(column - (columns - 1) / 2) * step[0], ((rows - 1) / 2 - row) * step[1]];
    return region.map((ring) => ring.map(([x, y]): Point => [x + dx, y + dy]));
  }).flat();
}

/** A rectangle drawn with a line, as walkways are. */
export function framed(aspect: number, line: number): Region {
  const [w, h] = [aspect / 2, 0.5];
  return [rectangle(-w, -h, w, h), [...rectangle(-w + line, -h + line, w - line, h - line)].reverse()];
}

/** Bridges through letters, upright and in the middle of every closed ring, so that a stencil holds together. */
export function withBreaks(region: Region, breadth: number): Region {
  if (breadth <= 0) return region;
  const { left, right, top, bottom } = extentOf(region);
  const bridges = region.map((ring): Polygon => {
    const own = extentOf([ring]);
    const middle = (own.left + own.right) / 2;
    return rectangle(
      middle - breadth / 2,
      Math.max(top, own.top) - 1,
      middle + breadth / 2,
      Math.min(bottom, own.bottom) + 1,
    );
  });
  return left < right ? difference(region, together(bridges.map((bridge) => [bridge]))) : region;
}

/** Lines of a given thickness as one region. */
export const thickened = (lines: readonly Polygon[], thickness: number): Region =>
  union(stroked(lines, thickness, 'square'), []);
