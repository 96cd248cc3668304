import type { Machine } from '@/core/kit/machine';
import { BASIC, NONE } from './basic-presets';
import { USUAL_BAYS, type Dimensions } from './dimensions';
import type { Preset } from './preset';

export const PRESET_NAMES = [
  'single',
  'tail-wheel',
  'high-wing',
  'biplane',
  'twin',
  'twin-boom',
  'float-plane',
  'glider',
  'jet',
  'delta',
  'swing-wing',
  'transport',
  'podded-jet',
  'tail-jet',
  'high-wing-twin',
  'rotorcraft',
  'autogyro',
  'ship',
  'base',
] as const;
export type PresetName = (typeof PRESET_NAMES)[number];

/** A further starting point, said by what differs from one of the basic ones. */
const like = (base: Preset, over: Partial<Omit<Preset, 'dimensions'>>, dimensions: Partial<Dimensions>): Preset => ({
  ...base,
  ...over,
  dimensions: { ...base.dimensions, ...dimensions },
});

/** What stands still: no wings, no power, nobody under glass. */
const STILL: Preset = {
  ...BASIC.rotorcraft,
  propulsion: 'none',
  glazing: 'none',
  gear: 'fixed',
  wings: 'none',
  landing: 'wheels',
  section: 8,
  dimensions: NONE,
};

