import { z } from 'zod';
import { day, line, number } from '../fields';
import { CLARITIES, SOURCE_KIND_NAMES } from '@/core/evidence/weights';
import { optionsSchema } from '@/core/kit/options';
import { isTimeZone } from '@/core/route/calendar';

const weightNumber = (most: number) =>
  number('Weight').min(0, 'Weight: never below 0').max(most, `Weight: at most ${most}`);
/** How the sources of this brief are weighed where the builder does not follow the defaults. */
export const weightChanges = z.strictObject({
  kind: z.partialRecord(z.enum(SOURCE_KIND_NAMES), weightNumber(10)),
  clarity: z.partialRecord(z.enum(CLARITIES), weightNumber(1)),
  unknownDate: weightNumber(1).optional(),
  decayDays: number('Days').min(1, 'Days: at least one').max(100_000).optional(),
});

export const briefFields = z.strictObject({
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
  notes: line('Notes', 2000),
  weights: weightChanges,
});
