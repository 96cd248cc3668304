import { UNTOLD_MM } from '@/core/markings/size';
import type { Chemistry } from '@/core/paint/chemistry';
import { dryingFactor, dryingOf, type Climate, type DryingState } from '@/core/paint/drying';
import { atScale } from '@/core/units/length';
import { DEGREES, shown } from './sum-figures';

/** Sums of the workshop beside those of the contract. Lengths in mm, weights in g, angles in degrees. Each says how it came about. */

/** Newton for each gram. */
const N_PER_G = 9.81e-3;

/**
 * How a model stands on three wheels: heights are those of the wheels' ground contact below one level line through the model. Which main leg
 * is to be shortened, and how the nose points.
 */
export function stanceSum(given: {
  portMm: number;
  starboardMm: number;
  thirdMm: number;
  trackMm: number;
  baseMm: number;
}) {
  const { portMm, starboardMm, thirdMm, trackMm, baseMm } = given;
  const rollDeg = Math.atan2(portMm - starboardMm, trackMm) * DEGREES;
  const main = (portMm + starboardMm) / 2;
  const pitchDeg = Math.atan2(main - thirdMm, baseMm) * DEGREES;
  const shortenMm = Math.abs(portMm - starboardMm);
  return {
    rollDeg,
    pitchDeg,
    shortenMm,
    because: [
      `legs differ by ${shown(shortenMm)} mm over a track of ${shown(trackMm)} mm`,
      shortenMm < UNTOLD_MM
        ? 'nobody sees that'
        : `take ${shown(shortenMm)} mm off the ${portMm > starboardMm ? 'port' : 'starboard'} leg, or pack the other`,
      `main legs ${shown(main)} mm, third wheel ${shown(thirdMm)} mm, ${shown(baseMm)} mm apart`,
    ],
  };
}

/** Strength of pins, MPa: where soft wire begins to bend for good. */
export const PIN_STRENGTH = { brass: 200, steel: 400, plastic: 40 } as const;
export type PinMetal = keyof typeof PIN_STRENGTH;
/** A model is picked up, and not only stood. */
const PIN_SAFETY = 4;

/** The thinnest pin that bears a load at the end of an arm: round bar in bending, sigma = 32 M / (pi d^3). */
export function pinSum({ loadG, armMm, metal }: { loadG: number; armMm: number; metal: PinMetal }) {
  const momentNmm = loadG * N_PER_G * armMm;
  const diameterMm = Math.cbrt((32 * momentNmm * PIN_SAFETY) / (Math.PI * PIN_STRENGTH[metal]));
  return {
    diameterMm,
    intoEachMm: 3 * diameterMm,
    because: [
      `${shown(loadG)} g x ${shown(armMm)} mm = ${shown(momentNmm, 3)} N mm`,
      `d = cube root of (32 M x ${PIN_SAFETY} / (pi x ${PIN_STRENGTH[metal]} MPa)): ${metal}, ${PIN_SAFETY} times what it has to bear`,
      'three diameters deep in each half, so that the glue bears as much',
    ],
  };
}

/** Stiffness of rods, GPa. */
export const ROD_STIFFNESS = { steel: 200, brass: 100, acrylic: 3 } as const;
export type RodMaterial = keyof typeof ROD_STIFFNESS;

/** How far an upright display rod leans under a model whose weight lies beside its axis: end moment on a cantilever, M L^2 / (2 E I). */
export function rodSum(given: {
  massG: number;
  offsetMm: number;
  lengthMm: number;
  diameterMm: number;
  material: RodMaterial;
}) {
  const { massG, offsetMm, lengthMm, diameterMm, material } = given;
  const momentNmm = massG * N_PER_G * offsetMm;
  const inertia = (Math.PI * diameterMm ** 4) / 64;
  const stiffness = ROD_STIFFNESS[material] * 1000;
  const leanMm = (momentNmm * lengthMm ** 2) / (2 * stiffness * inertia);
  const leanDeg = ((momentNmm * lengthMm) / (stiffness * inertia)) * DEGREES;
  return {
    leanMm,
    leanDeg,
    because: [
      `${shown(massG)} g, ${shown(offsetMm)} mm beside the rod: ${shown(momentNmm)} N mm`,
      `I = pi d^4 / 64 = ${shown(inertia, 3)} mm^4, ${material} ${ROD_STIFFNESS[material]} GPa`,
      leanDeg < 0.5
        ? 'nobody sees it lean'
        : 'it is seen to lean: a thicker rod, or the socket under the centre of gravity',
    ],
  };
}

/** Where to drill, from a datum and the centre line of the real machine. */
export function drillSum({
  alongMm,
  besideMm,
  denominator,
}: {
  alongMm: number;
  besideMm: number;
  denominator: number;
}) {
  const [along, beside] = [atScale(alongMm, denominator), atScale(besideMm, denominator)];
  return {
    alongMm: along,
    besideMm: beside,
    straightMm: Math.hypot(along, beside),
    because: [
      `${shown(alongMm)} / ${denominator} along, ${shown(besideMm)} / ${denominator} beside the centre line`,
      'straight from the datum: the root of both squares, to check with dividers',
    ],
  };
}

/** How long a coat still dries. `forced` below 1 is a dryer or a warm box. */
export function dryingSum(given: Climate & { chemistry: Chemistry; until: DryingState; forced: number }) {
  const { chemistry, until, forced, ...climate } = given;
  const usual = dryingOf({ chemistry })[until];
  const factor = dryingFactor(chemistry, climate) * forced;
  return {
    minutes: Math.ceil(usual * factor),
    because: [
      `usually ${usual} min at 20 °C and 50 %`,
      `times ${shown(factor)}: ${climate.tempC} °C, ${climate.humidity} %${forced === 1 ? '' : `, hurried to ${shown(forced)}`}`,
    ],
  };
}

/** Tape for an edge, with what is cut off, lapped and thrown away. */
export function tapeSum({ edgeMm, layers, rollM }: { edgeMm: number; layers: number; rollM: number }) {
  const needed = edgeMm * layers * TAPE_WASTE;
  return {
    tapeMm: needed,
    rollPercent: (100 * needed) / (rollM * 1000),
    because: [
      `${shown(edgeMm)} mm of edge, laid ${layers} times, ${Math.round((TAPE_WASTE - 1) * 100)} % lost in cuts and laps`,
    ],
  };
}
const TAPE_WASTE = 1.2;

/** What has to be bought, with postage that falls away from a sum on. Money in cents. */
export function costSum(given: { priceCents: number; count: number; postageCents: number; freeFromCents: number }) {
  const { priceCents, count, postageCents, freeFromCents } = given;
  const goods = priceCents * count;
  const postage = freeFromCents > 0 && goods >= freeFromCents ? 0 : postageCents;
  return {
    totalCents: goods + postage,
    eachCents: count > 0 ? (goods + postage) / count : 0,
    because: [
      `${count} x ${(priceCents / 100).toFixed(2)} = ${(goods / 100).toFixed(2)}`,
      postage === 0 ? 'sent free' : `and ${(postage / 100).toFixed(2)} for sending`,
    ],
  };
}
