import { z } from 'zod';
import { choice, inOrder, instant, line, needed, number, prose } from '../fields';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { LAYER_KINDS, STEP_KINDS } from '@/core/work/kinds';

/** What was in the cup, as it was mixed: by name, since the catalogue may change while the model stands. */
export const mixedFields = z.strictObject({
  parts: z
    .array(z.strictObject({ label: needed('Paint'), drops: number('Drops').int().min(1).max(500) }))
    .min(1, 'Mixed: at least one paint')
    .max(8, 'Mixed: at most eight paints'),
  /** Parts of thinner to one of paint. */
  thinner: number('Thinner to paint').min(0).max(20),
});
export type Mixed = z.infer<typeof mixedFields>;

/** What was really done: enough of it to do the same again on the same zones, years later. */
export const logEntryFields = inOrder(
  z.strictObject({
    stepKey: line('Step', 120),
    stepKind: choice('Kind', ['', ...STEP_KINDS] as const).default(''),
    /** What it left on its zones; '' for nothing, null where an earlier house did not say. */
    what: choice('What it laid', ['', ...LAYER_KINDS] as const)
      .nullable()
      .default(null),
    /** How much of the work it was; null for all of it. */
    share: number('How far').min(0.01, 'How far: above 0 %').max(1, 'How far: at most 100 %').nullable().default(null),
    /** It stands for what the same step laid there before; without it, it is a coat more. */
    replaces: z.boolean().default(false),
    title: needed('What', 200),
    lane: line('Lane', 30),
    plannedMinutes: number('Planned').int().min(0).nullable(),
    actualMinutes: number('Minutes')
      .int('Minutes: a whole number')
      .min(1, 'Minutes: at least 1')
      .max(10_000, 'Minutes: at most 10 000'),
    startedAt: instant('Started'),
    endedAt: instant('Ended'),
    note: prose('Note', 1000),
    paint: line('Paint', 200),
    zones: z.array(needed('Zone', 60)).max(200, 'Zones: at most 200').default([]),
    code: line('Code', 60).default(''),
    chemistry: choice('Chemistry', ['', ...CHEMISTRY_NAMES] as const).default(''),
    mixed: mixedFields.nullable().default(null),
    ml: number('Millilitres')
      .min(0, 'Millilitres: never below 0')
      .max(1000, 'Millilitres: at most 1000')
      .nullable()
      .default(null),
    coats: number('Coats')
      .min(0.5, 'Coats: at least half a coat')
      .max(30, 'Coats: at most 30')
      .nullable()
      .default(null),
    tempC: number('Temperature')
      .min(-10, 'Temperature: from -10 °C')
      .max(50, 'Temperature: to 50 °C')
      .nullable()
      .default(null),
    humidity: number('Humidity').min(0, 'Humidity: from 0 %').max(100, 'Humidity: to 100 %').nullable().default(null),
    pictureId: z.string().max(64).nullable().default(null),
    /** Who did it; the builder himself where nobody is named. */
    who: line('Who', 60).default(''),
    /** As it was sprayed; null where it was not, or nobody looked. */
    sprayed: z
      .strictObject({
        pressureBar: number('Pressure').min(0.1, 'Pressure: at least 0.1 bar').max(6, 'Pressure: at most 6 bar'),
        needleMm: number('Needle').min(0.1, 'Needle: at least 0.1 mm').max(2, 'Needle: at most 2 mm'),
        distanceCm: number('Distance').min(1, 'Distance: at least 1 cm').max(60, 'Distance: at most 60 cm'),
      })
      .nullable()
      .default(null),
    /** It was done, and has to be done again: the record stays, the step is open. */
    again: z.boolean().default(false),
  }),
  'startedAt',
  'endedAt',
  'Ended: it ends before it starts',
);
