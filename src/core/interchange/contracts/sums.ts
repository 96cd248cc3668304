import { z } from 'zod';
import {
  cupSum,
  enlargeSum,
  footprintSum,
  markingSum,
  noseWeightSum,
  paintSum,
  propellerSum,
  scaleSum,
  threadSum,
} from '@/core/bench/sums';
import { TYPICAL_SPRAYING } from '@/core/paint/quantity';
import { finite, parseInput, type Contract } from './contract';
import { above0, coordinate, denominator, size } from './shapes';

const share = finite.gt(0, 'must be above 0').max(1, 'must be at most 1');
/** A coat of the page is one crossing of 25 um; the application counts two as one. */
const WET_FILM_UM = 25;

/** Each kind of sum: what it takes, and the sum. */
const SUMS = {
  scale: [
    z
      .strictObject({ kind: z.literal('scale'), realMm: size.optional(), modelMm: size.optional(), denominator })
      .refine(({ realMm, modelMm }) => (realMm === undefined) !== (modelMm === undefined), {
        path: ['realMm'],
        message: 'give either realMm or modelMm',
      }),
    (given: { realMm?: number; modelMm?: number; denominator: number }) =>
      scaleSum(
        given.realMm === undefined
          ? { modelMm: given.modelMm!, denominator: given.denominator }
          : { realMm: given.realMm, denominator: given.denominator },
      ),
  ],
  enlarge: [z.strictObject({ kind: z.literal('enlarge'), drawnMm: above0, realMm: above0, denominator }), enlargeSum],
  marking: [z.strictObject({ kind: z.literal('marking'), realMm: above0, denominator, printedMm: above0 }), markingSum],
  noseWeight: [
    z
      .strictObject({
        kind: z.literal('noseWeight'),
        massG: size,
        cgMm: coordinate,
        mainWheelMm: coordinate,
        weightMm: coordinate,
        margin: finite.gt(0, 'must be above 0').max(100, 'must be at most 100').default(1.25),
        densityGPerMl: above0.optional(),
      })
      .refine(({ weightMm, mainWheelMm }) => weightMm < mainWheelMm, {
        path: ['weightMm'],
        message: 'the weight does not lie ahead of the main wheels',
      }),
    noseWeightSum,
  ],
  cup: [
    z.strictObject({
      kind: z.literal('cup'),
      totalMl: finite.gt(0, 'must be above 0').max(1000, 'must be at most 1000'),
      paintParts: finite.gt(0, 'must be above 0').max(1000, 'must be at most 1000'),
      thinnerParts: finite.min(0, 'must not be negative').max(1000, 'must be at most 1000'),
      dropMl: finite.min(0.001, 'must be at least 0.001').max(1, 'must be at most 1').default(0.05),
    }),
    cupSum,
  ],
  paint: [
    z.strictObject({
      kind: z.literal('paint'),
      areaCm2: size,
      coats: size,
      wetFilmUm: size.default(WET_FILM_UM),
      transfer: share.default(TYPICAL_SPRAYING.transfer),
      fillings: size.default(TYPICAL_SPRAYING.fillings),
      lossMl: size.default(TYPICAL_SPRAYING.lossMl),
      paintFraction: share.default(0.5),
    }),
    paintSum,
  ],
  footprint: [
    z.strictObject({
      kind: z.literal('footprint'),
      lengthMm: size,
      spanMm: size,
      angleDeg: finite.min(-3600).max(3600).default(0),
      marginMm: size.default(0),
    }),
    footprintSum,
  ],
  thread: [
    z.strictObject({ kind: z.literal('thread'), threadMm: size, denominator, realMaxMm: above0.optional() }),
    threadSum,
  ],
  propeller: [
    z.strictObject({ kind: z.literal('propeller'), diameterMm: size, hubHeightMm: coordinate }),
    propellerSum,
  ],
} as const;

type Kind = keyof typeof SUMS;
const KINDS = Object.keys(SUMS) as Kind[];

const input = z.strictObject(
  {
    sums: z
      .array(
        z.discriminatedUnion(
          'kind',
          Object.values(SUMS).map(([schema]) => schema) as unknown as [z.ZodObject<{ kind: z.ZodLiteral }>],
          {
            error: `kind must be one of ${KINDS.join(', ')}`,
          },
        ),
        { error: 'must be a list of sums' },
      )
      .max(5000),
  },
  { error: 'must be an object with sums' },
);

/** `sums`: the bench arithmetic, each with its reason. */
export const sums: Contract = {
  run(raw) {
    const { sums: asked } = parseInput(input, raw) as unknown as { sums: ({ kind: Kind } & Record<string, number>)[] };
    return {
      results: asked.map((sum) => ({ kind: sum.kind, ...(SUMS[sum.kind][1] as (given: object) => object)(sum) })),
    };
  },
};
