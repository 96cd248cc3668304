import { z } from 'zod';

const share = (title: string, least: number, most: number) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(least, `${title}: at least ${least}`)
    .max(most, `${title}: at most ${most}`);

/** Where zones of one surface meet, as shares: they are names for places, and are pulled to where this machine's colours meet. */
export const zoneEdgesSchema = z
  .strictObject({
    /** How far up a side the underside reaches, of the height there. */
    underside: share('Underside up to', 0.05, 0.7),
    /** Where the forward fuselage ends and the rear one begins, of the length behind the cowling. */
    forward: share('Forward fuselage to', 0.05, 0.9),
    rear: share('Rear fuselage from', 0.1, 0.95),
    /** Where the outer wing begins, of the half span. */
    outer: share('Outer wing from', 0.15, 0.9),
  })
  .refine(({ forward, rear }) => rear - forward >= 0.05, {
    path: ['rear'],
    message: 'Rear fuselage from: it begins before the forward one ends',
  });
export type ZoneEdges = z.infer<typeof zoneEdgesSchema>;

export const ZONE_EDGES: ZoneEdges = { underside: 0.3, forward: 0.36, rear: 0.66, outer: 0.5 };
