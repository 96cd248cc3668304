import { z } from 'zod';
import { VIEWS } from '@/core/outline/zones';

/** Where a marking lies on the airframe. */
export const placeFields = z.strictObject({
  view: z.enum(VIEWS),
  /** Centre: metres aft of the nose, and up from the belly (side views) or to starboard (upper, lower). */
  station: z.number({ error: 'Station: a number is needed' }).min(-5).max(100),
  offset: z.number({ error: 'Offset: a number is needed' }).min(-50).max(50),
  turn: z.number({ error: 'Turn: a number is needed' }).min(-180).max(180),
  /** As in a mirror: artwork that faces the nose on both sides. */
  mirrored: z.boolean().default(false),
});
export type MarkingPlace = z.infer<typeof placeFields>;
