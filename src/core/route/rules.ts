import type { Options } from '@/core/brief/options';
import type { Preset } from '@/core/outline/presets';
import { WAITS } from '@/core/paint/drying';

export const LANES = ['Cockpit', 'Fuselage', 'Wings', 'Gear, stores', 'Whole', 'Base'] as const;
export type Lane = (typeof LANES)[number];

/** What the rules may ask about a build. */
export interface BuildFacts {
  options: Options;
  preset: Preset;
  has: (zone: string) => boolean;
}

/** One piece of work that does not depend on which colours were chosen. Minutes are typical bench values; the log corrects them. */
export interface StepRule {
  key: string;
  title: string;
  lane: Lane;
  minutes: number;
  after: readonly After[];
  when?: (facts: BuildFacts) => boolean;
  splittable?: boolean;
  sprays?: 'primer' | 'clear' | 'dark';
  /** A point of no return. */
  gate?: string;
  caution?: string;
  why?: string;
}

/** What a step waits for: another step, how long after its end at the least, and at the most. */
export type After = string | { step: string; wait: number; most?: number; why: string };

const after = (step: string, wait: { minutes: number; most?: number; says: string }): After => ({
  step,
  wait: wait.minutes,
  most: wait.most,
  why: wait.says,
});

const BLADE = 'Blade: cut away from you, change it when it drags.';
const DUST = 'Filler and plastic dust: sand wet, wear a dust mask (resin above all).';
const CEMENT = 'Solvent cement: ventilate; keep it off clear parts.';
const CA = 'Cyanoacrylate: fumes and skin; it fogs clear parts.';
const SPRAY = 'Spray mist: mask and extraction.';
const SPIRIT = 'Mineral spirit: ventilate; lay rags flat outdoors to dry.';

const rotor = (f: BuildFacts) => f.preset.propulsion === 'rotor';
const winged = (f: BuildFacts) => !rotor(f);
const wheelsDown = (f: BuildFacts) => f.options.gear === 'down';
const noseWheel = (f: BuildFacts) => f.has('well-nose');
const wingBays = (f: BuildFacts) => f.has('well-main-port');
const weathered = (f: BuildFacts) => f.options.weathering !== 'none';
const propelled = (f: BuildFacts) =>
  f.preset.propulsion.endsWith('propeller') || f.preset.propulsion.endsWith('propellers');
const fittedWindows = (f: BuildFacts) => f.preset.glazing !== 'canopy';

/**
 * The canonical order of work up to the gates, around the steps that the colours add: `interior`, `bays`, `parts`, `colours` and
 * `markings` are joints where those are let in.
 */
