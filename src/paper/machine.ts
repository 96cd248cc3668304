import { typeOf } from '@/core/kept/state';
import type { Fields } from '@/core/kept/records';
import { windowInWords } from '@/ui/dates';

/** The line under a paper's title: type, unit, place and the days it shows. */
export const machineInWords = (airframe: Fields<'airframe'>): string =>
  [typeOf(airframe), airframe.unit, airframe.place, windowInWords(airframe.targetFrom, airframe.targetTo)]
    .filter(Boolean)
    .join(' · ');
