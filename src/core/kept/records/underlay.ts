import { z } from 'zod';
import { choice, needed, number } from '../fields';
import { VIEWS } from '@/core/outline/zones';

/** One point of a picture (shares of its breadth and height) and what it shows (station and offset, m). */
const matched = z.strictObject({
  u: number('Point').min(-1, 'Point: it lies beside the picture').max(2, 'Point: it lies beside the picture'),
  v: number('Point').min(-1, 'Point: it lies beside the picture').max(2, 'Point: it lies beside the picture'),
  x: number('Station').min(-50).max(150),
  y: number('Offset').min(-50).max(50),
});

/** A drawing of one's own under a view: two known points give its place, its size and its slant. */
export const underlayFields = z
  .strictObject({ view: choice('View', VIEWS), pictureId: needed('Picture', 64), fromPoint: matched, toPoint: matched })
  .refine(
    ({ fromPoint: a, toPoint: b }) =>
      Math.hypot(a.u - b.u, a.v - b.v) > 1e-4 && Math.hypot(a.x - b.x, a.y - b.y) > 1e-3,
    { path: ['toPoint'], message: 'Known length: two points apart are needed, in the drawing and on the machine' },
  );
