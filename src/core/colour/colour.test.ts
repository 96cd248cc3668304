import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { poolChips } from './chips';
import { deltaE00 } from './difference';
import { greatestChroma, munsellToLab } from './munsell';
import { parseMunsell, printMunsell } from './munsell-notation';
import { reflectanceToXyz } from './reflectance';
import { adapt, hexToLab, labFromWhite, labToHex, labToXyz, WHITE_D65, xyzToLab } from './spaces';
import type { Lab } from './types';
import { cannotTell, differenceInWords } from './words';

// Sharma, Wu, Dalal (2005), table 1: L1 a1 b1 L2 a2 b2 dE00.
const SHARMA = `50 2.6772 -79.7751 50 0 -82.7485 2.0425
50 3.1571 -77.2803 50 0 -82.7485 2.8615
50 2.8361 -74.0200 50 0 -82.7485 3.4412
50 -1.3802 -84.2814 50 0 -82.7485 1.0000
50 -1.1848 -84.8006 50 0 -82.7485 1.0000
50 -0.9009 -85.5211 50 0 -82.7485 1.0000
50 0 0 50 -1 2 2.3669
50 -1 2 50 0 0 2.3669
50 2.4900 -0.0010 50 -2.4900 0.0009 7.1792
50 2.4900 -0.0010 50 -2.4900 0.0010 7.1792
50 2.4900 -0.0010 50 -2.4900 0.0011 7.2195
50 2.4900 -0.0010 50 -2.4900 0.0012 7.2195
50 -0.0010 2.4900 50 0.0009 -2.4900 4.8045
50 -0.0010 2.4900 50 0.0010 -2.4900 4.8045
50 -0.0010 2.4900 50 0.0011 -2.4900 4.7461
50 2.5 0 50 0 -2.5 4.3065
50 2.5 0 73 25 -18 27.1492
50 2.5 0 61 -5 29 22.8977
50 2.5 0 56 -27 -3 31.9030
50 2.5 0 58 24 15 19.4535
50 2.5 0 50 3.1736 0.5854 1.0000
50 2.5 0 50 3.2972 0 1.0000
50 2.5 0 50 1.8634 0.5757 1.0000
50 2.5 0 50 3.2592 0.3350 1.0000
60.2574 -34.0099 36.2677 60.4626 -34.1751 39.4387 1.2644
63.0109 -31.0961 -5.8663 62.8187 -29.7946 -4.0864 1.2630
61.2901 3.7196 -5.3901 61.4292 2.2480 -4.9620 1.8731
35.0831 -44.1164 3.7933 35.0232 -40.0716 1.5901 1.8645
22.7233 20.0904 -46.6940 23.0331 14.9730 -42.5619 2.0373
36.4612 47.8580 18.3852 36.2715 50.5065 21.2231 1.4146
90.8027 -2.0831 1.4410 91.1528 -1.6435 0.0447 1.4441
90.9257 -0.5406 -0.9208 88.6381 -0.8985 -0.7239 1.5381
6.7747 -0.2908 -2.4247 5.8714 -0.0985 -2.2286 0.6377
2.0776 0.0795 -1.1350 0.9033 -0.0636 -0.5514 0.9082`
  .split('\n')
  .map((line) => line.trim().split(/\s+/).map(Number));

const anyLab = fc.tuple(
  fc.double({ min: 1, max: 99, noNaN: true }),
  fc.double({ min: -60, max: 60, noNaN: true }),
  fc.double({ min: -60, max: 60, noNaN: true }),
) as fc.Arbitrary<Lab>;

describe('CIEDE2000', () => {
  test('the 34 published pairs to 1e-4', () => {
    expect(SHARMA).toHaveLength(34);
    for (const [L1, a1, b1, L2, a2, b2, dE] of SHARMA as [number, number, number, number, number, number, number][]) {
      expect(Math.abs(deltaE00([L1, a1, b1], [L2, a2, b2]) - dE)).toBeLessThan(1e-4);
    }
  });
  test('symmetric, zero for equal colours', () => {
    fc.assert(
      fc.property(anyLab, anyLab, (one, two) => {
        expect(deltaE00(one, two)).toBeCloseTo(deltaE00(two, one), 9);
        expect(deltaE00(one, one)).toBe(0);
      }),
    );
  });
});

