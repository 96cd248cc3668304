import { z } from 'zod';
import { faultOf } from '@/core/geometry/simple';
import { VIEWS } from '@/core/outline/zones';

/** A field of the scheme: an area of one colour, drawn in a view and laid on the surface, over what lies there already. */

const metres = (title: string) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(-50, `${title}: too far out`)
    .max(400, `${title}: too far out`);

/**
 * A corner as it is drawn: station in m aft of the nose, offset in m up from the belly (side views) or to starboard (from above and below).
 * One that hangs on a marking keeps its distance from it when that is moved.
 */
const cornerFields = z.strictObject({
  x: metres('Station'),
  y: metres('Offset'),
  on: z
    .strictObject({ marking: z.string().min(1).max(60), place: z.number().int().min(0).max(40) })
    .nullable()
    .default(null),
});
export type Corner = z.infer<typeof cornerFields>;

const view = z.enum(VIEWS, { error: 'Seen from: one of the four views' });
const MOST_CORNERS = 400;
const corners = (least: number, says: string) =>
  z.array(cornerFields).min(least, says).max(MOST_CORNERS, `Corners: at most ${MOST_CORNERS}`);
const closed = corners(3, 'Corners: an area needs at least three').superRefine((list, context) => {
  // Corners that hang on markings lie where those lie: only what stands by itself is checked here.
  const fault = list.every(({ on }) => on === null) ? faultOf(list.map(({ x, y }) => [x, y] as const)) : null;
  if (fault) context.addIssue({ code: 'custom', message: `Area: ${fault}` });
});

export const BAND_ON = ['fuselage', 'wings', 'tailplane', 'fin'] as const;

export const fieldShape = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('area'), view, corners: closed, smooth: z.boolean() }),
  /** All below a line (or above it), right round the keel (or the spine). */
  z.strictObject({
    kind: z.literal('height'),
    view: z.enum(['port', 'starboard'], { error: 'Seen from: a side view' }),
    corners: corners(2, 'Line: it needs at least two points'),
    smooth: z.boolean(),
    covers: z.enum(['below', 'above']),
  }),
  /** Right round the fuselage between two stations, or along the chord between two distances from the centre line. */
  z
    .strictObject({ kind: z.literal('band'), on: z.enum(BAND_ON), from: metres('From'), to: metres('To') })
    .refine(({ from, to }) => to > from, { path: ['to'], message: 'To: it ends before it begins' }),
  /** Whole zones in a tone of their own. */
  z.strictObject({ kind: z.literal('zones'), zones: z.array(z.string().min(1).max(60)).min(1, 'Zones: at least one') }),
  z.strictObject({
    kind: z.literal('mottle'),
    view,
    corners: closed,
    smooth: z.boolean(),
    /** Share of the area that the blotches cover. */
    density: z.number().min(0.05, 'Density: at least 5 %').max(0.9, 'Density: at most 90 %'),
    /** Freehand at close range, or through holes in a card that is held off the skin. */
    by: z.enum(['freehand', 'stencil']).default('freehand'),
    blotchMm: z.number().min(20, 'Blotch: at least 20 mm').max(3000, 'Blotch: at most 3 m'),
  }),
]);
export type FieldShape = z.infer<typeof fieldShape>;

export const FIELD_EDGES = ['hard', 'soft'] as const;

/** What a field is unless somebody says otherwise. */
export const PLAIN_FIELD = { mirrored: false, keptTo: [] as string[], edge: 'hard', softMm: 0 } as const;

/** What the computation needs of a field. */
export interface SchemeField {
  id: string;
  title: string;
  /** Colour code, as it is called. */
  code: string;
  shape: FieldShape;
  /** On the other side too, as in a mirror. */
  mirrored: boolean;
  /** Only on these zones; everywhere where none is named. */
  keptTo: readonly string[];
  edge: (typeof FIELD_EDGES)[number];
  /** Width of a soft edge, mm in reality. */
  softMm: number;
  /** Later ones lie over earlier ones. */
  rank: number;
}

/** Where a marking lies, for corners that hang on it. */
export type PlaceOf = (marking: string, place: number) => { x: number; y: number } | null;

/** Corners as they lie now: those that hang on a marking at their distance from it. */
export const cornersNow = (
  corners: readonly (Corner & { from?: { x: number; y: number } })[],
  placeOf: PlaceOf,
): [number, number][] =>
  corners.map(({ x, y, on }) => {
    const at = on && placeOf(on.marking, on.place);
    return at ? [at.x + x, at.y + y] : [x, y];
  });
