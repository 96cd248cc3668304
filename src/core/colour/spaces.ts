import whites from './whites.json' with { type: 'json' };
import { apply, invert, type Matrix, type Vector } from './matrix';
import type { Lab, Srgb, White, Xyz } from './types';

/** The D65 white of the 31-band tables (x 0.3127, y 0.3290), Y = 1. */
export const WHITE_D65 = whites.white_D65_XYZ as unknown as Xyz;
const WHITES = { ...(whites.bradford.whites as unknown as Record<White, Xyz>), D65: WHITE_D65 };

// CIE 15: the cube-root curve and its linear start.
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
const curve = (t: number) => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);
const uncurve = (f: number) => (f ** 3 > EPSILON ? f ** 3 : (116 * f - 16) / KAPPA);

/** CIE 15: XYZ to Lab, relative to `white`. */
export function xyzToLab(xyz: Xyz, white: Xyz = WHITE_D65): Lab {
  const [fx, fy, fz] = [curve(xyz[0] / white[0]), curve(xyz[1] / white[1]), curve(xyz[2] / white[2])];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

/** CIE 15: Lab to XYZ, relative to `white`. */
export function labToXyz(lab: Lab, white: Xyz = WHITE_D65): Xyz {
  const fy = (lab[0] + 16) / 116;
  return [uncurve(fy + lab[1] / 500) * white[0], uncurve(fy) * white[1], uncurve(fy - lab[2] / 200) * white[2]];
}

const BRADFORD = whites.bradford.matrix as unknown as Matrix;
const BRADFORD_INVERSE = invert(BRADFORD);

/** Bradford adaptation (Lam 1985): what looks the same under `to` as `xyz` does under `from`. */
export function adapt(xyz: Xyz, from: Xyz, to: Xyz): Xyz {
  const cone = apply(BRADFORD, xyz);
  const source = apply(BRADFORD, from);
  const target = apply(BRADFORD, to);
  const scaled = cone.map((value, i) => (value * target[i]!) / source[i]!) as unknown as Vector;
  return apply(BRADFORD_INVERSE, scaled);
}

/** Lab stated for another white, adapted to D65 by Bradford. */
export function labFromWhite(lab: Lab, white: White): Lab {
  if (white === 'D65') return lab;
  return xyzToLab(adapt(labToXyz(lab, WHITES[white]), WHITES[white], WHITE_D65));
}

/** The other way: Lab as it is stated for another white. */
export function labForWhite(lab: Lab, white: White): Lab {
  if (white === 'D65') return lab;
  return xyzToLab(adapt(labToXyz(lab), WHITE_D65, WHITES[white]), WHITES[white]);
}

// IEC 61966-2-1: the sRGB primaries (0.64, 0.33), (0.30, 0.60), (0.15, 0.06) and this D65 white give the matrix.
const SRGB_TO_XYZ: Matrix = primariesToXyz(
  [
    [0.64, 0.33],
    [0.3, 0.6],
    [0.15, 0.06],
  ],
  WHITE_D65,
);
const XYZ_TO_SRGB = invert(SRGB_TO_XYZ);

function primariesToXyz(primaries: readonly (readonly [number, number])[], white: Xyz): Matrix {
  const column = primaries.map(([x, y]) => [x / y, 1, (1 - x - y) / y] as const);
  const rows = [0, 1, 2].map((row) => column.map((c) => c[row]!)) as unknown as Matrix;
  const s = apply(invert(rows), white);
  return rows.map((row) => row.map((value, i) => value * s[i]!)) as unknown as Matrix;
}

const encode = (linear: number) => {
  const size = Math.abs(linear);
  return size <= 0.0031308 ? 12.92 * linear : Math.sign(linear) * (1.055 * size ** (1 / 2.4) - 0.055);
};
const decode = (value: number) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);

/** IEC 61966-2-1; components outside 0..1 mean that a screen cannot show the colour. */
export function xyzToSrgb(xyz: Xyz): Srgb {
  return apply(XYZ_TO_SRGB, xyz).map(encode) as unknown as Srgb;
}

export function srgbToXyz(rgb: Srgb): Xyz {
  return apply(SRGB_TO_XYZ, rgb.map(decode) as unknown as Vector);
}

/** What a screen shows for a Lab, and whether it could show it unclipped (half an 8-bit step of slack). */
export function labToHex(lab: Lab): { hex: string; inSrgb: boolean } {
  const rgb = xyzToSrgb(labToXyz(lab));
  const slack = 0.5 / 255;
  const inSrgb = rgb.every((c) => c >= -slack && c <= 1 + slack);
  return { hex: srgbToHex(rgb), inSrgb };
}

/** `#rrggbb` of a screen colour, clipped to what a screen shows. */
export function srgbToHex(rgb: Srgb): string {
  const hex = rgb.map((c) =>
    Math.round(Math.min(1, Math.max(0, c)) * 255)
      .toString(16)
      .padStart(2, '0'),
  );
  return `#${hex.join('')}`;
}

/** Only the screen colour: for places that draw. */
export const hexOf = (lab: Lab): string => labToHex(lab).hex;

/** `#rrggbb` (any case) to Lab. Throws RangeError for anything else. */
export function hexToLab(hex: string): Lab {
  const match = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(hex.trim());
  if (!match) throw new RangeError('a screen colour is # and six hexadecimal digits');
  return xyzToLab(srgbToXyz(match.slice(1).map((pair) => parseInt(pair, 16) / 255) as unknown as Srgb));
}

/** C*ab: how far a colour is from grey. */
export const chromaOf = ([, a, b]: Lab): number => Math.hypot(a, b);

/** The angle between the hues of two colours, 0 to pi. */
export function hueBetween([, a1, b1]: Lab, [, a2, b2]: Lab): number {
  const apart = Math.abs(Math.atan2(b1, a1) - Math.atan2(b2, a2));
  return Math.min(apart, 2 * Math.PI - apart);
}
