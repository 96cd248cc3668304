import { z } from 'zod';
import { LANES, STEP_KINDS } from '@/core/work/kinds';
import type { RouteEdit } from '@/core/route/edits';
import { choice, needed, number } from '../fields';

const step = needed('Step', 200);
const title = needed('Title', 200);
const minutes = number('Minutes')
  .int('Minutes: whole ones')
  .min(1, 'Minutes: at least 1')
  .max(600, 'Minutes: at most 600');
const others = z.array(step).max(20, 'At most 20 steps');

const edit: z.ZodType<RouteEdit> = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('add'),
    key: z.string().regex(/^own:[\w-]{1,60}$/, 'Step: a key of its own is needed'),
    title,
    work: choice('Kind of work', STEP_KINDS),
    lane: choice('Lane', LANES),
    minutes,
    after: others,
    before: others,
  }),
  z.strictObject({ kind: z.literal('change'), step, title: title.nullable(), minutes: minutes.nullable() }),
  z.strictObject({ kind: z.literal('off'), step }),
  z.strictObject({
    kind: z.literal('split'),
    step,
    parts: z.array(z.strictObject({ title, minutes })).min(2, 'Split: at least two parts').max(6, 'Split: at most six'),
  }),
  z.strictObject({
    kind: z.literal('merge'),
    steps: z.tuple([step, step]).refine(([a, b]) => a !== b, 'Merge: two different steps'),
    title,
  }),
  z.strictObject({
    kind: z.literal('order'),
    first: step,
    then: step,
    wait: number('Wait').int().min(0, 'Wait: never below 0').max(100_000, 'Wait: at most 69 days'),
  }),
  z.strictObject({
    kind: z.literal('renew'),
    step,
    times: number('Times').int().min(1, 'Times: at least once').max(10, 'Times: at most ten'),
  }),
]);

/** One change of the builder to the route; they are made in the order of their ranks. */
export const routeEditFields = z.strictObject({ rank: z.number().int().min(0).max(100_000), edit });
