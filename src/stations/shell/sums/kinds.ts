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
import { clearanceSum, doorSum, legsSum, MOST_LEGS, uprightSum, type Leg } from '@/core/bench/standing-sums';
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
import type { SumFacts } from '@/core/workshop/sum-facts';
import { CHEMISTRIES, CHEMISTRY_NAMES, type Chemistry } from '@/core/paint/chemistry';
import type { DryingState } from '@/core/paint/drying';
import { durationInWords } from '@/core/units/minutes';

/** The sums of the drawer, as data: what each asks, with what the brief knows of it, and what it answers. */

export interface SumField {
  name: string;
  label: string;
  unit: string;
  /** The smallest that makes sense; 0 where nothing else is said. */
  least?: number;
  choices?: readonly (readonly [value: string, title: string])[];
  /** Several figures in one field, as words say. */
  isList?: boolean;
}

export interface SumAnswer {
  /** The figures that were asked for, with their units. */
  figures: readonly (readonly [label: string, value: string])[];
  because: readonly string[];
}

export interface SumKind {
  key: string;
  title: string;
  fields: readonly SumField[];
  given: (facts: SumFacts) => Record<string, number | string>;
  sum: (values: Record<string, number>, chosen: Record<string, string>) => SumAnswer;
  /** What it takes for granted. */
  assumes?: string;
  /** Machines that it makes sense for; all where nothing is said. */
  isFor?: (facts: SumFacts) => boolean;
}

const f = (name: string, label: string, unit = 'mm', least = 0): SumField => ({ name, label, unit, least });
const n = (value: number, digits = 1): string => value.toFixed(digits);
const scale = f('denominator', 'Scale 1/', '', 1);
const metals = Object.keys(PIN_STRENGTH).map((name) => [name, name] as const);
const rods = Object.keys(ROD_STIFFNESS).map((name) => [name, name] as const);

/** Marks that are written out. */
const MOST_MARKS = 12;
const marksSaid = (marksMm: readonly number[], digits: number): string =>
  marksMm
    .slice(0, MOST_MARKS)
    .map((mm) => n(mm, digits))
    .join(', ') + (marksMm.length > MOST_MARKS ? ' …' : '');

/** "0 0 30; 80 -30 30" as legs; null where a figure is wanting. */
function legsTyped(typed: string): Leg[] | null {
  const legs = typed
    .split(/[;\n]+/)
    .map((leg) => leg.trim())
    .filter(Boolean)
    .map((leg) => leg.split(/[\s/]+/).map((figure) => Number(figure.replace(',', '.'))));
  if (legs.length > MOST_LEGS || legs.some((leg) => leg.length !== 3 || !leg.every(Number.isFinite))) return null;
  return legs.map(([xMm, yMm, downMm]) => ({ xMm: xMm!, yMm: yMm!, downMm: downMm! }));
}

