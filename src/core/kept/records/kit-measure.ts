import { z } from 'zod';
import { choice, line, needed, number, prose } from '../fields';
import { MEASURED } from '@/core/kit/measuring';
import { DIMENSION_NAMES } from '@/core/outline/dimensions';

const size = (title: string, most: number, unit: string) =>
  number(title).positive(`${title}: more than 0 mm`).max(most, `${title}: at most ${unit}`);

/** A part, an assembly or a drawing, measured against the real machine. */
export const kitMeasureFields = z.strictObject({
  title: needed('What is measured', 80),
  of: choice('On', MEASURED),
  zone: line('Zone', 60),
  /** Which dimension of the machine it is; '' where it is none of its outline. */
  dimension: choice('Dimension of the outline', ['', ...DIMENSION_NAMES]).default(''),
  trueMm: size('True size', 100_000, '100 m'),
  measuredMm: size('Measured', 5000, '5 m'),
  /** Of a pair the right one; null for one alone. */
  otherMm: size('Right-hand one', 5000, '5 m').nullable(),
  note: prose('Note', 500),
});