export const RULES: readonly StepRule[] = [
  {
    key: 'options',
    title: 'Settle the options against the instructions',
    lane: 'Whole',
    minutes: 20,
    after: [],
    why: 'each choice changes parts, fits and holes',
  },
  {
    key: 'wash-sprues',
    title: 'Wash the sprues',
    lane: 'Whole',
    minutes: 20,
    after: [],
    why: 'release agent lets paint and masks lift',
  },
  {
    key: 'check-parts',
    title: 'Check for broken and missing parts',
    lane: 'Whole',
    minutes: 20,
    after: [after('wash-sprues', WAITS.wash), 'options'],
  },

  {
    key: 'ejector-marks',
    title: 'Fill the ejector marks that will show',
    lane: 'Cockpit',
    minutes: 25,
    after: ['check-parts'],
    caution: DUST,
  },
  {
    key: 'tub',
    title: 'Assemble the cockpit tub',
    lane: 'Cockpit',
    minutes: 40,
    after: [after('ejector-marks', WAITS.filler)],
    caution: CEMENT,
  },
  {
    key: 'prime-interior',
    title: 'Prime the interior',
    lane: 'Cockpit',
    minutes: 20,
    after: [{ step: 'tub', wait: 120, why: 'joints are firm enough to handle' }],
    sprays: 'primer',
    caution: SPRAY,
  },
  { key: 'interior', title: 'Interior base colours', lane: 'Cockpit', minutes: 0, after: ['prime-interior'] },
  {
    key: 'chip-interior',
    title: 'Dry-brush and chip the interior',
    lane: 'Cockpit',
    minutes: 25,
    after: ['interior'],
    when: weathered,
  },
  { key: 'panel', title: 'Paint and decal the instrument panel', lane: 'Cockpit', minutes: 30, after: ['interior'] },
  {
    key: 'dials',
    title: 'A drop of gloss on each dial',
    lane: 'Cockpit',
    minutes: 10,
    after: [after('panel', WAITS.decal)],
  },
  {
    key: 'wash-interior',
    title: 'Wash the interior',
    lane: 'Cockpit',
    minutes: 15,
    after: ['chip-interior', 'interior'],
    when: weathered,
    caution: SPIRIT,
  },
  {
    key: 'wipe-interior',
    title: 'Wipe the interior wash',
    lane: 'Cockpit',
    minutes: 15,
    after: [
      {
        step: 'wash-interior',
        wait: WAITS.washWindow.minutes,
        most: WAITS.washWindow.most,
        why: WAITS.washWindow.says,
      },
    ],
    when: weathered,
  },
  {
    key: 'matt-interior',
    title: 'Matt coat on the interior',
    lane: 'Cockpit',
    minutes: 10,
    after: [{ step: 'wipe-interior', wait: 12 * 60, why: 'the wash is dry after 12 h' }],
    sprays: 'clear',
    when: weathered,
    caution: SPRAY,
  },
  {
    key: 'belts',
    title: 'Seat and belts',
    lane: 'Cockpit',
    minutes: 30,
    after: ['matt-interior', 'interior'],
    caution: CA,
  },
  {
    key: 'fit-cockpit',
    title: 'Fit the cockpit, dry-fit the halves',
    lane: 'Cockpit',
    minutes: 25,
    after: ['belts', 'dials'],
    caution: CEMENT,
  },

  {
    key: 'nose-bay',
    title: 'Build the nose-wheel bay',
    lane: 'Fuselage',
    minutes: 25,
    after: ['check-parts'],
    when: noseWheel,
    caution: CEMENT,
  },
  {
    key: 'windows',
    title: 'Fit the cabin windows',
    lane: 'Fuselage',
    minutes: 25,
    after: ['fit-cockpit'],
    when: fittedWindows,
  },
  {
    key: 'nose-weight',
    title: 'Weigh, place and prove the nose weight',
    lane: 'Fuselage',
    minutes: 20,
    after: ['fit-cockpit', 'nose-bay'],
    when: (f) => noseWheel(f) && wheelsDown(f) && f.options.stand !== 'a rod',
    caution: 'Lead: gloves, wash hands; tungsten putty or steel balls do without it.',
    why: 'with a nose wheel it would sit on its tail',
  },
  {
    key: 'drill-fuselage',
    title: 'Drill the aerial holes',
    lane: 'Fuselage',
    minutes: 15,
    after: ['check-parts'],
    caution: BLADE,
  },
  {
    key: 'rod-socket',
    title: 'Fit the display rod socket',
    lane: 'Fuselage',
    minutes: 20,
    after: ['fit-cockpit'],
    when: (f) => f.options.stand === 'a rod',
  },
  {
    key: 'gate:fuselage',
    title: 'Close the fuselage',
    lane: 'Fuselage',
    minutes: 30,
    after: [
      'fit-cockpit',
      'nose-weight',
      'drill-fuselage',
      'rod-socket',
      'bays',
      { step: 'windows', wait: WAITS.pva.minutes, why: WAITS.pva.says },
    ],
    gate: 'fuselage',
    caution: CEMENT,
    why: 'everything inside is sealed from here on',
  },

  {
    key: 'wing-bays',
    title: 'Build the main-wheel bays',
    lane: 'Wings',
    minutes: 25,
    after: ['check-parts'],
    when: wingBays,
    caution: CEMENT,
  },
  { key: 'bays', title: 'Bay colours', lane: 'Wings', minutes: 0, after: ['nose-bay', 'wing-bays'] },
  {
    key: 'drill-wings',
    title: 'Drill the pylon holes',
    lane: 'Wings',
    minutes: 15,
    after: ['check-parts'],
    when: (f) => winged(f) && f.options.stores !== 'none',
    caution: BLADE,
  },
  {
    key: 'hinges',
    title: 'Prepare the fold hinges',
    lane: 'Wings',
    minutes: 45,
    after: ['check-parts'],
    when: (f) => f.options.wings === 'folded',
    caution: BLADE,
  },
  {
    key: 'gate:wings',
    title: 'Close the wings',
    lane: 'Wings',
    minutes: 30,
    after: ['check-parts', 'drill-wings', 'hinges', 'bays'],
    when: winged,
    gate: 'wings',
    caution: CEMENT,
    why: 'bays and drillings are out of reach from here on',
  },
  {
    key: 'flaps',
    title: 'Cut and set the flaps',
    lane: 'Wings',
    minutes: 45,
    after: [after('gate:wings', WAITS.cement)],
    when: (f) => winged(f) && f.options.flaps === 'down',
    caution: BLADE,
  },
  {
    key: 'seams-wings',
    title: 'Clean up the wing edges',
    lane: 'Wings',
    minutes: 40,
    after: [after('gate:wings', WAITS.cement)],
    when: winged,
    splittable: true,
    caution: DUST,
  },

  {
    key: 'seams-fuselage',
    title: 'Sand the fuselage seams, 200 to 600',
    lane: 'Fuselage',
    minutes: 60,
    after: [after('gate:fuselage', WAITS.cement)],
    splittable: true,
    caution: DUST,
    why: 'some seams are real: see Evidence before filling',
  },
  {
    key: 'fill-seams',
    title: 'Fill what the sanding showed',
    lane: 'Fuselage',
    minutes: 20,
    after: ['seams-fuselage'],
    caution: DUST,
  },
  {
    key: 'sand-seams',
    title: 'Sand the filler, 600 to 1000',
    lane: 'Fuselage',
    minutes: 45,
    after: [after('fill-seams', WAITS.filler)],
    splittable: true,
    caution: DUST,
  },
  {
    key: 'rescribe',
    title: 'Restore lost panel lines and rivets',
    lane: 'Fuselage',
    minutes: 35,
    after: ['sand-seams'],
    splittable: true,
    caution: BLADE,
  },
  {
    key: 'join-wings',
    title: 'Wings on, set the dihedral',
    lane: 'Whole',
    minutes: 35,
    after: ['sand-seams', 'seams-wings', 'flaps'],
    when: winged,
    caution: CEMENT,
  },
  {
    key: 'join-tail',
    title: 'Tailplane on, true to the wings',
    lane: 'Whole',
    minutes: 25,
    after: ['sand-seams', 'join-wings'],
    caution: CEMENT,
  },
  {
    key: 'seams-roots',
    title: 'Fill and sand the roots',
    lane: 'Whole',
    minutes: 40,
    after: [after('join-tail', WAITS.cement), after('join-wings', WAITS.cement)],
    splittable: true,
    caution: DUST,
  },

  {
    key: 'mask-canopy',
    title: 'Mask the canopy, inside and out',
    lane: 'Whole',
    minutes: 45,
    after: ['check-parts'],
    when: (f) => f.has('canopy'),
    splittable: true,
    caution: BLADE,
  },
  {
    key: 'fit-canopy',
    title: 'Fix the canopy and plug the cockpit',
    lane: 'Whole',
    minutes: 20,
    after: ['mask-canopy', 'seams-roots', 'fit-cockpit'],
    when: (f) => f.has('canopy'),
  },
  {
    key: 'plug-bays',
    title: 'Plug bays and intakes',
    lane: 'Whole',
    minutes: 25,
    after: ['seams-roots', 'bays'],
    when: (f) => noseWheel(f) || wingBays(f),
  },
  {
    key: 'degrease',
    title: 'Degrease without filling the model with water',
    lane: 'Whole',
    minutes: 15,
    after: [
      'seams-roots',
      'rescribe',
      'plug-bays',
      { step: 'fit-canopy', wait: WAITS.pva.minutes, why: WAITS.pva.says },
    ],
  },

  {
    key: 'prime',
    title: 'Prime',
    lane: 'Whole',
    minutes: 30,
    after: [after('degrease', WAITS.wash)],
    sprays: 'primer',
    caution: SPRAY,
  },
  {
    key: 'inspect',
    title: 'Inspect under the primer',
    lane: 'Whole',
    minutes: 25,
    after: [{ step: 'prime', wait: 180, why: 'lacquer primer may be handled and sanded after 3 h' }],
  },
  {
    key: 'mend',
    title: 'Mend the flaws',
    lane: 'Whole',
    minutes: 30,
    after: ['inspect'],
    splittable: true,
    caution: DUST,
    why: 'one loop is planned; three are normal',
  },
  {
    key: 'prime-again',
    title: 'Prime what was mended',
    lane: 'Whole',
    minutes: 15,
    after: [after('mend', WAITS.filler)],
    sprays: 'primer',
    caution: SPRAY,
  },
  {
    key: 'gate:colour',
    title: 'Begin the colours',
    lane: 'Whole',
    minutes: 10,
    after: [{ step: 'prime-again', wait: 180, why: 'lacquer primer may be masked after 3 h' }],
    gate: 'colour',
    why: 'codes, boundaries and paints are fixed from here on',
  },
  {
    key: 'shade',
    title: 'Pre-shade panel lines',
    lane: 'Whole',
    minutes: 35,
    after: ['gate:colour'],
    when: (f) => f.options.tonal === 'pre-shaded',
    sprays: 'dark',
    caution: SPRAY,
    why: 'the coats over it must stay translucent',
  },
  {
    key: 'black-base',
    title: 'Black base coat',
    lane: 'Whole',
    minutes: 25,
    after: ['gate:colour'],
    when: (f) => f.options.tonal === 'black base',
    sprays: 'dark',
    caution: SPRAY,
  },
  { key: 'colours', title: 'Colours', lane: 'Whole', minutes: 0, after: ['shade', 'black-base', 'gate:colour'] },
  { key: 'unmask', title: 'Unmask and inspect', lane: 'Whole', minutes: 25, after: ['colours'] },
  { key: 'touch-up', title: 'Mend overspray', lane: 'Whole', minutes: 30, after: ['unmask'] },
  {
    key: 'gloss',
    title: 'Gloss coat',
    lane: 'Whole',
    minutes: 20,
    after: ['touch-up'],
    sprays: 'clear',
    caution: SPRAY,
    why: 'decals and washes need a smooth ground',
  },
  {
    key: 'gate:seal',
    title: 'Begin the markings',
    lane: 'Whole',
    minutes: 10,
    after: [{ step: 'gloss', wait: 24 * 60, why: 'the clear may be wetted after a day' }],
    gate: 'seal',
    why: 'sizes and places of markings are fixed from here on',
  },
  { key: 'markings', title: 'Markings', lane: 'Whole', minutes: 0, after: ['gate:seal'] },
  {
    key: 'stencils',
    title: 'Stencils, zone by zone',
    lane: 'Whole',
    minutes: 60,
    after: ['markings'],
    splittable: true,
  },
  {
    key: 'seal',
    title: 'Seal the markings',
    lane: 'Whole',
    minutes: 15,
    after: [{ step: 'stencils', wait: WAITS.decalOvernight.minutes, why: WAITS.decalOvernight.says }],
    sprays: 'clear',
    caution: SPRAY,
  },

  {
    key: 'wash',
    title: 'Panel-line wash',
    lane: 'Whole',
    minutes: 25,
    after: [{ step: 'seal', wait: 24 * 60, why: 'spirit needs a cured clear under it' }],
    when: weathered,
    caution: SPIRIT,
  },
  {
    key: 'wipe',
    title: 'Wipe the wash along the airflow',
    lane: 'Whole',
    minutes: 25,
    after: [{ step: 'wash', wait: WAITS.washWindow.minutes, most: WAITS.washWindow.most, why: WAITS.washWindow.says }],
    when: weathered,
    caution: SPIRIT,
  },
  {
    key: 'streaks',
    title: 'Streaks back from fillers and hinges',
    lane: 'Whole',
    minutes: 30,
    after: [{ step: 'wipe', wait: 12 * 60, why: 'the wash is dry after 12 h' }],
    when: weathered,
  },
  {
    key: 'exhaust',
    title: 'Exhaust stains',
    lane: 'Whole',
    minutes: 15,
    after: ['streaks'],
    when: (f) => weathered(f),
    sprays: 'dark',
    caution: SPRAY,
  },
  {
    key: 'chips',
    title: 'Chips where feet and hands go',
    lane: 'Whole',
    minutes: 30,
    after: ['streaks'],
    when: weathered,
  },
  {
    key: 'neglect',
    title: 'Fade and mottle the upper surfaces',
    lane: 'Whole',
    minutes: 40,
    after: ['streaks'],
    when: (f) => f.options.weathering === 'neglected',
  },
  {
    key: 'matt',
    title: 'Matt coat',
    lane: 'Whole',
    minutes: 20,
    after: ['chips', 'exhaust', 'neglect', { step: 'seal', wait: 60, why: 'clear over clear after an hour' }],
    sprays: 'clear',
    caution: SPRAY,
  },
  {
    key: 'dust',
    title: 'Dust and mud where the wheels throw it',
    lane: 'Whole',
    minutes: 20,
    after: [{ step: 'matt', wait: 60, why: 'the matt is dry after an hour' }],
    when: (f) => weathered(f) && wheelsDown(f),
  },

  {
    key: 'build-gear',
    title: 'Build the gear',
    lane: 'Gear, stores',
    minutes: 30,
    after: ['check-parts'],
    when: (f) => wheelsDown(f) && (f.has('gear-main') || f.has('skids')),
    caution: BLADE,
  },
  {
    key: 'build-stores',
    title: 'Build the stores',
    lane: 'Gear, stores',
    minutes: 30,
    after: ['check-parts'],
    when: (f) => f.options.stores !== 'none',
    caution: CEMENT,
  },
  {
    key: 'build-propeller',
    title: 'Build propeller and spinner',
    lane: 'Gear, stores',
    minutes: 20,
    after: ['check-parts'],
    when: propelled,
  },
  {
    key: 'build-rotor',
    title: 'Build rotor head and blades',
    lane: 'Gear, stores',
    minutes: 45,
    after: ['check-parts', 'hinges'],
    when: rotor,
    caution: BLADE,
  },
  { key: 'exhausts', title: 'Paint the exhausts', lane: 'Gear, stores', minutes: 20, after: ['check-parts'] },
  {
    key: 'parts',
    title: 'Colours of the small parts',
    lane: 'Gear, stores',
    minutes: 0,
    after: ['build-gear', 'build-stores', 'build-propeller', 'build-rotor'],
  },
  {
    key: 'weather-gear',
    title: 'Wash gear and wheels',
    lane: 'Gear, stores',
    minutes: 20,
    after: ['parts'],
    when: (f) => weathered(f) && wheelsDown(f),
    caution: SPIRIT,
  },

  {
    key: 'fit-gear',
    title: 'Fit the gear, wheels to a level stance',
    lane: 'Whole',
    minutes: 35,
    after: ['build-gear', 'weather-gear', 'parts', { step: 'matt', wait: 60, why: 'handled dry' }],
    when: (f) => wheelsDown(f) && (f.has('gear-main') || f.has('skids')),
    caution: CA,
  },
  {
    key: 'fit-doors',
    title: 'Fit the bay doors',
    lane: 'Whole',
    minutes: 25,
    after: ['fit-gear'],
    when: noseWheel,
    caution: CA,
  },
  {
    key: 'fit-stores',
    title: 'Hang the stores',
    lane: 'Whole',
    minutes: 20,
    after: ['build-stores', 'parts', 'fit-gear', 'matt'],
    when: (f) => f.options.stores !== 'none',
  },
  {
    key: 'fit-propeller',
    title: 'Fit the propeller, check its clearance',
    lane: 'Whole',
    minutes: 15,
    after: ['parts', 'fit-gear', 'matt'],
    when: propelled,
  },
  {
    key: 'fit-rotor',
    title: 'Fit rotor and tail rotor',
    lane: 'Whole',
    minutes: 30,
    after: ['parts', 'fit-gear', 'matt'],
    when: rotor,
  },
  { key: 'lights', title: 'Navigation lights: silver under clear colour', lane: 'Whole', minutes: 15, after: ['matt'] },
  {
    key: 'unmask-canopy',
    title: 'Unmask the canopy',
    lane: 'Whole',
    minutes: 20,
    after: ['dust', 'matt', 'mask-canopy'],
    when: (f) => f.has('canopy'),
    caution: BLADE,
  },
  {
    key: 'open-canopy',
    title: 'Pose the open canopy',
    lane: 'Whole',
    minutes: 15,
    after: ['unmask-canopy'],
    when: (f) => f.options.canopy === 'open',
  },
  {
    key: 'aerials',
    title: 'Aerials, thread checked against scale',
    lane: 'Whole',
    minutes: 25,
    after: ['unmask-canopy', 'fit-propeller', 'fit-rotor', 'fit-stores', 'fit-doors'],
    caution: CA,
  },

  {
    key: 'base-ground',
    title: 'Cut the base and lay the groundwork',
    lane: 'Base',
    minutes: 60,
    after: ['options'],
    when: (f) => f.options.stand === 'a base',
    splittable: true,
  },
  {
    key: 'base-paint',
    title: 'Paint the base',
    lane: 'Base',
    minutes: 30,
    after: [{ step: 'base-ground', wait: WAITS.water.minutes, why: 'groundwork dries for a day' }],
    when: (f) => f.options.stand === 'a base',
    sprays: 'dark',
    caution: SPRAY,
  },
  {
    key: 'mount',
    title: 'Mount on the base or rod',
    lane: 'Base',
    minutes: 20,
    after: ['aerials', 'base-paint'],
    when: (f) => f.options.stand !== 'its gear',
  },
  {
    key: 'last-look',
    title: 'Last look, photographs for the record',
    lane: 'Whole',
    minutes: 20,
    after: ['aerials', 'lights', 'open-canopy', 'mount'],
  },
];
