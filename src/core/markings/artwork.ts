import { simplified } from '@/core/geometry/clip';
import { extentOf, type Point } from '@/core/geometry/polygon';
import { DrawingFault, type DrawnShape } from '@/core/geometry/svg-paths';
import { MOST_COLOURS, type Design } from './design';

const MOST_POINTS = 5500;
const round = (value: number) => Math.round(value * 10_000) / 10_000;

/** A drawing as artwork: own curves about its middle in units of its height, y up, with a colour for each fill that it had. */
export function artworkOf(shapes: readonly DrawnShape[]): {
  artwork: Design['artwork'];
  aspect: number;
  fills: string[];
} {
  const { left, right, top, bottom } = extentOf(shapes.flatMap(({ rings }) => rings));
  const [width, height] = [right - left, bottom - top];
  if (!(height > 0) || !(width > 0)) throw new DrawingFault('The drawing has no size.');
  const fills = [...new Set(shapes.map(({ fill }) => fill ?? 'black'))];
  if (fills.length > MOST_COLOURS)
    throw new DrawingFault(
      `The drawing has ${fills.length} colours: at most ${MOST_COLOURS} can be painted as one marking.`,
    );
  const unit = shapes.map(({ rings, fill }) => ({
    colour: fills.indexOf(fill ?? 'black'),
    rings: rings.map((ring) =>
      ring.map(([x, y]): Point => [(x - (left + right) / 2) / height, ((top + bottom) / 2 - y) / height]),
    ),
  }));
  for (let tolerance = 0.0004; tolerance < 0.05; tolerance *= 2) {
    const artwork = unit
      .map(({ colour, rings }) => ({
        colour,
        rings: simplified(rings, tolerance)
          .filter((ring) => ring.length > 2)
          .map((ring) => ring.map(([x, y]): [number, number] => [round(x), round(y)])),
      }))
      .filter(({ rings }) => rings.length > 0);
    if (artwork.length <= 60 && artwork.every(({ rings }) => rings.length <= 400 && rings.flat().length <= MOST_POINTS))
      return { artwork, aspect: round(width / height), fills };
  }
  throw new DrawingFault('The drawing is too fine to be painted: simplify it first.');
}
