import { z } from 'zod';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { PAINT_KINDS } from '@/core/paint/catalogue';
import { LANES, LAYER_KINDS, STEP_KINDS } from '@/core/work/kinds';
import type { WorkRun } from '@/core/route/runs';
import { choice, line, needed, number, prose } from '../fields';
import { mixedFields } from './log-entry';

const key = needed('Step', 200);
const zones = z.array(needed('Zone', 60)).max(200, 'Zones: at most 200');
const wait = number('Wait')
  .int('Wait: whole minutes')
  .min(0, 'Wait: never below 0')
  .max(100_000, 'Wait: at most 69 days');

const runStep = z.strictObject({
  key: z.string().regex(/^(rework|technique|weather):[\w-]{1,60}:\d{1,3}$/, 'Step: a key of its own is needed'),
  title: needed('Title', 200),
  kind: choice('Kind of work', STEP_KINDS),
  lane: choice('Lane', LANES),
  minutes: number('Minutes')
    .int('Minutes: whole ones')
    .min(1, 'Minutes: at least 1')
    .max(2000, 'Minutes: at most 2000'),
  zones,
  afterMin: wait,
  afterMost: wait.nullable(),
  because: prose('Why', 500),
  lays: z
    .strictObject({
      what: choice('What it lays', LAYER_KINDS),
      chemistry: choice('Chemistry', CHEMISTRY_NAMES),
      code: needed('Code', 60).nullable(),
      paint: line('Paint', 200),
      coats: number('Coats').min(0.5, 'Coats: at least half a coat').max(30, 'Coats: at most 30'),
    })
    .nullable(),
  load: z
    .strictObject({
      id: needed('Filling', 200),
      title: needed('Filling', 200),
      kind: choice('Kind of paint', PAINT_KINDS),
      lightness: number('Lightness').min(0).max(100),
    })
    .nullable(),
  mixed: mixedFields.nullable(),
  cautions: z.array(needed('Caution', 300)).max(10),
  again: key.nullable().optional(),
});

/** Work that was added to the route at once, as it was when it was taken on. */
export const runFields: z.ZodType<WorkRun> = z.strictObject({
  steps: z.array(runStep).min(1, 'A run of work: at least one step').max(60, 'A run of work: at most 60 steps'),
  lost: z.array(z.strictObject({ step: key, zones })).max(500),
  after: z.array(key).max(300),
  before: z.array(key).max(300),
  instead: z.array(key).max(60).optional(),
});

/** A technique, or a plan of weathering, taken into the route of a brief. */
export const workRunFields = z.strictObject({
  origin: choice('Origin', ['technique', 'weathering'] as const),
  title: needed('Title', 120),
  zones,
  run: runFields,
});
