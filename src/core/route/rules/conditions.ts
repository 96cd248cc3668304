import type { Among } from '@/core/kit/among';
import type { Machine } from '@/core/kit/machine';
import type { Zone } from '@/core/outline/zones';
import type { Build } from './rule';

export const not = (asks: (f: Build) => boolean) => (f: Build) => !asks(f);

/** On machines that have exhausts, wherever they are. */
export const WITH_EXHAUSTS = { exhausts: ['cowling', 'nacelles', 'tail', 'body'] } satisfies Among<Machine>;

/** What the rules ask of a build. */
export const rotor = (f: Build) => f.machine.power.startsWith('rotor');
export const winged = (f: Build) => f.has('wing-lower-port');
export const wheelsDown = (f: Build) => f.options.gear === 'down';
export const noseBay = (f: Build) => f.has('well-nose') && wheelsDown(f);
export const wingBays = (f: Build) => f.has('well-main-port') && wheelsDown(f);
export const weathered = (f: Build) => f.options.weathering !== 'none';
export const propelled = (f: Build) => f.has('propeller');
export const fittedWindows = (f: Build) => f.machine.glazing === 'cabin' || f.machine.glazing === 'nose';
/** It would sit on its tail, unless a rod or a base holds it. */
export const needsNoseWeight = (f: Build) =>
  f.machine.thirdWheel === 'nose' && wheelsDown(f) && f.options.stand !== 'a rod';
export const bayed = (f: Build) => noseBay(f) || wingBays(f);
/** Glass that is closed over is masked and painted with the airframe. */
export const closedCanopy = (f: Build) => f.has('canopy') && f.options.canopy === 'closed';
export const openCanopy = (f: Build) => f.has('canopy') && f.options.canopy === 'open';
/** Painted on a stick while the cockpit is plugged, and fixed last. */
export const lateCanopy = (f: Build) => closedCanopy(f) && f.options.clearParts === 'after paint';
/** Its crew sits in the open, behind windscreens. */
export const openCockpit = (f: Build) => f.machine.glazing === 'open';
export const apartCanopy = (f: Build) => openCanopy(f) || lateCanopy(f);
/** The cockpit stands open while the airframe is painted, its glass painted apart. */
export const apartGlass = (f: Build) => apartCanopy(f) || openCockpit(f);
export const twoCockpits = (f: Build) => f.has('cockpit-rear');
/** Wires hold its wings. */
export const braced = (f: Build) => f.machine.wires === 'braced';
export const rigged = (f: Build) => braced(f) && f.options.rigging !== 'none';
export const isGlass = ({ group }: Zone) => group === 'glazing';
export const isFabric = ({ surface }: Zone) => surface === 'fabric';
export const fabric = (f: Build) => f.zones.some(isFabric);
/** It stands on something that is fitted. */
export const geared = (f: Build) => wheelsDown(f) && (f.has('gear-main') || f.has('skids'));
/** Its legs stand under the airframe while that is painted. */
export const earlyGear = (f: Build) => geared(f) && f.options.gearOn !== 'after paint';
/** Legs of which some parts are trapped in their bays. */
export const legsInBays = (f: Build) => geared(f) && bayed(f) && f.options.gearOn === 'inside its bays';
/** The engine is seen: round and open in front, or behind panels that are open or missing. */
export const seenEngine = (f: Build) =>
  !jet(f) &&
  // Where there are cabin windows, doors are those of the cabin.
  ((f.options.doors === 'open' && !fittedWindows(f)) || f.options.state === 'derelict') &&
  (f.has('propeller') || rotor(f));
/** The crew of the kit: figures that stand in the brief by themselves take its place. */
export const kitCrew = (f: Build) => !f.figuresAboard;
/** No airbrush: nothing is misted. */
export const byHand = (f: Build) => f.general !== 'airbrush';
export const jet = (f: Build) => f.machine.power.includes('jet');
/** In its worn states weathering shows metal and age. */
export const WORN = ['neglected', 'derelict'] as const;
export const worn = (f: Build) => WORN.some((state) => state === f.options.weathering);
