import { z } from 'zod';
import { choice, line, needed, number } from '../fields';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';

const waitMinutes = (title: string) =>
  number(title)
    .int(`${title}: whole minutes`)
    .min(1, `${title}: at least a minute`)
    .max(20_000, `${title}: at most two weeks`)
    .nullable();
/** A line of paints: what is empty follows from its chemistry. */
export const paintLineFields = z.strictObject({
  name: needed('Line', 40),
  chemistry: choice('Chemistry', CHEMISTRY_NAMES),
  thinner: line('Thinner', 60).default(''),
  thinRatio: number('Thinner to paint')
    .min(0, 'Thinner to paint: never below 0')
    .max(20, 'Thinner to paint: at most 20 to 1')
    .nullable()
    .default(null),
  recoatMin: waitMinutes('Recoat').default(null),
  maskMin: waitMinutes('Mask').default(null),
  cureMin: waitMinutes('Cured').default(null),
});
