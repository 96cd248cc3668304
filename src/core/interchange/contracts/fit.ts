import { z } from 'zod';
import { EYE_MM, fit as fitted, LINE_KINDS } from '@/core/markings/fit';
import { finite, parseInput, text, type Contract } from './contract';
import { above0, denominator, point, points, shape } from './shapes';

const DEFAULTS = { printedModelMm: null, turnDeg: 0, lines: [], others: [], eyeMm: EYE_MM };

const input = z.strictObject(
  {
    denominator,
    marking: z.strictObject(
      { shape, printedModelMm: above0.nullable().default(DEFAULTS.printedModelMm) },
      { error: 'must be an object with shape' },
    ),
    at: point,
    turnDeg: finite.min(-3600, 'must be at least -3600').max(3600, 'must be at most 3600').default(DEFAULTS.turnDeg),
    field: shape,
    lines: z
      .array(
        z.strictObject({
          id: text,
          kind: z.enum(LINE_KINDS, { error: `must be one of ${LINE_KINDS.join(', ')}` }),
          points: points.min(2, 'a line needs at least two points'),
        }),
        { error: 'must be a list of lines' },
      )
      .max(2000)
      .default(DEFAULTS.lines),
    others: z
      .array(z.strictObject({ id: text, shape }), { error: 'must be a list of shapes' })
      .max(2000)
      .default(DEFAULTS.others),
    eyeMm: above0.default(DEFAULTS.eyeMm),
  },
  { error: 'must be an object with denominator, marking, at and field' },
);

/** `fit`: a marking against its field, the lines it crosses, what it lies over, and the eye. */
export const fit: Contract = {
  run(raw) {
    const { marking, others, ...rest } = parseInput(input, raw);
    const found = fitted({
      ...rest,
      shape: [marking.shape],
      printedModelMm: marking.printedModelMm,
      others: others.map((other) => ({ ...other, shape: [other.shape] })),
    });
    return { ...found, assumed: { eyeMm: rest.eyeMm, turnDeg: rest.turnDeg } };
  },
};
