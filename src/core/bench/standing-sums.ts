import { UNTOLD_MM } from '@/core/markings/size';
import { DEGREES, shown } from './sum-figures';

/** Sums of how a model stands, and what clears the ground under it. Lengths in mm on the model, angles in degrees. Each says how it came about. */

/** A leg or wheel: where it stands, aft of a datum and to starboard, and how far it reaches below a level line through the model. */
export interface Leg {
  xMm: number;
  yMm: number;
  downMm: number;
}

export const MOST_LEGS = 40;

/**
 * Any number of legs on one ground: the plane that fits their feet best (least squares), moved down to the foot that reaches furthest. Every
 * other leg is packed by what it lacks, or the furthest is shortened. Throws where all legs stand in one line, so that any plane would do.
 */
export function legsSum({ legs }: { legs: readonly Leg[] }) {
  const n = legs.length;
  const mean = (of: (leg: Leg) => number) => legs.reduce((sum, leg) => sum + of(leg), 0) / n;
  const [x0, y0, z0] = [mean(({ xMm }) => xMm), mean(({ yMm }) => yMm), mean(({ downMm }) => downMm)];
  let [xx, xy, yy, xz, yz] = [0, 0, 0, 0, 0];
  for (const { xMm, yMm, downMm } of legs) {
    const [x, y, z] = [xMm - x0, yMm - y0, downMm - z0];
    [xx, xy, yy, xz, yz] = [xx + x * x, xy + x * y, yy + y * y, xz + x * z, yz + y * z];
  }
  const spread = xx * yy - xy * xy;
  if (n < 3 || spread <= 1e-9 * (xx + yy) ** 2)
    throw new RangeError('the legs stand in one line: three that do not are needed');
  const [alongX, alongY] = [(xz * yy - yz * xy) / spread, (yz * xx - xz * xy) / spread];
  const ground = ({ xMm, yMm }: Leg) => z0 + alongX * (xMm - x0) + alongY * (yMm - y0);
  const over = Math.max(...legs.map((leg) => leg.downMm - ground(leg)));
  const packMm = legs.map((leg) => Math.max(0, ground(leg) + over - leg.downMm));
  const most = Math.max(...packMm);
  return {
    packMm,
    pitchDeg: Math.atan(-alongX) * DEGREES,
    rollDeg: Math.atan(-alongY) * DEGREES,
    because: [
      `the plane nearest to ${n} feet, by least squares, moved to the foot that reaches furthest`,
      most < UNTOLD_MM
        ? 'all of them stand: nobody sees the rest'
        : `leg ${packMm.indexOf(most) + 1} hangs ${shown(most)} mm over the ground: pack it, or take as much off the others`,
    ],
  };
}

/** What is to be put under one side of something that leans, so that it stands upright: t = w tan a. */
export function uprightSum({ leanDeg, widthMm }: { leanDeg: number; widthMm: number }) {
  const shimMm = widthMm * Math.tan(Math.abs(leanDeg) / DEGREES);
  return {
    shimMm,
    because: [
      `${shown(widthMm)} mm x tan ${shown(Math.abs(leanDeg))}° = ${shown(shimMm)} mm, under the side that it leans to`,
      shimMm < UNTOLD_MM ? 'less than anybody sees' : 'a strip of that thickness, tapered to nothing at the other side',
    ],
  };
}

/**
 * What hangs under a model over its ground, the model pitched about its main wheels: a store, a tank, a pod. `aftMm` is how far behind the main
 * wheels its lowest point lies; nose up lowers that.
 */
export function clearanceSum(given: { heightMm: number; hangsMm: number; aftMm: number; pitchDeg: number }) {
  const { heightMm, hangsMm, aftMm, pitchDeg } = given;
  const lowered = aftMm * Math.sin(pitchDeg / DEGREES);
  const clearanceMm = (heightMm - hangsMm) * Math.cos(pitchDeg / DEGREES) - lowered;
  return {
    clearanceMm,
    because: [
      `${shown(heightMm)} mm over the ground, hangs ${shown(hangsMm)} mm`,
      ...(pitchDeg === 0
        ? []
        : [`nose up ${shown(pitchDeg)}°: ${shown(lowered)} mm lower, ${shown(aftMm)} mm behind the wheels`]),
      clearanceMm < 0 ? 'it strikes the ground' : 'it is clear',
    ],
  };
}

/** A door on its hinge over the ground, hanging open by an angle from shut, where shut is level. */
export function doorSum({ hingeMm, doorMm, openDeg }: { hingeMm: number; doorMm: number; openDeg: number }) {
  const downMm = doorMm * Math.max(0, Math.sin(openDeg / DEGREES));
  const clearanceMm = hingeMm - (openDeg > 90 && openDeg < 180 ? doorMm : downMm);
  const mostDeg = doorMm <= hingeMm ? 90 : Math.asin(hingeMm / doorMm) * DEGREES;
  return {
    clearanceMm,
    mostDeg,
    because: [
      `the hinge is ${shown(hingeMm)} mm over the ground; open ${shown(openDeg)}° the door reaches ${shown(hingeMm - clearanceMm)} mm down`,
      doorMm <= hingeMm
        ? 'it may hang straight down'
        : `it strikes at ${shown(mostDeg, 1)}°: it is ${shown(doorMm - hingeMm)} mm longer than its hinge is high`,
    ],
  };
}
