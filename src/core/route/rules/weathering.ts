import { SPRAY, SPIRIT } from './cautions';
import { byHand, fabric, isFabric, geared, weathered, WITH_EXHAUSTS, worn, WORN } from './conditions';
import { coveredWith, type Zone } from '@/core/outline/zones';
import type { After, StepRule } from './rule';

const sectionOf = ({ faces }: Zone): string =>
  faces === 'up' ? 'upper' : faces === 'down' ? 'lower' : faces === 'starboard' ? 'starboard' : 'port';

/** What is washed and wiped in one go: the zones that are turned up together. */
export const SECTIONS: readonly (readonly [key: string, where: string, at: (zone: Zone) => boolean])[] = [
  ['upper', 'the upper surfaces'],
  ['lower', 'the undersides'],
  ['port', 'the port side'],
  ['starboard', 'the starboard side'],
].map(([key, where]) => [key!, where!, (zone) => coveredWith(zone.group) === 'outside' && sectionOf(zone) === key]);

export const UPPER = SECTIONS[0]![2];

/** Fabric has ribs and tapes: neither panel lines nor fillers and hinges that run. */
const isLined = (zone: Zone) => !isFabric(zone);
/** What is washed of each section. */
const LINED = SECTIONS.map(([key, where, at]) => [key, where, (zone: Zone) => at(zone) && isLined(zone)] as const);
/** Paint chips off what is hard beneath it; on fabric it cracks. */
export const isChipped = ({ surface }: Zone) => surface === 'metal' || surface === 'wood';

/** Behind oils. */
const onceDry = (step: string): After => ({ step, until: 'recoat', why: 'oils are dry in two days, not before' });

/** What lies under the last clear, and how dry it is by then. */
const BEFORE_LAST_CLEAR: readonly After[] = [
  'chips',
  'chips-for-fluid',
  { step: 'exhaust', until: 'recoat', why: 'the stains are dry' },
  onceDry('streaks'),
  onceDry('neglect'),
  onceDry('shade-ribs'),
  'derelict',
  'growth',
  { step: 'seal', until: 'recoat', why: 'clear over clear' },
];

/** Chips that are laid on the paint. */
const CHIPS = {
  kind: 'chip',
  lane: 'Whole',
  minutes: { work: 'wipe' },
  after: [{ step: 'matt-for-oils', until: 'recoat', why: 'the matt is dry' }],
  leaves: ['metal'],
  covers: 'outside',
  at: isChipped,
} as const satisfies Partial<StepRule>;

