import type { Lab } from './types';

// Named once: looking each up in Math costs in an inner loop.
const { abs, atan2, cos, exp, hypot, max, sin, sqrt } = Math;

const RAD = Math.PI / 180;
const degrees = (radians: number) => (radians / RAD + 360) % 360;

/** CIEDE2000 colour difference (Sharma, Wu, Dalal 2005), kL = kC = kH = 1. Symmetric; 0 for equal colours. */
export function deltaE00(one: Lab, two: Lab): number {
  const [L1, a1, b1] = one;
  const [L2, a2, b2] = two;
  const meanC = (hypot(a1, b1) + hypot(a2, b2)) / 2;
  const g = 0.5 * (1 - sqrt(meanC ** 7 / (meanC ** 7 + 25 ** 7)));
  const a1p = (1 + g) * a1;
  const a2p = (1 + g) * a2;
  const C1 = hypot(a1p, b1);
  const C2 = hypot(a2p, b2);
  const h1 = C1 === 0 ? 0 : degrees(atan2(b1, a1p));
  const h2 = C2 === 0 ? 0 : degrees(atan2(b2, a2p));

  const grey = C1 * C2 === 0;
  let dh = h2 - h1;
  if (grey) dh = 0;
  else if (dh > 180) dh -= 360;
  else if (dh < -180) dh += 360;
  const dL = L2 - L1;
  const dC = C2 - C1;
  const dH = 2 * sqrt(C1 * C2) * sin((dh * RAD) / 2);

  const L = (L1 + L2) / 2;
  const C = (C1 + C2) / 2;
  let h = h1 + h2;
  if (!grey) {
    if (abs(h1 - h2) <= 180) h /= 2;
    else h = h < 360 ? (h + 360) / 2 : (h - 360) / 2;
  }
  const t =
    1 -
    0.17 * cos((h - 30) * RAD) +
    0.24 * cos(2 * h * RAD) +
    0.32 * cos((3 * h + 6) * RAD) -
    0.2 * cos((4 * h - 63) * RAD);
  const sL = 1 + (0.015 * (L - 50) ** 2) / sqrt(20 + (L - 50) ** 2);
  const sC = 1 + 0.045 * C;
  const sH = 1 + 0.015 * C * t;
  const turn = 30 * exp(-(((h - 275) / 25) ** 2));
  const rC = 2 * sqrt(C ** 7 / (C ** 7 + 25 ** 7));
  const rT = -sin(2 * turn * RAD) * rC;
  const [l, c, hue] = [dL / sL, dC / sC, dH / sH];
  // Rounding can leave a negative crumb under the root for equal colours.
  return sqrt(max(0, l * l + c * c + hue * hue + rT * c * hue));
}