describe('colour spaces', () => {
  test('Lab and XYZ are inverse', () => {
    fc.assert(
      fc.property(anyLab, (lab) =>
        xyzToLab(labToXyz(lab)).forEach((value, i) => expect(value).toBeCloseTo(lab[i]!, 9)),
      ),
    );
  });
  test('white is white in every way of stating it', () => {
    for (const lab of [
      hexToLab('#ffffff'),
      xyzToLab(reflectanceToXyz(Array(31).fill(1))),
      labFromWhite([100, 0, 0], 'D50'),
      labFromWhite([100, 0, 0], 'A'),
    ]) {
      expect(lab[0]).toBeCloseTo(100, 6);
      expect(lab[1]).toBeCloseTo(0, 6);
      expect(lab[2]).toBeCloseTo(0, 6);
    }
    expect(WHITE_D65[1]).toBe(1);
  });
  test('sRGB primaries have their published Lab (IEC 61966-2-1, D65)', () => {
    const published: [string, Lab][] = [
      ['#ff0000', [53.24, 80.09, 67.2]],
      ['#00ff00', [87.73, -86.18, 83.18]],
      ['#0000ff', [32.3, 79.19, -107.86]],
    ];
    for (const [hex, lab] of published)
      hexToLab(hex).forEach((value, i) => expect(Math.abs(value - lab[i]!)).toBeLessThan(0.02));
  });
  test('hex survives the way there and back; a colour no screen shows is said to be outside', () => {
    for (const hex of ['#336699', '#000000', '#c8a030']) expect(labToHex(hexToLab(hex))).toEqual({ hex, inSrgb: true });
    expect(labToHex([60, -90, 20]).inSrgb).toBe(false);
    expect(() => hexToLab('#12345')).toThrow(RangeError);
    expect(() => reflectanceToXyz(Array(30).fill(0.5))).toThrow(RangeError);
  });
  test('adaptation agrees with the published Bradford matrix from D65 to D50', () => {
    const published = [
      [1.047811, 0.022887, -0.050127],
      [0.029542, 0.990484, -0.017049],
      [-0.009234, 0.015044, 0.752132],
    ];
    const xyz = [0.2, 0.3, 0.6] as const;
    const adapted = adapt(xyz, [0.95047, 1, 1.08883], [0.96422, 1, 0.82521]);
    published.forEach((row, i) =>
      expect(adapted[i]).toBeCloseTo(row[0]! * xyz[0] + row[1]! * xyz[1] + row[2]! * xyz[2], 4),
    );
  });
});

describe('Munsell', () => {
  test('reads strictly but forgives case and blanks', () => {
    expect(parseMunsell(' 5.5gy 4.2 / 3.1')).toEqual({ hue: 35.5, value: 4.2, chroma: 3.1 });
    expect(parseMunsell('N 4')).toEqual({ hue: 0, value: 4, chroma: 0 });
    expect(parseMunsell('n4.5/')).toEqual({ hue: 0, value: 4.5, chroma: 0 });
    expect(printMunsell(parseMunsell('10RP 5/6'))).toBe('10RP 5/6');
    expect(printMunsell(parseMunsell('0YR 5/6'))).toBe('10R 5/6');
  });
  test.each([
    ['12R 5/5', /hue/],
    ['5R 11/5', /value/],
    ['5R 5/-1', /chroma/],
    ['5X 5/5', /not a Munsell/],
    ['', /not a Munsell/],
  ])('refuses %s', (text, why) => {
    expect(() => parseMunsell(text)).toThrow(why);
  });
  test('beyond the solid the nearest is named', () => {
    expect(() => munsellToLab(parseMunsell('5R 5/40'))).toThrow(/nearest that exists is 5R 5\/28/);
    expect(greatestChroma(5, 5)).toBe(28);
  });
  test('N 5/ is a neutral of the value function, Y near 0.1977 x 0.975 of white (ASTM D1535)', () => {
    const [L, a, b] = munsellToLab(parseMunsell('N 5/'));
    expect(L).toBeCloseTo(51.0, 1);
    expect(Math.hypot(a, b)).toBeLessThan(0.15);
  });
});

describe('words and uncertainty', () => {
  test('below 1, or below twice what is known, nobody can tell', () => {
    expect(cannotTell(0.9, 0)).toBe(true);
    expect(cannotTell(1.1, 0)).toBe(false);
    expect(cannotTell(3, 1.6)).toBe(true);
    expect(differenceInWords([50, 0, 0], [50.8, 0, 0], 0.8, 2)).toBe("can't tell apart");
  });
  test('where the uncertainty, not the difference, is the reason, it is no praise', () => {
    expect(differenceInWords([50, 0, 0], [53.5, 0, 0], 3.46, 2.2)).toBe('not known well enough to tell');
    expect(differenceInWords([50, 0, 0], [53.5, 0, 0], 3.46, 1.2)).toMatch(/^a shade/);
  });
  test('the direction is named, largest first', () => {
    expect(differenceInWords([50, 0, 0], [53, 0, 2.5], 3)).toBe('a shade lighter and yellower');
    expect(differenceInWords([50, 0, 0], [38, 0, 0], 12)).toBe('much darker');
    expect(differenceInWords([60, 5, 60], [60, 4, 48], 5)).toBe('clearly greyer');
  });
  test('pooling two equal chips halves the variance; the surer chip draws the mean to itself', () => {
    const one = { lab: [50, 0, 0] as Lab, origin: 'published' as const, sd: 1 };
    expect(poolChips([one, one])).toMatchObject({ lab: [50, 0, 0], sd: Math.SQRT1_2, outliers: [], disagree: false });
    const pooled = poolChips([one, { lab: [60, 0, 0], origin: 'eyeballed', sd: 3 }])!;
    expect(pooled.lab[0]).toBeCloseTo(51, 9);
    expect(poolChips([])).toBeNull();
  });
});
