import { z } from 'zod';
import { faultOf } from '@/core/geometry/simple';
import { finite } from './contract';

/** Values that the pages about geometry share. Lengths in mm on the real machine. */

/** So far out no aircraft reaches, and sums stay exact. */
const FURTHEST = 1e7;
export const coordinate = finite.min(-FURTHEST, 'lies too far out').max(FURTHEST, 'lies too far out');
export const size = finite.min(0, 'must not be negative').max(FURTHEST, 'is too large');
export const above0 = finite.gt(0, 'must be above 0').max(FURTHEST, 'is too large');
export const denominator = finite.min(1, 'must be at least 1').max(1e4, 'must be at most 10000');

export const point = z.tuple([coordinate, coordinate], { error: 'must be a point [x, y]' });
export const points = z.array(point, { error: 'must be a list of points [x, y]' });

/** Corners of one shape are compared with each other. */
const MOST_CORNERS = 5000;
/** A simple polygon with an area. */
export const shape = points
  .max(MOST_CORNERS, `has more than ${MOST_CORNERS} points`)
  .superRefine((polygon, context) => {
    const fault = faultOf(polygon);
    if (fault) context.addIssue({ code: 'custom', message: fault });
  });

/** Where a half of a wing or a fin stands, beside its own shape. */
export const placed = {
  side: z.union([z.literal(1), z.literal(-1)], { error: 'must be 1 or -1' }).default(1),
  y: coordinate.default(0),
  z: coordinate.default(0),
  upright: z.boolean({ error: 'must be true or false' }).default(false),
};

export const section = z.strictObject(
  {
    x: coordinate,
    width: size,
    height: size,
    z: coordinate.default(0),
    n: finite.min(0.5, 'must be at least 0.5').max(100, 'must be at most 100').default(2),
  },
  { error: 'must be a station with x, width and height' },
);

export const body = z
  .strictObject(
    {
      id: z.string({ error: 'must be text' }).min(1, 'must not be empty').optional(),
      stations: z
        .array(section, { error: 'must be a list of stations' })
        .min(2, 'needs at least two stations')
        .max(1000),
    },
    { error: 'must be a body with stations' },
  )
  .superRefine(({ stations }, context) => {
    stations.forEach(({ x }, i) => {
      if (i > 0 && x <= stations[i - 1]!.x)
        context.addIssue({
          code: 'custom',
          path: ['stations', i, 'x'],
          message: 'must lie aft of the station before it',
        });
    });
    if (stations.every(({ width, height }) => width === 0 && height === 0))
      context.addIssue({ code: 'custom', path: ['stations'], message: 'no station has a size' });
  });

/** A body of the page as the core has it. */
export const bodyOfInput = ({ stations }: z.infer<typeof body>) => ({ y: 0, sections: stations });
