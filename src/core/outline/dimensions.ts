/** One editable dimension of an outline: metres (or degrees, or a number of pieces where it says so), with the limits of what can be drawn. */
export interface DimensionInfo {
  title: string;
  least: number;
  most: number;
  unit: 'm' | 'deg' | 'pieces';
}

const m = (title: string, least: number, most: number): DimensionInfo => ({ title, least, most, unit: 'm' });

/** Stations are measured aft from the nose, heights up from the belly. 0 where a part is absent. */
export const DIMENSIONS = {
  length: m('Length', 2, 350),
  span: m('Span', 0, 90),
  fuselageHeight: m('Fuselage height', 0.4, 40),
  fuselageWidth: m('Fuselage width', 0.3, 80),
  cowlLength: m('Cowling length', 0, 20),
  wingStation: m('Wing root leading edge, station', 0, 60),
  wingHeight: m('Wing root above belly', 0, 12),
  rootChord: m('Wing root chord', 0, 25),
  tipChord: m('Wing tip chord', 0, 20),
  wingSweep: m('Tip leading edge aft of root', -10, 30),
  dihedral: { title: 'Dihedral', least: -20, most: 20, unit: 'deg' } as DimensionInfo,
  tailSpan: m('Tailplane span', 0, 40),
  tailRootChord: m('Tailplane root chord', 0, 12),
  tailTipChord: m('Tailplane tip chord', 0, 10),
  tailSweep: m('Tailplane tip aft of root', -4, 12),
  finHeight: m('Fin height', 0, 15),
  finRootChord: m('Fin root chord', 0, 15),
  finTipChord: m('Fin tip chord', 0, 10),
  finSweep: m('Fin tip aft of root', -3, 12),
  canopyStation: m('Canopy front, station', 0, 300),
  canopyLength: m('Canopy length', 0, 150),
  canopyHeight: m('Canopy height', 0, 40),
  gearHeight: m('Ground below belly', 0, 6),
  mainWheelStation: m('Main wheels, station', 0, 60),
  mainWheelDiameter: m('Main wheel diameter', 0, 3),
  mainTrack: m('Wheel track', 0, 15),
  thirdWheelStation: m('Nose or tail wheel, station', 0, 80),
  thirdWheelDiameter: m('Nose or tail wheel diameter', 0, 2),
  propellerDiameter: m('Propeller diameter', 0, 8),
  engineSpacing: m('Engines from centre line', 0, 30),
  nacelleLength: m('Nacelle length', 0, 12),
  nacelleDiameter: m('Nacelle diameter', 0, 4),
  rotorDiameter: m('Main rotor diameter', 0, 40),
  upperWingStation: m('Upper wing leading edge, station', 0, 60),
  upperWingHeight: m('Upper wing above belly', 0, 12),
  /** Of two wings with struts between them; 0 where nobody counted. */
  wingBays: { title: 'Bays of struts a side', least: 0, most: 5, unit: 'pieces' } as DimensionInfo,
  boomSpacing: m('Tail booms from centre line', 0, 15),
  boomDiameter: m('Tail boom diameter', 0, 4),
} as const satisfies Record<string, DimensionInfo>;

export type DimensionName = keyof typeof DIMENSIONS;
export type Dimensions = Record<DimensionName, number>;
export const DIMENSION_NAMES = Object.keys(DIMENSIONS) as DimensionName[];

/** What the same dimensions are called of a ship or a base; what is not named there it does not have. */
export const OTHER_FORMS: Readonly<Record<'ship' | 'base', Partial<Record<DimensionName, string>>>> = {
  ship: {
    length: 'Length',
    fuselageWidth: 'Beam',
    fuselageHeight: 'Height, keel to deck',
    canopyStation: 'Island front, station',
    canopyLength: 'Island length',
    canopyHeight: 'Island above the deck',
    engineSpacing: 'Island to starboard of the middle',
  },
  base: { length: 'Length', fuselageWidth: 'Breadth', fuselageHeight: 'Height' },
};

/** Bays that a machine with two wings is taken to have while nobody counted. */
export const USUAL_BAYS = 2;
