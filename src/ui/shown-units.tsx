'use client';

import { createContext, useContext, useMemo } from 'react';
import {
  inShownUnits,
  measureAsTyped,
  measureInWords,
  readShown,
  unitShown,
  withUnit,
  type KeptUnit,
  type ShownUnits,
} from '@/core/units/shown';

/** The units in which the house shows its measures. */
export const ShownUnitsContext = createContext<ShownUnits>('metric');

/** Measures as the house shows and reads them; `unit` is always the one in which they are kept. */
export interface Measures {
  units: ShownUnits;
  /** A sentence that was made here with its measures in the units of the house. What came with the page has them already. */
  shown: (sentence: string) => string;
  /** What stands in a field. */
  asTyped: (value: number | string, unit: string) => string;
  /** What was typed into it; null for what is no such measure. */
  read: (text: string, unit: string) => number | null;
  /** The unit beside its label. */
  unit: (unit: string) => string;
  /** What was typed as text, with the unit of the house where it names none. */
  withUnit: (text: string, unit: string) => string;
  /** A number in a column whose head names the unit, and the head: in feet and inches each number has its own. */
  inColumn: (value: number, unit: KeptUnit, digits: number) => string;
  head: (title: string, unit: KeptUnit) => string;
}

export const measuresIn = (units: ShownUnits): Measures => ({
  units,
  shown: (sentence) => inShownUnits(sentence, units),
  asTyped: (value, unit) =>
    units === 'metric' || !Number.isFinite(Number(value)) ? String(value) : measureAsTyped(Number(value), unit, units),
  read: (text, unit) => readShown(text, unit, units),
  unit: (unit) => unitShown(unit, units),
  withUnit: (text, unit) => withUnit(text, unit, units),
  inColumn: (value, unit, digits) =>
    units === 'metric' ? value.toFixed(digits) : measureInWords(value, unit, digits, units),
  head: (title, unit) => (units === 'metric' ? `${title}, ${unit}` : title),
});

export function useMeasures(): Measures {
  const units = useContext(ShownUnitsContext);
  return useMemo(() => measuresIn(units), [units]);
}

export const useShown = (): Measures['shown'] => useMeasures().shown;
