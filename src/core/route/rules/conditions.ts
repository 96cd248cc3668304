import type { Build } from './rule';

/** What the rules ask of a build. */
export const rotor = (f: Build) => f.preset.propulsion === 'rotor';
export const winged = (f: Build) => !rotor(f);
export const wheelsDown = (f: Build) => f.options.gear === 'down';
export const noseWheel = (f: Build) => f.has('well-nose');
export const wingBays = (f: Build) => f.has('well-main-port');
export const weathered = (f: Build) => f.options.weathering !== 'none';
export const propelled = (f: Build) =>
  f.preset.propulsion.endsWith('propeller') || f.preset.propulsion.endsWith('propellers');
export const fittedWindows = (f: Build) => f.preset.glazing !== 'canopy';