export const PRESETS: Record<PresetName, Preset> = {
  ...BASIC,
  'tail-wheel': like(
    BASIC.single,
    { title: 'Single-engine low wing with tail wheel', thirdWheel: 'tail' },
    {
      length: 8.9,
      span: 10.4,
      gearHeight: 1.1,
      mainWheelStation: 2.6,
      mainTrack: 2.7,
      thirdWheelStation: 8.1,
      thirdWheelDiameter: 0.3,
      canopyStation: 3.4,
      canopyLength: 2,
    },
  ),
  biplane: like(
    BASIC['high-wing'],
    { title: 'Biplane', glazing: 'canopy', surface: 'fabric' },
    {
      length: 7.6,
      span: 9.6,
      wingStation: 2,
      wingHeight: 0.15,
      rootChord: 1.5,
      tipChord: 1.45,
      dihedral: 2.5,
      canopyStation: 3.1,
      canopyLength: 1.1,
      canopyHeight: 0.22,
      mainWheelStation: 1.9,
      mainTrack: 1.9,
      thirdWheelStation: 7.2,
      upperWingStation: 1.5,
      upperWingHeight: 2.3,
      wingBays: USUAL_BAYS,
    },
  ),
  'twin-boom': like(
    BASIC.twin,
    {
      title: 'Twin boom',
      thirdWheel: 'nose',
      profile: [
        [0, 0.5, 0.32, 0.2],
        [0.05, 0.72, 0.16, 0.6],
        [0.16, 0.92, 0.03, 0.92],
        [0.3, 1, 0, 1],
        [0.45, 0.94, 0.06, 0.85],
        [0.58, 0.76, 0.3, 0.42],
        [0.68, 0.64, 0.46, 0.1],
      ],
    },
    {
      length: 11.6,
      span: 15.8,
      tailSpan: 5.4,
      mainWheelStation: 5.2,
      thirdWheelStation: 1.4,
      thirdWheelDiameter: 0.6,
      engineSpacing: 2.4,
      boomSpacing: 2.4,
      boomDiameter: 0.6,
    },
  ),
  'float-plane': like(
    BASIC.single,
    { title: 'Float plane', gear: 'fixed', landing: 'floats', thirdWheel: 'none' },
    { gearHeight: 1.9, mainTrack: 2.8, mainWheelStation: 3.6, thirdWheelStation: 0, thirdWheelDiameter: 0 },
  ),
  glider: like(
    BASIC.single,
    { title: 'Glider', propulsion: 'none', gear: 'fixed', thirdWheel: 'tail' },
    {
      length: 7.2,
      span: 16,
      fuselageHeight: 0.95,
      fuselageWidth: 0.7,
      cowlLength: 0,
      wingStation: 2.1,
      wingHeight: 0.62,
      rootChord: 1.15,
      tipChord: 0.5,
      wingSweep: 0.25,
      dihedral: 3,
      tailSpan: 3,
      tailRootChord: 0.75,
      tailTipChord: 0.45,
      finHeight: 1.05,
      finRootChord: 1.1,
      finTipChord: 0.6,
      canopyStation: 0.7,
      canopyLength: 1.4,
      canopyHeight: 0.28,
      gearHeight: 0.25,
      mainWheelStation: 2.3,
      mainWheelDiameter: 0.4,
      mainTrack: 0.1,
      thirdWheelStation: 6.8,
      thirdWheelDiameter: 0.2,
      propellerDiameter: 0,
    },
  ),
  delta: like(
    BASIC.jet,
    { title: 'Delta' },
    {
      length: 13.4,
      span: 8.4,
      wingStation: 4.4,
      rootChord: 7.2,
      tipChord: 0.5,
      wingSweep: 6.2,
      dihedral: -1,
      tailSpan: 0,
      tailRootChord: 0,
      tailTipChord: 0,
      tailSweep: 0,
      mainWheelStation: 8.1,
    },
  ),
  'swing-wing': like(
    BASIC.jet,
    { title: 'Swing wing', wings: 'swing' },
    {
      length: 16.8,
      span: 14,
      wingStation: 6.6,
      wingHeight: 1.3,
      rootChord: 3,
      tipChord: 1.3,
      wingSweep: 1.9,
      tailSpan: 6.4,
      tailRootChord: 2.4,
      tailTipChord: 1,
      mainWheelStation: 9,
      canopyStation: 3.4,
      canopyLength: 3,
    },
  ),
  'podded-jet': like(
    BASIC.transport,
    { title: 'Jet with engines in pods', propulsion: 'jet' },
    {
      length: 24,
      span: 23,
      wingStation: 8.4,
      wingHeight: 0.5,
      rootChord: 4.6,
      tipChord: 1.5,
      wingSweep: 4.6,
      dihedral: 5,
      finSweep: 2.8,
      mainWheelStation: 11.2,
      propellerDiameter: 0,
      engineSpacing: 3.9,
      nacelleLength: 3.8,
      nacelleDiameter: 1.3,
    },
  ),
  'tail-jet': like(
    BASIC.transport,
    { title: 'Jet with engines at its tail', propulsion: 'jet', pods: 'tail' },
    {
      length: 23,
      span: 21,
      wingStation: 9.6,
      wingHeight: 0.45,
      rootChord: 4.2,
      tipChord: 1.4,
      wingSweep: 3.6,
      dihedral: 3,
      finSweep: 3,
      mainWheelStation: 12.4,
      propellerDiameter: 0,
      engineSpacing: 2,
      nacelleLength: 3.6,
      nacelleDiameter: 1.1,
    },
  ),
  'high-wing-twin': like(
    BASIC.transport,
    { title: 'High-wing twin', glazing: 'nose', gear: 'fixed' },
    {
      length: 15.5,
      span: 19.5,
      fuselageHeight: 2,
      fuselageWidth: 1.7,
      cowlLength: 1.4,
      wingStation: 5.3,
      wingHeight: 1.85,
      rootChord: 2,
      tipChord: 1.7,
      wingSweep: 0.2,
      dihedral: 1,
      tailSpan: 6.4,
      tailRootChord: 1.6,
      tailTipChord: 1.1,
      finHeight: 2.6,
      finRootChord: 2.4,
      finTipChord: 1.3,
      finSweep: 1.1,
      canopyStation: 1.6,
      canopyLength: 1.7,
      gearHeight: 0.95,
      mainWheelStation: 6.6,
      mainWheelDiameter: 0.8,
      mainTrack: 3.6,
      thirdWheelStation: 1.5,
      thirdWheelDiameter: 0.6,
      propellerDiameter: 2.6,
      engineSpacing: 2.6,
      nacelleLength: 3.2,
      nacelleDiameter: 0.8,
    },
  ),
  autogyro: like(
    BASIC.rotorcraft,
    {
      title: 'Autogyro',
      propulsion: 'rotor and nose propeller',
      thirdWheel: 'tail',
      glazing: 'canopy',
      landing: 'wheels',
      profile: BASIC.single.profile,
    },
    {
      length: 6.2,
      fuselageHeight: 1.1,
      fuselageWidth: 0.85,
      cowlLength: 1.1,
      tailSpan: 2.4,
      tailRootChord: 0.8,
      tailTipChord: 0.6,
      canopyStation: 2.2,
      canopyLength: 1.2,
      canopyHeight: 0.3,
      gearHeight: 0.9,
      mainWheelStation: 1.8,
      mainWheelDiameter: 0.5,
      mainTrack: 1.9,
      thirdWheelStation: 5.7,
      thirdWheelDiameter: 0.2,
      propellerDiameter: 2.1,
      rotorDiameter: 9.6,
    },
  ),
  ship: like(
    STILL,
    {
      title: 'Ship, by length, beam and height',
      form: 'ship',
      profile: [
        [0, 1, 0.4, 0.04],
        [0.06, 1, 0.1, 0.4],
        [0.18, 1, 0, 0.84],
        [0.34, 1, 0, 1],
        [0.8, 1, 0, 1],
        [0.94, 1, 0.16, 0.92],
        [1, 1, 0.34, 0.8],
      ],
    },
    { length: 120, fuselageHeight: 9, fuselageWidth: 14, canopyStation: 44, canopyLength: 26, canopyHeight: 8 },
  ),
  base: like(
    STILL,
    {
      title: 'Base: ground or water by itself',
      form: 'base',
      section: 5,
      profile: [
        [0, 1, 0, 1],
        [1, 1, 0, 1],
      ],
    },
    { length: 14, fuselageHeight: 0.6, fuselageWidth: 10 },
  ),
};