export const SUM_KINDS: readonly SumKind[] = [
  {
    key: 'scale',
    title: 'Scale, both ways',
    fields: [f('realMm', 'On the real machine'), f('modelMm', 'On the model'), scale],
    given: ({ denominator }) => ({ realMm: 1000, modelMm: 10, denominator }),
    sum: ({ realMm, modelMm, denominator }) => {
      const [down, up] = [
        scaleSum({ realMm: realMm!, denominator: denominator! }),
        scaleSum({ modelMm: modelMm!, denominator: denominator! }),
      ];
      return {
        figures: [
          ['at scale', `${n(down.modelMm!, 2)} mm`],
          ['at full size', `${n(up.realMm!)} mm`],
        ],
        because: [...down.because, ...up.because],
      };
    },
  },
  {
    key: 'enlarge',
    title: 'Enlarge a drawing',
    fields: [f('drawnMm', 'Drawn', 'mm', 0.01), f('realMm', 'On the real machine', 'mm', 0.01), scale],
    given: ({ denominator, lengthMm }) => ({ drawnMm: 100, realMm: lengthMm * denominator, denominator }),
    sum: (v) => {
      const { factor, because } = enlargeSum(v as never);
      return { figures: [['enlarge to', `${n(factor * 100)} %`]], because };
    },
  },
  {
    key: 'marking',
    title: 'A printed size against the true one',
    fields: [f('realMm', 'True height', 'mm', 0.01), f('printedMm', 'Printed', 'mm', 0.01), scale],
    given: ({ denominator, marking }) => ({
      realMm: marking?.realMm ?? 500,
      printedMm: marking?.printedMm ?? 10,
      denominator,
    }),
    sum: (v) => {
      const { modelMm, errorPercent, equalsRealMm, because } = markingSum(v as never);
      return {
        figures: [
          ['should be', `${n(modelMm, 2)} mm`],
          ['printed is', `${errorPercent >= 0 ? '+' : '−'}${n(Math.abs(errorPercent))} %`],
          ['as on', `${n(equalsRealMm, 0)} mm in reality`],
        ],
        because,
      };
    },
  },
  {
    key: 'noseWeight',
    title: 'Nose weight',
    fields: [
      f('massG', 'Model without it', 'g'),
      f('cgMm', 'Its centre, from the nose'),
      f('mainWheelMm', 'Main wheels, from the nose'),
      f('weightMm', 'The weight, from the nose'),
      f('margin', 'Margin', '×', 0.1),
      f('densityGPerMl', 'Weighs', 'g/ml', 0.1),
    ],
    given: ({ massG, centreMm, mainWheelMm, weightMm }) => ({
      massG,
      cgMm: centreMm,
      mainWheelMm,
      weightMm,
      margin: 1.25,
      densityGPerMl: 7.8,
    }),
    sum: (v) => {
      if (v.weightMm! >= v.mainWheelMm!)
        return { figures: [], because: ['the weight has to lie ahead of the main wheels'] };
      const { grams, ml, because } = noseWeightSum(v as never);
      return {
        figures: [
          ['it takes', `${n(grams)} g`],
          ['room for', `${n(ml ?? 0)} ml`],
        ],
        because,
      };
    },
    assumes: 'It stands on a nose wheel. The mass of the shell is by its skin, 1.2 mm thick.',
  },
  {
    key: 'cup',
    title: 'Paint and thinner in a cup',
    fields: [
      f('totalMl', 'In all', 'ml', 0.01),
      f('paintParts', 'Paint', 'parts', 0.01),
      f('thinnerParts', 'Thinner', 'parts'),
      f('dropMl', 'One drop', 'ml', 0.001),
    ],
    given: ({ colours }) => ({ totalMl: 2, paintParts: 1, thinnerParts: colours[0]?.thinRatio ?? 1, dropMl: 0.05 }),
    sum: (v) => {
      const { paintDrops, thinnerDrops, paintMl, thinnerMl, because } = cupSum(v as never);
      return {
        figures: [
          ['paint', `${paintDrops} drops, ${n(paintMl, 2)} ml`],
          ['thinner', `${thinnerDrops} drops, ${n(thinnerMl, 2)} ml`],
        ],
        because,
      };
    },
  },
  {
    key: 'paint',
    title: 'How much paint',
    fields: [
      f('areaCm2', 'Area', 'cm²'),
      f('coats', 'Coats', ''),
      f('wetFilmUm', 'Wet film of a coat', 'µm'),
      f('transfer', 'Share that lands', '', 0.05),
      f('fillings', 'Fillings', ''),
      f('lossMl', 'Lost in each', 'ml'),
      f('paintFraction', 'Share of paint', '', 0.01),
    ],
    given: ({ colours }) => ({
      areaCm2: colours[0]?.areaCm2 ?? 100,
      coats: colours[0]?.coats ?? 2,
      wetFilmUm: 50,
      transfer: 0.5,
      fillings: 1,
      lossMl: 0.4,
      paintFraction: 1 / (1 + (colours[0]?.thinRatio ?? 1)),
    }),
    sum: (v) => {
      const { sprayedMl, paintMl, because } = paintSum(v as never);
      return {
        figures: [
          ['to spray', `${n(sprayedMl)} ml`],
          ['of it paint', `${n(paintMl)} ml`],
        ],
        because,
      };
    },
    assumes: 'A coat is two crossing passes of 25 µm. The area is that of the first colour.',
  },
  {
    key: 'footprint',
    title: 'Base under a turned model',
    fields: [
      f('lengthMm', 'Length'),
      f('spanMm', 'Span'),
      f('angleDeg', 'Turned by', '°', -360),
      f('marginMm', 'Room all round'),
    ],
    given: ({ lengthMm, spanMm }) => ({ lengthMm, spanMm, angleDeg: 30, marginMm: 20 }),
    sum: (v) => {
      const { widthMm, depthMm, because } = footprintSum(v as never);
      return { figures: [['base', `${n(widthMm, 0)} × ${n(depthMm, 0)} mm`]], because };
    },
  },
  {
    key: 'thread',
    title: 'Thread and wire at scale',
    fields: [f('threadMm', 'Thread', 'mm', 0.001), f('realMaxMm', 'No thicker in reality than', 'mm', 0.01), scale],
    given: ({ denominator }) => ({ threadMm: 0.1, realMaxMm: 5, denominator }),
    sum: (v) => {
      const { realMm, verdict, because } = threadSum(v as never);
      return {
        figures: [
          ['in reality', `${n(realMm)} mm`],
          ['', verdict ?? ''],
        ],
        because,
      };
    },
  },
  {
    key: 'propeller',
    title: 'Propeller over the ground',
    isFor: ({ propellerMm }) => propellerMm > 0,
    fields: [f('diameterMm', 'Diameter'), f('hubHeightMm', 'Hub over the ground')],
    given: ({ propellerMm, hubHeightMm }) => ({ diameterMm: propellerMm, hubHeightMm }),
    sum: (v) => {
      const { clearanceMm, because } = propellerSum(v as never);
      return { figures: [['clear by', `${n(clearanceMm)} mm`]], because };
    },
  },
  {
    key: 'stance',
    title: 'Level stance on three wheels',
    fields: [
      f('portMm', 'Port wheel, below a level line'),
      f('starboardMm', 'Starboard wheel'),
      f('thirdMm', 'Nose or tail wheel'),
      f('trackMm', 'Track', 'mm', 0.1),
      f('baseMm', 'Main to third wheel', 'mm', 0.1),
    ],
    given: ({ trackMm, wheelBaseMm }) => ({
      portMm: 30,
      starboardMm: 30,
      thirdMm: 30,
      trackMm: Math.max(0.1, trackMm),
      baseMm: Math.max(0.1, wheelBaseMm),
    }),
    sum: (v) => {
      const { rollDeg, pitchDeg, shortenMm, because } = stanceSum(v as never);
      return {
        figures: [
          ['rolls', `${n(rollDeg)}°`],
          ['nose', `${n(pitchDeg)}°`],
          ['legs differ', `${n(shortenMm, 2)} mm`],
        ],
        because,
      };
    },
  },
  {
    key: 'legs',
    title: 'Any number of legs on one ground',
    fields: [{ name: 'legs', label: 'Each leg: aft, to starboard, down', unit: 'mm', isList: true }],
    given: ({ trackMm, wheelBaseMm }) => {
      const [half, base] = [(trackMm || 60) / 2, wheelBaseMm || 80];
      return {
        legs: [
          [0, 0, 30],
          [base, -half, 30],
          [base, half, 30],
        ]
          .map((leg) => leg.map((value) => Number(value.toFixed(1))).join(' '))
          .join('; '),
      };
    },
    sum: (_, { legs: typed = '' }) => {
      const legs = legsTyped(typed);
      if (!legs)
        return { figures: [], because: ['three figures for each leg, and legs apart by “;”: 0 0 30; 80 -30 30'] };
      try {
        const { packMm, pitchDeg, rollDeg, because } = legsSum({ legs });
        return {
          figures: [
            ...packMm.map((mm, i) => [`leg ${i + 1}`, `${n(mm, 2)} mm to pack`] as const),
            ['nose', `${n(pitchDeg)}°`],
            ['rolls', `${n(rollDeg)}°`],
          ],
          because,
        };
      } catch (error) {
        return { figures: [], because: [(error as Error).message] };
      }
    },
  },
  {
    key: 'upright',
    title: 'A tank upright, by a shim',
    fields: [f('leanDeg', 'It leans by', '°', -80), f('widthMm', 'Its saddle is broad')],
    given: () => ({ leanDeg: 5, widthMm: 8 }),
    sum: (v) => {
      const { shimMm, because } = uprightSum(v as never);
      return { figures: [['shim', `${n(shimMm, 2)} mm`]], because };
    },
  },
  {
    key: 'clearance',
    title: 'What hangs under it, over the ground',
    fields: [
      f('heightMm', 'Where it hangs, over the ground'),
      f('hangsMm', 'It hangs down by'),
      f('aftMm', 'Its lowest point behind the wheels', 'mm', -1e6),
      f('pitchDeg', 'Nose up by', '°', -80),
    ],
    given: ({ hubHeightMm }) => ({ heightMm: hubHeightMm, hangsMm: 15, aftMm: 0, pitchDeg: 0 }),
    sum: (v) => {
      const { clearanceMm, because } = clearanceSum(v as never);
      return { figures: [['clear by', `${n(clearanceMm)} mm`]], because };
    },
  },
  {
    key: 'door',
    title: 'An open door over the ground',
    fields: [
      f('hingeMm', 'Hinge over the ground'),
      f('doorMm', 'Door, from its hinge', 'mm', 0.01),
      f('openDeg', 'Open by', '°'),
    ],
    given: ({ hubHeightMm }) => ({ hingeMm: hubHeightMm, doorMm: 20, openDeg: 90 }),
    sum: (v) => {
      const { clearanceMm, mostDeg, because } = doorSum(v as never);
      return {
        figures: [
          ['clear by', `${n(clearanceMm)} mm`],
          ['opens at most', `${n(mostDeg, 0)}°`],
        ],
        because,
      };
    },
  },
  {
    key: 'strips',
    title: 'Equal strips on a width',
    fields: [f('widthMm', 'Width', 'mm', 0.01), f('count', 'Strips', '', 1), f('cutMm', 'Each cut takes')],
    given: () => ({ widthMm: 100, count: 12, cutMm: 0 }),
    sum: (v) => {
      const { eachMm, marksMm, because } = stripsSum({ ...v, count: Math.round(v.count!) } as never);
      return {
        figures: [
          ['each', `${n(eachMm, 2)} mm`],
          ['marked at', marksSaid(marksMm, 2)],
        ],
        because,
      };
    },
  },
  {
    key: 'girth',
    title: 'A hole by the way round',
    fields: [f('girthMm', 'Once round it', 'mm', 0.01), f('fromTopDeg', 'From the top by', '°')],
    given: () => ({ girthMm: 100, fromTopDeg: 90 }),
    sum: (v) => {
      const { arcMm, oppositeMm, diameterMm, because } = girthSum(v as never);
      return {
        figures: [
          ['along the skin', `${n(arcMm, 2)} mm`],
          ['the line opposite', `${n(oppositeMm, 2)} mm`],
          ['as round', `${n(diameterMm, 2)} mm thick`],
        ],
        because,
      };
    },
  },
  {
    key: 'letters',
    title: 'Letters on a line',
    fields: [f('lineMm', 'Line', 'mm', 0.01), f('count', 'Letters', '', 1), f('letterMm', 'Each is broad', 'mm', 0.01)],
    given: () => ({ lineMm: 40, count: 5, letterMm: 5 }),
    sum: (v) => {
      const { gapMm, middlesMm, because } = lettersSum({ ...v, count: Math.round(v.count!) } as never);
      return {
        figures: [
          ['gap', `${n(gapMm, 2)} mm`],
          ['middles at', marksSaid(middlesMm, 1)],
        ],
        because,
      };
    },
  },
  {
    key: 'lent',
    title: 'A lent bottle',
    fields: [
      f('bottleMl', 'A full one holds', 'ml', 0.1),
      f('fullG', 'and weighs', 'g', 0.1),
      f('emptyG', 'Empty it weighs', 'g'),
      f('lentG', 'It came with', 'g'),
      f('nowG', 'Now', 'g'),
    ],
    given: () => ({ bottleMl: 17, fullG: 45, emptyG: 25, lentG: 40, nowG: 35 }),
    sum: (v) => {
      if (v.fullG! <= v.emptyG!) return { figures: [], because: ['a full one weighs more than an empty one'] };
      const { leftMl, usedMl, because } = lentSum(v as never);
      return {
        figures: [
          ['left to give back', `${n(leftMl)} ml`],
          ['used', `${n(usedMl)} ml`],
        ],
        because,
      };
    },
  },
  {
    key: 'pin',
    title: 'Pin for a joint',
    fields: [
      f('loadG', 'It bears', 'g'),
      f('armMm', 'At an arm of'),
      { name: 'metal', label: 'Pin of', unit: '', choices: metals },
    ],
    given: ({ massG, spanMm }) => ({
      loadG: Math.max(1, Math.round(massG / 4)),
      armMm: Math.round(spanMm / 4),
      metal: 'brass',
    }),
    sum: (v, { metal }) => {
      const { diameterMm, intoEachMm, because } = pinSum({
        loadG: v.loadG!,
        armMm: v.armMm!,
        metal: metal as PinMetal,
      });
      return {
        figures: [
          ['at least', `${n(diameterMm, 2)} mm`],
          ['deep in each half', `${n(intoEachMm)} mm`],
        ],
        because,
      };
    },
  },
  {
    key: 'rod',
    title: 'Display rod',
    fields: [
      f('massG', 'Model', 'g'),
      f('offsetMm', 'Its centre beside the rod'),
      f('lengthMm', 'Rod'),
      f('diameterMm', 'Thick', 'mm', 0.1),
      { name: 'material', label: 'Of', unit: '', choices: rods },
    ],
    given: ({ massG, lengthMm }) => ({
      massG,
      offsetMm: Math.round(lengthMm / 20),
      lengthMm: 120,
      diameterMm: 3,
      material: 'steel',
    }),
    sum: (v, { material }) => {
      const { leanMm, leanDeg, because } = rodSum({
        ...(v as never as Parameters<typeof rodSum>[0]),
        material: material as RodMaterial,
      });
      return { figures: [['leans', `${n(leanMm, 2)} mm, ${n(leanDeg, 2)}°`]], because };
    },
  },
  {
    key: 'drill',
    title: 'Where to drill',
    fields: [f('alongMm', 'From the datum, real'), f('besideMm', 'From the centre line, real'), scale],
    given: ({ denominator }) => ({ alongMm: 2000, besideMm: 500, denominator }),
    sum: (v) => {
      const { alongMm, besideMm, straightMm, because } = drillSum(v as never);
      return {
        figures: [
          ['along', `${n(alongMm, 2)} mm`],
          ['beside', `${n(besideMm, 2)} mm`],
          ['straight across', `${n(straightMm, 2)} mm`],
        ],
        because,
      };
    },
  },
  {
    key: 'drying',
    title: 'Dry until',
    fields: [
      {
        name: 'chemistry',
        label: 'Coat',
        unit: '',
        choices: CHEMISTRY_NAMES.map((name) => [name, CHEMISTRIES[name].title]),
      },
      {
        name: 'until',
        label: 'Until it',
        unit: '',
        choices: [
          ['touch', 'no longer catches dust'],
          ['recoat', 'may be painted over'],
          ['handle', 'may be handled'],
          ['mask', 'bears tape'],
          ['cure', 'is dry right through'],
        ],
      },
      f('tempC', 'Temperature', '°C', -10),
      f('humidity', 'Humidity', '%'),
      f('forced', 'Dryer: times', '', 0.1),
    ],
    given: ({ tempC, humidity }) => ({ chemistry: 'WA', until: 'mask', tempC, humidity, forced: 1 }),
    sum: (v, { chemistry, until }) => {
      const { minutes, because } = dryingSum({
        ...(v as never as Parameters<typeof dryingSum>[0]),
        chemistry: chemistry as Chemistry,
        until: until as DryingState,
      });
      return { figures: [['it takes', durationInWords(minutes)]], because };
    },
  },
  {
    key: 'tape',
    title: 'Tape',
    fields: [f('edgeMm', 'Edge'), f('layers', 'Laid so often', '×', 1), f('rollM', 'On the roll', 'm', 0.1)],
    given: ({ spanMm }) => ({ edgeMm: Math.round(2 * spanMm), layers: 1, rollM: 18 }),
    sum: (v) => {
      const { tapeMm, rollPercent, because } = tapeSum(v as never);
      return {
        figures: [
          ['tape', `${n(tapeMm / 1000, 2)} m`],
          ['of a roll', `${n(rollPercent)} %`],
        ],
        because,
      };
    },
  },
  {
    key: 'cost',
    title: 'Cost',
    fields: [
      f('price', 'Price', ''),
      f('count', 'So many', ''),
      f('postage', 'Sending', ''),
      f('freeFrom', 'Free from', ''),
    ],
    given: ({ missing }) => ({ price: missing.priceCents / 100, count: missing.count, postage: 4.5, freeFrom: 0 }),
    sum: ({ price, count, postage, freeFrom }) => {
      const cents = (value: number | undefined) => Math.round(100 * (value ?? 0));
      const { totalCents, eachCents, because } = costSum({
        priceCents: cents(price),
        count: count!,
        postageCents: cents(postage),
        freeFromCents: cents(freeFrom),
      });
      return {
        figures: [
          ['in all', n(totalCents / 100, 2)],
          ['each', n(eachCents / 100, 2)],
        ],
        because,
      };
    },
  },
];
