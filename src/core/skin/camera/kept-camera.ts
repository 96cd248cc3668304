import { z } from 'zod';

/** How a machine was laid over a picture, as it is kept with its source: what was set, from which the camera follows. */

const px = z.number().min(-1e6).max(1e6);
const mm = z.number().min(-1e7).max(1e7);

export const keptCameraSchema = z.strictObject({
  /** Of the picture, px. */
  width: z.number().int().min(1).max(100_000),
  height: z.number().int().min(1).max(100_000),
  points: z
    .array(
      z.strictObject({
        /** Which of the named places of a machine. */
        place: z.string().min(1).max(60),
        at: z.tuple([px, px]),
        /** Where the outline had it when it was set, mm. */
        xyz: z.tuple([mm, mm, mm]),
      }),
    )
    .max(60, 'Places: at most 60')
    .refine((points) => new Set(points.map(({ place }) => place)).size === points.length, 'Places: one is set twice'),
  /** Where somebody told it, px. */
  focalPx: z.number().positive('Focal length: above 0').max(1e7).nullable(),
  /** What is looked for besides: the middle of a cropped print, the bend of a lens. */
  free: z.array(z.enum(['principal', 'k1'])).max(2),
  /** Left and right are exchanged in the print. */
  isMirrored: z.boolean(),
  /** In the air, its gear up. */
  isFlying: z.boolean(),
});
export type KeptCamera = z.infer<typeof keptCameraSchema>;

/** Before any place is set. */
export const NOTHING_LAID = {
  points: [],
  focalPx: null,
  free: [],
  isMirrored: false,
  isFlying: false,
} satisfies Partial<KeptCamera>;
