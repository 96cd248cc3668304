import { z } from 'zod';
import { SPRAY_OUT_RESULTS } from '@/core/bench/spray-out';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { choice, day, line, needed, number, prose } from '../fields';
import { mixedFields } from './log-entry';

/** A test piece: what was laid on what, how, and what came of it. */
export const sprayOutFields = z.strictObject({
  title: needed('What was tried', 120),
  /** The step that it proves; none where it proves none. */
  stepKey: line('Step', 200),
  onDay: day('Day'),
  paint: line('Paint', 200),
  chemistry: choice('Chemistry', ['', ...CHEMISTRY_NAMES] as const).default(''),
  mixed: mixedFields.nullable().default(null),
  pressureBar: number('Pressure')
    .min(0.1, 'Pressure: at least 0.1 bar')
    .max(6, 'Pressure: at most 6 bar')
    .nullable()
    .default(null),
  undercoat: line('Undercoat', 120),
  result: choice('Result', SPRAY_OUT_RESULTS),
  note: prose('Note', 1000),
  pictureId: z.string().max(64).nullable().default(null),
});
