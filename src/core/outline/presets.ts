import type { Dimensions } from './dimensions';

export const PRESET_NAMES = ['single', 'high-wing', 'twin', 'jet', 'transport', 'rotorcraft'] as const;
export type PresetName = (typeof PRESET_NAMES)[number];

/** Fuselage shape as fractions: t of the length; top, bottom of the height; width of the greatest width. */
export type ProfilePoint = readonly [t: number, top: number, bottom: number, width: number];

export interface Preset {
  title: string;
  /** Where the engine power is. */
  propulsion: 'nose propeller' | 'wing propellers' | 'jet' | 'rotor';
  thirdWheel: 'nose' | 'tail' | 'none';
  /** Cabin windows rather than a canopy on top. */
  glazing: 'canopy' | 'cabin' | 'nose';
  profile: readonly ProfilePoint[];
  dimensions: Dimensions;
}

const NONE: Dimensions = {
  length: 0, span: 0, fuselageHeight: 0, fuselageWidth: 0, cowlLength: 0, wingStation: 0, wingHeight: 0, rootChord: 0, tipChord: 0,
  wingSweep: 0, dihedral: 0, tailSpan: 0, tailRootChord: 0, tailTipChord: 0, tailSweep: 0, finHeight: 0, finRootChord: 0, finTipChord: 0,
  finSweep: 0, canopyStation: 0, canopyLength: 0, canopyHeight: 0, gearHeight: 0, mainWheelStation: 0, mainWheelDiameter: 0, mainTrack: 0,
  thirdWheelStation: 0, thirdWheelDiameter: 0, propellerDiameter: 0, engineSpacing: 0, nacelleLength: 0, nacelleDiameter: 0, rotorDiameter: 0,
};

