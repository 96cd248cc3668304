import cie from './cie-31.json' with { type: 'json' };
import { adapt, labToXyz, WHITE_D65, xyzToLab } from './spaces';
import type { Lab, Reflectance, Xyz } from './types';
import { upsample } from './upsample';

/** Lamps a model is looked at under, by their relative spectral power on 31 bands. */
export const LAMPS = {
  daylight: { title: 'Daylight', says: 'noon daylight, D65', power: cie.illuminant_D65 },
  led: {
    title: 'Workshop LED',
    says: 'a blue diode with a broad yellow phosphor, about 4500 K: two bell curves, no lamp in particular',
    power: ledPower(),
  },
  bulb: { title: 'Warm bulb', says: 'a filament at 2856 K by Planck’s law, illuminant A', power: bulbPower() },
} as const;
export type Lamp = keyof typeof LAMPS;
export const LAMP_NAMES = Object.keys(LAMPS) as Lamp[];

/** A diode at 450 nm (20 nm wide) and a phosphor at 565 nm (110 nm wide), full widths at half height. */
function ledPower(): number[] {
  const bell = (nm: number, centre: number, width: number) => Math.exp(-4 * Math.LN2 * ((nm - centre) / width) ** 2);
  return cie.wavelengths_nm.map((nm) => 0.9 * bell(nm, 450, 20) + bell(nm, 565, 110) + 0.25 * bell(nm, 620, 90));
}

/** CIE illuminant A: Planck's radiator at 2848 K with c2 = 1.435e7 nm K. */
function bulbPower(): number[] {
  const planck = (nm: number) => (560 / nm) ** 5 / (Math.exp(1.435e7 / (2848 * nm)) - 1);
  return cie.wavelengths_nm.map((nm) => planck(nm) / planck(560));
}

function sumUnder(lamp: Lamp, reflectance: Reflectance): Xyz {
  const { x, y, z } = cie.cmf_1931_2deg;
  const { power } = LAMPS[lamp];
  let [X, Y, Z, white] = [0, 0, 0, 0];
  for (let i = 0; i < power.length; i += 1) {
    const light = power[i]! * reflectance[i]!;
    X += light * x[i]!;
    Y += light * y[i]!;
    Z += light * z[i]!;
    white += power[i]! * y[i]!;
  }
  return [X / white, Y / white, Z / white];
}

const FULL = cie.wavelengths_nm.map(() => 1);
const WHITES = Object.fromEntries(LAMP_NAMES.map((lamp) => [lamp, sumUnder(lamp, FULL)])) as Record<Lamp, Xyz>;

/**
 * How a surface looks under a lamp to an eye used to it: its spectrum summed under the lamp (CIE 15), then adapted to D65 by Bradford.
 * A grey of a flat spectrum does not change; a colour changes by what its spectrum does where the lamp is weak.
 */
export function underLamp(reflectance: Reflectance, lamp: Lamp): Lab {
  return xyzToLab(adapt(sumUnder(lamp, reflectance), WHITES[lamp], WHITE_D65));
}

/** The same for a colour of which only Lab is known, by the smoothest spectrum that has it. */
export const labUnderLamp = (lab: Lab, lamp: Lamp): Lab => (lamp === 'daylight' ? lab : underLamp(upsample(lab), lamp));

/** Air light, as of a clear sky near the horizon: Y of a bright haze in the white of the day. */
const AIR_Y = 0.9;

export interface Viewing {
  /** How far the eye is from the model. */
  distanceM: number;
  denominator: number;
  /** Meteorological visibility of the day imagined. */
  visibilityKm: number;
}

/**
 * The air between eye and aircraft at the distance that the model stands for (Koschmieder 1924): contrast falls to T = exp(-3.912 d / V)
 * and haze takes the rest. Physics: about dE00 1 for a 1/72 model at arm's length in clear air.
 */
export function throughAir(lab: Lab, { distanceM, denominator, visibilityKm }: Viewing): Lab {
  const through = Math.exp((-3.912 * distanceM * denominator) / (visibilityKm * 1000));
  const air = WHITE_D65.map((value) => value * AIR_Y);
  return xyzToLab(labToXyz(lab).map((value, i) => through * value + (1 - through) * air[i]!) as unknown as Xyz);
}

/** The bench custom of scale effect: so much white mixed in, seen as if it were haze of the same share. */
export function customWhite(lab: Lab, share: number): Lab {
  return xyzToLab(labToXyz(lab).map((value, i) => (1 - share) * value + share * WHITE_D65[i]!) as unknown as Xyz);
}

/** Share of the custom by scale: more for smaller scales. */
export const CUSTOM_SHARES = [
  { to: 36, share: 0.07, title: '7 %: up to 1/36' },
  { to: 60, share: 0.1, title: '10 %: about 1/48' },
  { to: 1000, share: 0.15, title: '15 %: 1/72 and smaller' },
] as const;

/**
 * What a varnish does to a dry coat: a matt surface scatters about 0.028 of the light back over the colour (Y), a gloss one does not; satin
 * half of it. The figure varies by a half either way from varnish to varnish.
 */
export const MATT_VEIL = 0.028;
const VEIL = { gloss: 0, satin: MATT_VEIL / 2, matt: MATT_VEIL } as const;

export function varnished(lab: Lab, from: keyof typeof VEIL, to: keyof typeof VEIL): Lab {
  const change = VEIL[to] - VEIL[from];
  const xyz = labToXyz(lab);
  return xyzToLab(xyz.map((value, i) => Math.max(0, value + change * WHITE_D65[i]!)) as unknown as Xyz);
}
