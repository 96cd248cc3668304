import { z } from 'zod';
import type { ZoneEdges } from './zone-edges';

const share = (title: string, least: number, most: number) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(least, `${title}: at least ${least}`)
    .max(most, `${title}: at most ${most}`);

export const zoneEdgesSchema = z
  .strictObject({
    underside: share('Underside up to', 0.05, 0.7),
    forward: share('Forward fuselage to', 0.05, 0.9),
    rear: share('Rear fuselage from', 0.1, 0.95),
    outer: share('Outer wing from', 0.15, 0.9),
  })
  .refine(({ forward, rear }) => rear - forward >= 0.05, {
    path: ['rear'],
    message: 'Rear fuselage from: it begins before the forward one ends',
  }) satisfies z.ZodType<ZoneEdges>;
