import { z } from 'zod';
import { faultOf } from '@/core/geometry/simple';
import { VIEWS } from '@/core/outline/zones';
import { BAND_ON, type FieldShape } from './field';

/** A field's shape as it is checked: where it is drawn, and that it is one. */

const metres = (title: string) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(-50, `${title}: too far out`)
    .max(400, `${title}: too far out`);

const cornerFields = z.strictObject({
  x: metres('Station'),
  y: metres('Offset'),
  on: z
    .strictObject({ marking: z.string().min(1).max(60), place: z.number().int().min(0).max(40) })
    .nullable()
    .default(null),
});
const view = z.enum(VIEWS, { error: 'Seen from: one of the four views' });
const MOST_CORNERS = 400;
const corners = (least: number, says: string) =>
  z.array(cornerFields).min(least, says).max(MOST_CORNERS, `Corners: at most ${MOST_CORNERS}`);
const closed = corners(3, 'Corners: an area needs at least three').superRefine((list, context) => {
  // Corners that hang on markings lie where those lie: only what stands by itself is checked here.
  const fault = list.every(({ on }) => on === null) ? faultOf(list.map(({ x, y }) => [x, y] as const)) : null;
  if (fault) context.addIssue({ code: 'custom', message: `Area: ${fault}` });
});

export const fieldShape = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('area'), view, corners: closed, smooth: z.boolean() }),
  z.strictObject({
    kind: z.literal('height'),
    view: z.enum(['port', 'starboard'], { error: 'Seen from: a side view' }),
    corners: corners(2, 'Line: it needs at least two points'),
    smooth: z.boolean(),
    covers: z.enum(['below', 'above']),
  }),
  z
    .strictObject({ kind: z.literal('band'), on: z.enum(BAND_ON), from: metres('From'), to: metres('To') })
    .refine(({ from, to }) => to > from, { path: ['to'], message: 'To: it ends before it begins' }),
  z.strictObject({ kind: z.literal('zones'), zones: z.array(z.string().min(1).max(60)).min(1, 'Zones: at least one') }),
  z.strictObject({
    kind: z.literal('mottle'),
    view,
    corners: closed,
    smooth: z.boolean(),
    density: z.number().min(0.05, 'Density: at least 5 %').max(0.9, 'Density: at most 90 %'),
    by: z.enum(['freehand', 'stencil']).default('freehand'),
    blotchMm: z.number().min(20, 'Blotch: at least 20 mm').max(3000, 'Blotch: at most 3 m'),
  }),
]) satisfies z.ZodType<FieldShape, unknown>;