/** The form of a layout. */
export const formOf = (preset: PresetName): Machine['form'] => PRESETS[preset].form ?? 'aircraft';

/** What the main subject is, over its type. */
export const FORM_TITLES: Readonly<Record<Machine['form'], string>> = {
  aircraft: 'Airframe',
  ship: 'Ship',
  base: 'Base',
};

/** How a crew sits: under a canopy, or in the open, alone or one behind the other. */
export const COCKPITS = ['canopy', 'open', 'two open'] as const;

/** A machine by its layout, and by what it has otherwise than that: '' or nothing is as the layout has it. */
export interface AsBuilt {
  preset: PresetName;
  gear?: '' | Machine['gear'];
  cockpit?: '' | (typeof COCKPITS)[number];
  dimensions?: Pick<Dimensions, 'upperWingHeight'>;
}

export const glazingOf = ({ preset, cockpit }: Pick<AsBuilt, 'preset' | 'cockpit'>): Machine['glazing'] =>
  cockpit && formOf(preset) === 'aircraft' ? (cockpit === 'canopy' ? 'canopy' : 'open') : PRESETS[preset].glazing;

/** What the options ask of an airframe. */
export function machineOf({ preset, gear: own, cockpit, dimensions }: AsBuilt): Machine {
  const { gear, thirdWheel, wings, propulsion, dimensions: usual }: Preset = PRESETS[preset];
  return {
    form: formOf(preset),
    gear: own || gear,
    thirdWheel,
    wings,
    glazing: glazingOf({ preset, cockpit }),
    power: POWER[propulsion],
    exhausts: propulsion === 'jet' && usual.engineSpacing > 0 ? 'nacelles' : EXHAUSTS[propulsion],
    wires: (dimensions ?? usual).upperWingHeight > 0 ? 'braced' : 'none',
  };
}

const POWER: Record<Preset['propulsion'], Machine['power']> = {
  'nose propeller': 'propeller',
  'wing propellers': 'propeller',
  jet: 'jet',
  rotor: 'rotor',
  'rotor and nose propeller': 'rotor and propeller',
  none: 'none',
};

const EXHAUSTS: Record<Preset['propulsion'], Machine['exhausts']> = {
  'nose propeller': 'cowling',
  'wing propellers': 'nacelles',
  jet: 'tail',
  rotor: 'body',
  'rotor and nose propeller': 'cowling',
  none: 'none',
};