/** Starting points, each in the proportions of its class; every dimension can be changed. */
export const PRESETS: Record<PresetName, Preset> = {
  single: {
    title: 'Single-engine low wing with nose wheel',
    propulsion: 'nose propeller',
    thirdWheel: 'nose',
    glazing: 'canopy',
    profile: [
      [0, 0.62, 0.42, 0.2], [0.025, 0.72, 0.3, 0.45], [0.06, 0.79, 0.19, 0.68], [0.14, 0.86, 0.07, 0.88], [0.28, 0.93, 0, 1], [0.42, 1, 0, 1],
      [0.58, 0.93, 0.05, 0.88], [0.75, 0.82, 0.2, 0.62], [0.9, 0.73, 0.38, 0.34], [1, 0.68, 0.52, 0.1],
    ],
    dimensions: {
      ...NONE, length: 9.1, span: 11.1, fuselageHeight: 1.72, fuselageWidth: 1.24, cowlLength: 1.75, wingStation: 2.55, wingHeight: 0.22,
      rootChord: 2.5, tipChord: 1.35, wingSweep: 0.5, dihedral: 5.5, tailSpan: 4.1, tailRootChord: 1.3, tailTipChord: 0.8, tailSweep: 0.3,
      finHeight: 1.55, finRootChord: 1.7, finTipChord: 0.85, finSweep: 0.65, canopyStation: 3.1, canopyLength: 2.5, canopyHeight: 0.55,
      gearHeight: 0.95, mainWheelStation: 4.05, mainWheelDiameter: 0.72, mainTrack: 3.3, thirdWheelStation: 1.2, thirdWheelDiameter: 0.5,
      propellerDiameter: 2.75,
    },
  },
  'high-wing': {
    title: 'Single-engine high wing, tail wheel or skis',
    propulsion: 'nose propeller',
    thirdWheel: 'tail',
    glazing: 'cabin',
    profile: [
      [0, 0.55, 0.35, 0.25], [0.03, 0.66, 0.22, 0.55], [0.1, 0.72, 0.08, 0.85], [0.2, 0.78, 0.02, 0.95], [0.27, 0.98, 0, 1], [0.45, 1, 0, 1],
      [0.58, 0.86, 0.06, 0.85], [0.78, 0.66, 0.2, 0.52], [0.92, 0.56, 0.32, 0.28], [1, 0.5, 0.38, 0.1],
    ],
    dimensions: {
      ...NONE, length: 8.2, span: 12.6, fuselageHeight: 1.85, fuselageWidth: 1.15, cowlLength: 1.45, wingStation: 2.15, wingHeight: 1.78,
      rootChord: 1.85, tipChord: 1.7, wingSweep: 0.1, dihedral: 1.5, tailSpan: 3.9, tailRootChord: 1.2, tailTipChord: 0.85, tailSweep: 0.25,
      finHeight: 1.35, finRootChord: 1.45, finTipChord: 0.75, finSweep: 0.5, canopyStation: 2, canopyLength: 2.3, canopyHeight: 0,
      gearHeight: 0.85, mainWheelStation: 2.1, mainWheelDiameter: 0.65, mainTrack: 2.4, thirdWheelStation: 7.6, thirdWheelDiameter: 0.3,
      propellerDiameter: 2.3,
    },
  },
  twin: {
    title: 'Twin with wing-mounted engines',
    propulsion: 'wing propellers',
    thirdWheel: 'tail',
    glazing: 'canopy',
    profile: [
      [0, 0.5, 0.32, 0.2], [0.03, 0.66, 0.2, 0.5], [0.12, 0.86, 0.05, 0.88], [0.25, 1, 0, 1], [0.45, 0.97, 0, 1], [0.65, 0.86, 0.08, 0.8],
      [0.85, 0.72, 0.26, 0.45], [1, 0.62, 0.44, 0.1],
    ],
    dimensions: {
      ...NONE, length: 13, span: 17.2, fuselageHeight: 1.9, fuselageWidth: 1.45, cowlLength: 1.6, wingStation: 3.9, wingHeight: 0.6,
      rootChord: 3.4, tipChord: 1.6, wingSweep: 0.9, dihedral: 4, tailSpan: 5.8, tailRootChord: 1.9, tailTipChord: 1.1, tailSweep: 0.4,
      finHeight: 2, finRootChord: 2.2, finTipChord: 1.2, finSweep: 0.8, canopyStation: 2.5, canopyLength: 2.9, canopyHeight: 0.5,
      gearHeight: 1.1, mainWheelStation: 4.6, mainWheelDiameter: 0.95, mainTrack: 4.6, thirdWheelStation: 11.9, thirdWheelDiameter: 0.45,
      propellerDiameter: 3.2, engineSpacing: 2.3, nacelleLength: 4.4, nacelleDiameter: 1.15,
    },
  },
  jet: {
    title: 'Swept jet',
    propulsion: 'jet',
    thirdWheel: 'nose',
    glazing: 'canopy',
    profile: [
      [0, 0.66, 0.34, 0.42], [0.04, 0.74, 0.24, 0.6], [0.15, 0.86, 0.09, 0.85], [0.3, 0.95, 0, 0.98], [0.45, 1, 0, 1], [0.65, 0.96, 0.04, 0.97],
      [0.85, 0.85, 0.16, 0.8], [1, 0.74, 0.3, 0.58],
    ],
    dimensions: {
      ...NONE, length: 11.6, span: 10.6, fuselageHeight: 1.75, fuselageWidth: 1.5, cowlLength: 1.1, wingStation: 3.7, wingHeight: 0.35,
      rootChord: 3.1, tipChord: 1.5, wingSweep: 3.2, dihedral: 2, tailSpan: 4.2, tailRootChord: 1.5, tailTipChord: 0.85, tailSweep: 1.2,
      finHeight: 2.1, finRootChord: 2.7, finTipChord: 1.1, finSweep: 1.7, canopyStation: 2.6, canopyLength: 2.2, canopyHeight: 0.55,
      gearHeight: 0.9, mainWheelStation: 5.9, mainWheelDiameter: 0.7, mainTrack: 2.6, thirdWheelStation: 1.9, thirdWheelDiameter: 0.5,
    },
  },
  transport: {
    title: 'Transport',
    propulsion: 'wing propellers',
    thirdWheel: 'nose',
    glazing: 'nose',
    profile: [
      [0, 0.46, 0.3, 0.15], [0.02, 0.6, 0.18, 0.5], [0.07, 0.84, 0.06, 0.84], [0.13, 0.97, 0, 0.98], [0.2, 1, 0, 1], [0.62, 1, 0, 1],
      [0.78, 0.97, 0.14, 0.86], [0.92, 0.9, 0.44, 0.48], [1, 0.82, 0.64, 0.14],
    ],
    dimensions: {
      ...NONE, length: 22, span: 28, fuselageHeight: 2.9, fuselageWidth: 2.7, cowlLength: 2.2, wingStation: 7.6, wingHeight: 2.5,
      rootChord: 3.9, tipChord: 1.7, wingSweep: 1, dihedral: 2, tailSpan: 10, tailRootChord: 2.7, tailTipChord: 1.5, tailSweep: 0.6,
      finHeight: 3.9, finRootChord: 4, finTipChord: 1.7, finSweep: 2, canopyStation: 1.1, canopyLength: 1.7, canopyHeight: 0,
      gearHeight: 0.8, mainWheelStation: 9.6, mainWheelDiameter: 1, mainTrack: 3.4, thirdWheelStation: 2.4, thirdWheelDiameter: 0.7,
      propellerDiameter: 3.6, engineSpacing: 4, nacelleLength: 4.6, nacelleDiameter: 1.25,
    },
  },
  rotorcraft: {
    title: 'Rotorcraft',
    propulsion: 'rotor',
    thirdWheel: 'none',
    glazing: 'nose',
    profile: [
      [0, 0.42, 0.24, 0.2], [0.03, 0.6, 0.1, 0.6], [0.1, 0.82, 0.01, 0.94], [0.2, 0.94, 0, 1], [0.36, 1, 0, 1], [0.46, 0.96, 0.1, 0.86],
      [0.53, 0.84, 0.42, 0.42], [0.7, 0.78, 0.53, 0.24], [0.92, 0.74, 0.57, 0.17], [1, 0.72, 0.6, 0.1],
    ],
    dimensions: {
      ...NONE, length: 10.2, span: 0, fuselageHeight: 2, fuselageWidth: 1.75, cowlLength: 0, tailSpan: 1.9, tailRootChord: 0.55, tailTipChord: 0.45,
      finHeight: 1.15, finRootChord: 0.95, finTipChord: 0.5, finSweep: 0.6, canopyStation: 0.25, canopyLength: 1.75, canopyHeight: 0,
      gearHeight: 0.55, mainWheelStation: 2.6, mainTrack: 2.1, rotorDiameter: 10.6,
    },
  },
};
