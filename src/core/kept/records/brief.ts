import { z } from 'zod';
import { choice, day, line, needed, number, optionalDay, prose } from '../fields';
import { CLARITIES, SOURCE_KIND_NAMES } from '@/core/evidence/weights';
import { isChoice, ZONED_SCHOOLS } from '@/core/kit/options';
import { optionsSchema } from '@/core/kit/option-fields';
import { STORE_STATIONS } from '@/core/kit/stores';
import { isTimeZone } from '@/core/route/calendar';
import { TAKEABLE } from '@/core/laid/guard';

const weightNumber = (most: number) =>
  number('Weight').min(0, 'Weight: never below 0').max(most, `Weight: at most ${most}`);
/** How the sources of this brief are weighed where the builder does not follow the defaults. */
const weightChanges = z.strictObject({
  kind: z.partialRecord(z.enum(SOURCE_KIND_NAMES), weightNumber(10)),
  clarity: z.partialRecord(z.enum(CLARITIES), weightNumber(1)),
  unknownDate: weightNumber(1).optional(),
  decayDays: number('Days').min(1, 'Days: at least one').max(100_000).optional(),
});

/** A display rod: its angle to the base, and what it goes through. */
const rodFields = z.strictObject({
  angleDeg: number('Angle').min(5, 'Angle: from 5°').max(90, 'Angle: to 90°'),
  heightMm: number('Height of the socket').min(1, 'Height: at least 1 mm').max(2000, 'Height: at most 2 m'),
  baseMm: number('Thickness of the base').min(0, 'Base: never below 0').max(300, 'Base: at most 300 mm'),
  socketMm: number('Depth of the socket').min(0, 'Socket: never below 0').max(200, 'Socket: at most 200 mm'),
});

export const briefFields = z.strictObject({
  /** What the builder calls it; '' for what stands on the machine. */
  title: line('Name of the brief', 80).default(''),
  kitMaker: line('Kit maker'),
  kitNumber: line('Kit number', 40),
  denominator: number('Scale').min(4, 'Scale: from 1/4').max(700, 'Scale: to 1/700'),
  options: optionsSchema,
  timeZone: z.string().refine(isTimeZone, 'Time zone: no known IANA zone'),
  tempC: number('Temperature').min(5, 'Temperature: from 5 °C').max(40, 'Temperature: to 40 °C'),
  humidity: number('Humidity').min(10, 'Humidity: from 10 %').max(95, 'Humidity: to 95 %'),
  /** A build that begins outside of these years is a typing error, and every session since would have to be planned. */
  startOn: day('Begins').refine(
    (on) => on >= '2000-01-01' && on <= '2099-12-31',
    'Begins: a day from 2000 to 2099 is needed',
  ),
  notes: prose('Notes', 2000),
  weights: weightChanges,
  boughtOn: optionalDay('Kit bought').default(null),
  /** Steps of the rules that are left out, because nobody will see their work. */
  leftOut: z.array(needed('Left out', 120)).max(100).default([]),
  /** What hangs where; none where nobody said. */
  storesAt: z
    .array(z.strictObject({ station: choice('Station', STORE_STATIONS), carries: needed('Carries', 60) }))
    .max(STORE_STATIONS.length)
    .refine((list) => new Set(list.map(({ station }) => station)).size === list.length, 'Stores: one at each station')
    .default([]),
  rod: rodFields.nullable().default(null),
  /** Colours in the order of spraying that was chosen; empty for that of least masking. */
  maskOrder: z.array(needed('Colour code', 60)).max(40).default([]),
  /** Where some zones are done by another school than the rest; of two that name a zone, the later holds. */
  schoolsAt: z
    .array(
      z
        .strictObject({
          school: choice('School', ZONED_SCHOOLS),
          value: needed('Choice', 40),
          zones: z.array(needed('Zone', 60)).min(1, 'Zones: at least one').max(80, 'Zones: at most 80'),
        })
        .refine(({ school, value }) => isChoice(school, value), {
          path: ['value'],
          message: 'Choice: this school has none such',
        }),
    )
    .max(20, 'Schools by zones: at most twenty')
    .default([]),
  /** What is done where the chemistry of one step attacks what another laid. */
  remedies: z
    .array(
      z.strictObject({
        over: needed('Step', 200),
        under: needed('Step', 200),
        remedy: choice('Remedy', TAKEABLE),
      }),
    )
    .max(200)
    .default([]),
});
