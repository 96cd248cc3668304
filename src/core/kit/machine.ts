/** What the options ask of the airframe: plain words, so that this room need not know how it is drawn. */
export interface Machine {
  /** What the main subject is. */
  form: 'aircraft' | 'ship' | 'base';
  gear: 'retracts' | 'fixed';
  thirdWheel: 'nose' | 'tail' | 'none';
  power: 'propeller' | 'jet' | 'rotor' | 'rotor and propeller' | 'none';
  /** Where its exhausts are: at the nose, on nacelles or pods, at its tail, on its back. */
  exhausts: 'cowling' | 'nacelles' | 'tail' | 'body' | 'none';
  wings: 'fixed' | 'swing' | 'none';
  glazing: 'canopy' | 'cabin' | 'nose' | 'open' | 'none';
  /** Whether wires hold its wings: a second wing over the first. */
  wires: 'braced' | 'none';
}

/** How far a build is that has begun, where that forbids something. */
export interface Progress {
  fuselage: 'open' | 'closed';
  noseWeight: 'in' | 'not in';
}

export const NOT_BEGUN: Progress = { fuselage: 'open', noseWeight: 'not in' };
