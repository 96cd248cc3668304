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
import { girthSum, lentSum, lettersSum, stripsSum } from '@/core/bench/setting-out-sums';
import { clearanceSum, doorSum, legsSum, MOST_LEGS, uprightSum } from '@/core/bench/standing-sums';
import {
  costSum,
  drillSum,
  dryingSum,
  PIN_STRENGTH,
  pinSum,
  ROD_STIFFNESS,
  rodSum,
  stanceSum,
  tapeSum,
  type PinMetal,
  type RodMaterial,
} from '@/core/bench/workshop-sums';
import { CHEMISTRY_NAMES, type Chemistry } from '@/core/paint/chemistry';
import { TYPICAL_SPRAYING } from '@/core/paint/quantity';
import { finite, parseInput, type Contract } from './contract';
import { above0, coordinate, denominator, size } from './shapes';

const share = finite.gt(0, 'must be above 0').max(1, 'must be at most 1');
const count = finite.int('must be a whole number').min(1, 'must be at least 1').max(1000, 'must be at most 1000');
/** Steeper than this nothing stands. */
const slope = finite.min(-80, 'must be at least -80').max(80, 'must be at most 80');
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
  stance: [
    z.strictObject({
      kind: z.literal('stance'),
      portMm: coordinate,
      starboardMm: coordinate,
      thirdMm: coordinate,
      trackMm: above0,
      baseMm: above0,
    }),
    stanceSum,
  ],
  legs: [
    z
      .strictObject({
        kind: z.literal('legs'),
        legs: z
          .array(z.strictObject({ xMm: coordinate, yMm: coordinate, downMm: coordinate }))
          .min(3, 'must be at least 3')
          .max(MOST_LEGS, `must be at most ${MOST_LEGS}`),
      })
      .superRefine(({ legs }, context) => {
        try {
          legsSum({ legs });
        } catch (error) {
          context.addIssue({ code: 'custom', path: ['legs'], message: (error as Error).message });
        }
      }),
    legsSum,
  ],
  upright: [z.strictObject({ kind: z.literal('upright'), leanDeg: slope, widthMm: size }), uprightSum],
  clearance: [
    z.strictObject({
      kind: z.literal('clearance'),
      heightMm: size,
      hangsMm: size,
      aftMm: coordinate.default(0),
      pitchDeg: slope.default(0),
    }),
    clearanceSum,
  ],
  door: [
    z.strictObject({
      kind: z.literal('door'),
      hingeMm: size,
      doorMm: above0,
      openDeg: finite.min(0, 'must not be negative').max(180, 'must be at most 180'),
    }),
    doorSum,
  ],
  strips: [z.strictObject({ kind: z.literal('strips'), widthMm: above0, count, cutMm: size.default(0) }), stripsSum],
  girth: [
    z.strictObject({
      kind: z.literal('girth'),
      girthMm: above0,
      fromTopDeg: finite.min(0, 'must not be negative').max(360, 'must be at most 360'),
    }),
    girthSum,
  ],
  letters: [z.strictObject({ kind: z.literal('letters'), lineMm: above0, count, letterMm: above0 }), lettersSum],
  lent: [
    z
      .strictObject({ kind: z.literal('lent'), bottleMl: above0, fullG: size, emptyG: size, lentG: size, nowG: size })
      .refine(({ fullG, emptyG }) => fullG > emptyG, { path: ['fullG'], message: 'must be above emptyG' }),
    lentSum,
  ],
  pin: [
    z.strictObject({
      kind: z.literal('pin'),
      loadG: size,
      armMm: size,
      metal: z.enum(Object.keys(PIN_STRENGTH) as [PinMetal, ...PinMetal[]]),
    }),
    pinSum,
  ],
  rod: [
    z.strictObject({
      kind: z.literal('rod'),
      massG: size,
      offsetMm: size,
      lengthMm: size,
      diameterMm: above0,
      material: z.enum(Object.keys(ROD_STIFFNESS) as [RodMaterial, ...RodMaterial[]]),
    }),
    rodSum,
  ],
  drill: [
    z.strictObject({ kind: z.literal('drill'), alongMm: coordinate, besideMm: coordinate, denominator }),
    drillSum,
  ],
  drying: [
    z.strictObject({
      kind: z.literal('drying'),
      chemistry: z.enum(CHEMISTRY_NAMES as unknown as [Chemistry, ...Chemistry[]]),
      until: z.enum(['touch', 'recoat', 'handle', 'mask', 'cure']),
      tempC: finite.min(-10).max(60).default(20),
      humidity: finite.min(0).max(100).default(50),
      forced: finite.gt(0, 'must be above 0').max(10).default(1),
    }),
    dryingSum,
  ],
  tape: [
    z.strictObject({ kind: z.literal('tape'), edgeMm: size, layers: count.default(1), rollM: above0.default(18) }),
    tapeSum,
  ],
  cost: [
    z.strictObject({
      kind: z.literal('cost'),
      priceCents: size,
      count,
      postageCents: size.default(0),
      freeFromCents: size.default(0),
    }),
    costSum,
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
