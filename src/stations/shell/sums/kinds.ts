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
}

const f = (name: string, label: string, unit = 'mm', least = 0): SumField => ({ name, label, unit, least });
const n = (value: number, digits = 1): string => value.toFixed(digits);
const scale = f('denominator', 'Scale 1/', '', 1);
const metals = Object.keys(PIN_STRENGTH).map((name) => [name, name] as const);
const rods = Object.keys(ROD_STIFFNESS).map((name) => [name, name] as const);

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
