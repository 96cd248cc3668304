import { SPRAY, SPIRIT } from './cautions';
import { byHand, fabric, isFabric, wheelsDown, weathered, WORN } from './conditions';
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

/** Fabric has ribs and tapes: neither panel lines nor fillers and hinges that run. */
const isLined = (zone: Zone) => !isFabric(zone);
/** What is washed of each section. */
const LINED = SECTIONS.map(([key, where, at]) => [key, where, (zone: Zone) => at(zone) && isLined(zone)] as const);
/** Paint chips off what is hard beneath it; on fabric it cracks. */
const chipped = ({ surface }: Zone) => surface === 'metal' || surface === 'wood';

/** What lies under the last clear, and how dry it is by then. */
const BEFORE_LAST_CLEAR: readonly After[] = [
  'chips',
  { step: 'exhaust', until: 'recoat', why: 'the stains are dry' },
  { step: 'streaks', until: 'recoat', why: 'oils are dry in two days, not before' },
  { step: 'neglect', until: 'recoat', why: 'oils are dry in two days, not before' },
  { step: 'shade-ribs', until: 'recoat', why: 'oils are dry in two days, not before' },
  'derelict',
  { step: 'seal', until: 'recoat', why: 'clear over clear' },
];

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
    offMetal: true,
    caution: SPRAY,
    covers: 'outside',
    why: 'over matt a wash stains and grips: it tints the whole surface, and is wiped off less',
  },
  ...LINED.flatMap(([key, where, at], i): StepRule[] => [
    {
      key: `wash:${key}`,
      school: 'washOver',
      title: `Panel-line wash on ${where}`,
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
    offMetal: true,
    caution: SPRAY,
    covers: 'outside',
  },
  {
    key: 'streaks',
    title: 'Oils: streaks back from fillers and hinges, blended',
    kind: 'oil',
    lane: 'Whole',
    minutes: { work: 'wipe' },
    after: [{ step: 'matt-for-oils', until: 'cure', why: 'spirit needs a cured clear under it' }],
    when: weathered,
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
    key: 'chips',
    offMetal: true,
    title: 'Chips where feet and hands go',
    kind: 'chip',
    lane: 'Whole',
    minutes: { work: 'wipe' },
    after: [{ step: 'matt-for-oils', until: 'recoat', why: 'the matt is dry' }],
    where: { chips: ['sponge on top'] },
    when: (f) => weathered(f) && f.zones.some(chipped),
  },
  {
    key: 'neglect',
    title: 'Oils: fade and mottle the upper surfaces',
    kind: 'oil',
    lane: 'Whole',
    minutes: { work: 'wipe', times: 3 },
    after: ['streaks', 'shade-ribs'],
    where: { weathering: [...WORN] },
    at: SECTIONS[0]![2],
    lays: 'oil',
    caution: SPIRIT,
  },
  {
    key: 'derelict',
    title: 'Wear the paint to primer and metal, rust and growth in the corners',
    kind: 'chip',
    lane: 'Whole',
    minutes: { work: 'wipe', times: 3 },
    after: ['streaks'],
    where: { weathering: ['derelict'] },
    splittable: true,
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
    when: (f) => weathered(f) && wheelsDown(f),
    why: 'pigments come last: a wet coat over them drowns them',
  },
  {
    key: 'exhaust-pigment',
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