/** Wash, oils, stains and dust, and the last clear. */
export const WEATHERING: readonly StepRule[] = [
  {
    key: 'matt-for-wash',
    title: 'Matt coat for wash and oils to grip',
    kind: 'seal',
    lane: 'Whole',
    minutes: { work: 'spray' },
    after: [{ step: 'seal', until: 'recoat', why: 'clear over clear' }],
    where: { washOver: ['matt'] },
    when: weathered,
    lays: 'matt',
    leaves: ['metal'],
    caution: SPRAY,
    covers: 'outside',
    why: 'over matt a wash stains and grips: it tints the whole surface, and is wiped off less',
  },
  ...LINED.flatMap(([key, where, at], i): StepRule[] => [
    {
      key: `wash:${key}`,
      school: 'washOver',
      title: `Panel-line wash on ${where}`,
      titleOf: { ship: `Wash on ${key === 'upper' ? 'the decks' : where}`, base: 'Wash over the ground' },
      kind: 'washcoat',
      lane: 'Whole',
      minutes: { work: 'washcoat' },
      after: [
        { step: 'seal', until: 'cure', why: 'spirit needs a cured clear under it' },
        { step: 'matt-for-wash', until: 'cure', why: 'spirit needs a cured clear under it' },
        ...(i > 0 ? [`wipe:${SECTIONS[i - 1]![0]}`] : []),
      ],
      when: weathered,
      at,
      caution: SPIRIT,
      lays: 'wash',
      why: 'section by section, so that each is wiped inside its own window',
    },
    {
      key: `wipe:${key}`,
      school: 'washOver',
      title: `Wipe the wash on ${where} along the airflow`,
      titleOf: {
        ship: key === 'upper' ? 'Wipe the wash on the decks' : `Wipe the wash on ${where} downwards`,
        base: 'Wipe the wash off what stands up',
      },
      kind: 'wipe',
      lane: 'Whole',
      minutes: { work: 'wipe' },
      after: [{ step: `wash:${key}`, wait: 'washWindow' }],
      when: weathered,
      at,
      caution: SPIRIT,
    },
  ]),
  {
    key: 'matt-for-oils',
    title: 'Matt coat for oils to grip',
    kind: 'seal',
    lane: 'Whole',
    minutes: { work: 'spray' },
    after: SECTIONS.flatMap(([key]) => [
      { step: `wash:${key}`, until: 'recoat' as const, why: 'the wash is dry' },
      `wipe:${key}`,
    ]),
    where: { washOver: ['gloss'] },
    when: weathered,
    lays: 'matt',
    leaves: ['metal'],
    caution: SPRAY,
    covers: 'outside',
  },
  {
    key: 'streaks',
    title: 'Oils: streaks back from fillers and hinges, blended',
    titleOf: { ship: 'Oils: rust and dirt drawn down from scuppers, ports and anchors, blended' },
    kind: 'oil',
    lane: 'Whole',
    minutes: { work: 'wipe' },
    after: [{ step: 'matt-for-oils', until: 'cure', why: 'spirit needs a cured clear under it' }],
    when: (f) => weathered(f) && !worn(f),
    lays: 'oil',
    covers: 'outside',
    at: isLined,
    caution: SPIRIT,
  },
  {
    key: 'shade-ribs',
    title: 'Oils: shade beside the ribs of the fabric, light on the tapes',
    kind: 'oil',
    lane: 'Whole',
    minutes: { work: 'wipe', times: 2 },
    after: [{ step: 'matt-for-oils', until: 'cure', why: 'spirit needs a cured clear under it' }],
    when: (f) => weathered(f) && fabric(f),
    at: isFabric,
    lays: 'oil',
    caution: SPIRIT,
    why: 'fabric has no panel lines to wash: its ribs and tapes give it depth',
  },
  {
    key: 'exhaust',
    on: WITH_EXHAUSTS,
    mist: true,
    title: 'Exhaust stains, built up thin',
    kind: 'spray',
    lane: 'Whole',
    minutes: { work: 'spray', share: 0.05 },
    after: [{ step: 'matt-for-oils', until: 'recoat', why: 'the matt is dry' }],
    when: weathered,
    lays: 'dark',
    caution: SPRAY,
  },

  {
    ...CHIPS,
    key: 'chips',
    title: 'Chips where feet and hands go',
    where: { chips: ['sponge on top'] },
    when: weathered,
  },
  {
    ...CHIPS,
    key: 'chips-for-fluid',
    title: 'Chips where feet and hands go, sponged on',
    where: { chips: ['fluid beneath'] },
    when: (f) => weathered(f) && !f.fluidBySchool,
    alike: ['chips'],
    why: 'no colour here lets fluid work beneath it: it needs an airbrushed, water-based one without tape over it, on so little that it is chipped the same evening',
  },
  {
    key: 'neglect',
    title:
      'Oils in one sitting: streaks back from fillers and hinges, the upper surfaces faded and mottled, all blended',
    alike: ['streaks'],
    kind: 'oil',
    lane: 'Whole',
    minutes: { work: 'wipe', times: 2 },
    after: [{ step: 'matt-for-oils', until: 'cure', why: 'spirit needs a cured clear under it' }],
    where: { weathering: [...WORN] },
    lays: 'oil',
    covers: 'outside',
    at: isLined,
    caution: SPIRIT,
    why: 'oils are worked into each other while they are open: over half-dry ones they lift them',
  },
  {
    key: 'derelict',
    leaves: ['metal'],
    title: 'Wear the paint to primer and metal where hands and weather were',
    kind: 'chip',
    lane: 'Whole',
    minutes: { work: 'wipe' },
    after: [onceDry('neglect')],
    where: { weathering: ['derelict'] },
    covers: 'outside',
    at: isChipped,
    splittable: true,
  },
  {
    key: 'rust',
    title: 'Rust where steel is: exhausts, hinges, bolts, its runs drawn down',
    titleOf: { ship: 'Rust along the waterline, at anchors and scuppers, its runs drawn down' },
    kind: 'wipe',
    lane: 'Whole',
    minutes: { work: 'wipe', share: 0.3 },
    after: ['derelict', onceDry('neglect')],
    where: { weathering: ['derelict'] },
    caution: SPIRIT,
    why: 'light metal does not rust: it chalks and goes grey',
  },
  {
    key: 'growth',
    title: 'Green and grey growth where water stands: corners, sills, the north side',
    kind: 'washcoat',
    lane: 'Whole',
    minutes: { work: 'washcoat', share: 0.3 },
    after: ['rust'],
    where: { weathering: ['derelict'] },
    caution: SPIRIT,
  },
  {
    key: 'chalk',
    leaves: ['metal'],
    title: 'Chalk the upper surfaces: pale pigment rubbed in along the airflow',
    kind: 'pigment',
    lane: 'Whole',
    minutes: { work: 'wipe', share: 0.5 },
    after: [{ step: 'matt', until: 'recoat', why: 'the matt is dry' }],
    where: { weathering: ['derelict'] },
    covers: 'outside',
    at: UPPER,
    why: 'paint that stood for years in the sun goes pale and dusty',
  },
  ...(['gloss', 'satin'] as const).map((finish): StepRule => ({
    key: `last-${finish}`,
    title: `Last clear: ${finish}`,
    kind: 'seal',
    lane: 'Whole',
    minutes: { work: 'spray' },
    after: BEFORE_LAST_CLEAR,
    lays: finish === 'gloss' ? 'clear' : 'satin',
    finish,
    caution: SPRAY,
    covers: 'outside',
    why: `${finish} is wanted there`,
  })),
  {
    key: 'matt',
    title: 'Last clear: matt',
    kind: 'seal',
    lane: 'Whole',
    minutes: { work: 'spray' },
    after: [
      ...BEFORE_LAST_CLEAR,
      { step: 'last-gloss', until: 'recoat', why: 'clear over clear' },
      { step: 'last-satin', until: 'recoat', why: 'clear over clear' },
    ],
    lays: 'matt',
    finish: 'matt',
    caution: SPRAY,
    covers: 'outside',
  },
  {
    key: 'dust',
    title: 'Dust and mud where the wheels throw it',
    kind: 'pigment',
    lane: 'Whole',
    minutes: { work: 'washcoat' },
    after: [{ step: 'matt', until: 'recoat', why: 'the matt is dry' }],
    // What stands on wheels was rolled through it; floats, skis and a rod keep it off.
    when: (f) => weathered(f) && f.options.landing === 'wheels' && geared(f),
    why: 'pigments come last: a wet coat over them drowns them',
  },
  {
    key: 'exhaust-pigment',
    on: WITH_EXHAUSTS,
    title: 'Exhaust stains in dark pigment, brushed on along the airflow and fixed at its edge',
    kind: 'pigment',
    lane: 'Whole',
    minutes: { work: 'washcoat', share: 0.1 },
    after: [{ step: 'matt', until: 'recoat', why: 'the matt is dry' }],
    when: (f) => weathered(f) && byHand(f),
    alike: ['exhaust'],
    why: 'without an airbrush no stain is misted: pigment gives the same soft edge',
  },
];
