import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from './difference';
import { readObservation } from './observation';
import { colourFromPhoto, patchOf, photoFault } from './photo';
import { hexToLab, labToXyz, xyzToLab, xyzToSrgb } from './spaces';
import type { Lab, Xyz } from './types';
import {
  CUSTOM_SHARES,
  customWhite,
  LAMP_NAMES,
  labUnderLamp,
  MATT_VEIL,
  throughAir,
  underLamp,
  varnished,
} from './viewing';

describe('under a lamp', () => {
  test('a flat grey is the same under every lamp', () => {
    const grey = Array.from({ length: 31 }, () => 0.3);
    for (const lamp of LAMP_NAMES)
      expect(deltaE00(underLamp(grey, lamp), underLamp(grey, 'daylight'))).toBeLessThan(0.05);
  });
  test('two spectra of one colour by day part under the bulb (metamerism)', () => {
    const smooth = Array.from({ length: 31 }, () => 0.3);
    // A ripple that daylight does not see is another matter for a bulb: found by adding a long-wave bump and a compensating rest.
    const bumpy = smooth.map((value, i) => value + (i > 26 ? 0.4 : 0));
    const [a, b] = [underLamp(smooth, 'daylight'), underLamp(bumpy, 'daylight')];
    const byBulb = deltaE00(underLamp(smooth, 'bulb'), underLamp(bumpy, 'bulb'));
    expect(byBulb).toBeGreaterThan(deltaE00(a, b) * 1.2);
  });
  test('daylight changes nothing', () => expect(labUnderLamp([50, 20, -10], 'daylight')).toEqual([50, 20, -10]));
});

describe('from a distance', () => {
  const at = (distanceM: number) => ({ distanceM, denominator: 72, visibilityKm: 20 });
  test('through clear air a 1/72 model at arm’s length changes by about 1', () => {
    const dark: Lab = [36, -9, 13];
    const dE = deltaE00(dark, throughAir(dark, at(0.5)));
    expect(dE).toBeGreaterThan(0.4);
    expect(dE).toBeLessThan(2);
  });
  test('no distance, no change; more air, more change; at the end only haze', () => {
    const lab: Lab = [30, 10, -20];
    expect(deltaE00(lab, throughAir(lab, at(0)))).toBeLessThan(1e-6);
    expect(deltaE00(lab, throughAir(lab, at(2)))).toBeGreaterThan(deltaE00(lab, throughAir(lab, at(1))));
    const far = throughAir(lab, { distanceM: 1e6, denominator: 72, visibilityKm: 1 });
    expect(Math.hypot(far[1], far[2])).toBeLessThan(0.1);
  });
  test('the custom of 15 % white is as much as mist', () => {
    const dark: Lab = [36, -9, 13];
    const custom = deltaE00(dark, customWhite(dark, CUSTOM_SHARES.at(-1)!.share));
    const clear = deltaE00(dark, throughAir(dark, at(0.5)));
    expect(custom).toBeGreaterThan(5 * clear);
  });
});

describe('varnish', () => {
  test('matt lightens by its veil, gloss takes it away again', () => {
    const gloss: Lab = [30, 0, 0];
    const matt = varnished(gloss, 'gloss', 'matt');
    expect(labToXyz(matt)[1] - labToXyz(gloss)[1]).toBeCloseTo(MATT_VEIL, 9);
    varnished(matt, 'matt', 'gloss').forEach((value, i) => expect(value).toBeCloseTo(gloss[i]!, 9));
    expect(varnished(gloss, 'satin', 'satin')[0]).toBeCloseTo(30, 9);
  });
  test('never goes below black', () => expect(varnished([0, 0, 0], 'matt', 'gloss')[0]).toBeGreaterThanOrEqual(0));
});

/** Pixels of a surface in a light, as a camera would keep them; the light is a factor on each of X, Y, Z. */
function shot(lab: Lab, light: Xyz, noise = 0, pixels = 400): number[] {
  const rgb = xyzToSrgb(labToXyz(lab).map((value, i) => value * light[i]!) as unknown as Xyz);
  let state = 7;
  const next = () => (state = (state * 16807) % 2147483647) / 2147483647 - 0.5;
  return Array.from({ length: pixels }, () =>
    rgb.map((c) => Math.round(255 * Math.min(1, Math.max(0, c)) + noise * next())),
  ).flat();
}

