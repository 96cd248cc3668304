import { z } from 'zod';
import { choice, line, number } from '../fields';
import { TOOL_KINDS } from '@/core/kit/tools';

const figure = (title: string, most: number, unit: string) =>
  number(title)
    .min(0, `${title}: never below 0`)
    .max(most, `${title}: at most ${most} ${unit}`)
    .nullable()
    .default(null);

/** What the builder owns; a figure that is not given is as usual for its kind. */
export const toolFields = z.strictObject({
  kind: choice('Kind', TOOL_KINDS),
  /** '' for one that is only ever called by its kind. */
  name: line('Name', 80).default(''),
  needleMm: figure('Needle', 3, 'mm'),
  lineMm: figure('Least line', 200, 'mm'),
  filmUm: figure('Film', 500, 'um'),
  wasteMl: figure('Waste', 50, 'ml'),
  minutes: figure('Minutes', 240, 'min'),
  /** Of an airbrush: all that goes through it, a kind of paint or one colour by its code; '' for everything. */
  keptFor: line('Kept for', 60).default(''),
});