describe('a colour from a photograph beside a card', () => {
  const card: Lab = [76, 0, 0];
  const cases: [Lab, Xyz][] = [
    [
      [50, 10, 20],
      [0.6, 0.6, 0.6],
    ],
    [
      [36, -9, 13],
      [0.8, 0.8, 0.8],
    ],
    [
      [62, -2, -3],
      [0.75, 0.7, 0.45],
    ],
  ];
  test.each(cases)('%j under %j comes out within its uncertainty', (lab, light) => {
    const found = colourFromPhoto(patchOf(shot(lab, light, 6)), patchOf(shot(card, light, 6)), card);
    expect(deltaE00(found.lab, lab)).toBeLessThan(2 * found.sd);
    expect(deltaE00(found.lab, lab)).toBeLessThan(3);
    expect(found.sd).toBeGreaterThan(1);
  });
  test('noise widens what it claims', () => {
    const sd = (noise: number) =>
      colourFromPhoto(
        patchOf(shot([50, 10, 20], [0.6, 0.6, 0.6], noise)),
        patchOf(shot(card, [0.6, 0.6, 0.6], noise)),
        card,
      ).sd;
    expect(sd(120)).toBeGreaterThan(sd(4));
  });
  test('a blown-out card, a patch of a few pixels and a black card are refused in words', () => {
    const good = patchOf(shot([50, 0, 0], [0.6, 0.6, 0.6]));
    expect(photoFault(good, patchOf(Array.from({ length: 900 }, () => 255)))).toMatch(/card is overexposed/);
    expect(photoFault(patchOf([10, 10, 10]), good)).toMatch(/at least 25 pixels/);
    expect(photoFault(good, patchOf(Array.from({ length: 900 }, () => 3)))).toMatch(/too dark/);
    expect(photoFault(good, good)).toBeNull();
    expect(() => patchOf([])).toThrow(RangeError);
  });
});

describe('a test spray in words', () => {
  const target = hexToLab('#6a7480');
  const read = (text: string) => readObservation(text, target);
  test('directions and sizes', () => {
    const blue = read('too blue')!;
    expect(blue.lab[2]).toBeLessThan(target[2]);
    expect(blue.lab[0]).toBeCloseTo(target[0], 9);
    expect(deltaE00(target, read('a little too dark')!.lab)).toBeCloseTo(3, 1);
    expect(deltaE00(target, read('much too light')!.lab)).toBeCloseTo(9, 1);
  });
  test('several at once, in any order', () => {
    const both = read('too blue, a little too dark')!;
    expect(both.lab[2]).toBeLessThan(target[2]);
    expect(both.lab[0]).toBeLessThan(target[0]);
    expect(both.says).toMatch(/bluer/);
  });
  test('greyer and stronger lie along the colour itself', () => {
    const red: Lab = [45, 40, 20];
    expect(Math.hypot(...readObservation('too grey', red)!.lab.slice(1))).toBeLessThan(Math.hypot(40, 20));
    expect(Math.hypot(...readObservation('too strong', red)!.lab.slice(1))).toBeGreaterThan(Math.hypot(40, 20));
  });
  test('as wanted is as wanted; what is not understood is not guessed', () => {
    expect(read('spot on')).toMatchObject({ lab: target, says: 'as wanted' });
    expect(read('purplish and off')).toBeNull();
    expect(read('')).toMatchObject({ lab: target });
  });
  test('the more it is off, the less sure the eye is', () =>
    expect(read('much too blue')!.sd).toBeGreaterThan(read('slightly too blue')!.sd));
  test('stays a colour at the ends', () =>
    expect(readObservation('much too dark', [2, 0, 0])!.lab[0]).toBeGreaterThanOrEqual(0));
});

test('white stays white through all of it', () => {
  const white = xyzToLab([0.9504559270516716, 1, 1.0890577507598784]);
  expect(white[0]).toBeCloseTo(100, 6);
});
