import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { deltaE00 } from './difference';
import { invert, apply, type Matrix } from './matrix';
import { greatestChroma, munsellToLab } from './munsell';
import { parseMunsell, printMunsell } from './munsell-notation';
import { reflectanceToXyz } from './reflectance';
import { adapt, hexOf, hexToLab, labToXyz, WHITE_D65, xyzToLab, xyzToSrgb } from './spaces';
import type { Lab, Xyz } from './types';
import { combinedSd, differenceInWords } from './words';

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const lab = fc.tuple(
  fc.double({ min: 5, max: 95, noNaN: true }),
  fc.double({ min: -50, max: 50, noNaN: true }),
  fc.double({ min: -50, max: 50, noNaN: true }),
) as fc.Arbitrary<Lab>;

describe('reflectance', () => {
  test('a grey reflects every band alike and has no chroma, whatever its value', () => {
    fc.assert(
      fc.property(unit, (value) => {
        const [, a, b] = xyzToLab(reflectanceToXyz(Array(31).fill(value)));
        expect(Math.hypot(a, b)).toBeLessThan(1e-6);
      }),
    );
  });
  test('a brighter surface in any band is never darker', () => {
    fc.assert(
      fc.property(fc.array(unit, { minLength: 31, maxLength: 31 }), fc.nat(30), (bands, at) => {
        const brighter = bands.map((value, i) => (i === at ? Math.min(1, value + 0.1) : value));
        expect(reflectanceToXyz(brighter)[1]).toBeGreaterThanOrEqual(reflectanceToXyz(bands)[1]);
      }),
    );
  });
  test('half of one and half of another is the mean of both: light adds up', () => {
    const red = Array.from({ length: 31 }, (_, i) => (i > 19 ? 0.8 : 0.05));
    const blue = Array.from({ length: 31 }, (_, i) => (i < 9 ? 0.7 : 0.05));
    const mean = reflectanceToXyz(red.map((value, i) => (value + blue[i]!) / 2));
    const [one, two] = [reflectanceToXyz(red), reflectanceToXyz(blue)];
    mean.forEach((value, i) => expect(value).toBeCloseTo((one[i]! + two[i]!) / 2, 12));
  });
});

describe('adaptation', () => {
  const other: Xyz = [0.96422, 1, 0.82521];
  test('takes white to white and back again', () => {
    fc.assert(
      fc.property(lab, (colour) => {
        const xyz = labToXyz(colour);
        adapt(adapt(xyz, WHITE_D65, other), other, WHITE_D65).forEach((value, i) =>
          expect(value).toBeCloseTo(xyz[i]!, 9),
        );
      }),
    );
    adapt(WHITE_D65, WHITE_D65, other).forEach((value, i) => expect(value).toBeCloseTo(other[i]!, 12));
  });
});

describe('matrices', () => {
  test('a matrix times its inverse changes nothing; a flat one has none', () => {
    const m: Matrix = [
      [2, 1, 0],
      [0, 3, 1],
      [1, 0, 4],
    ];
    apply(invert(m), apply(m, [1, 2, 3])).forEach((value, i) => expect(value).toBeCloseTo(i + 1, 12));
    expect(() =>
      invert([
        [1, 2, 3],
        [2, 4, 6],
        [0, 0, 1],
      ]),
    ).toThrow(RangeError);
  });
});

describe('the screen', () => {
  test('every hex is what its Lab shows', () => {
    fc.assert(
      fc.property(fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255)), (rgb) => {
        const hex = `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
        expect(hexOf(hexToLab(hex))).toBe(hex);
      }),
    );
  });
  test('mid grey by its definition: L* 50 is Y 0.184 and sRGB 119', () => {
    expect(labToXyz([50, 0, 0])[1]).toBeCloseTo(0.18419, 4);
    expect(Math.round(xyzToSrgb(labToXyz([50, 0, 0]))[0] * 255)).toBe(119);
    expect(hexOf([50, 0, 0])).toBe('#777777');
  });
});

describe('Munsell', () => {
  test('printing and reading again gives the same notation', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 399 }),
        fc.integer({ min: 10, max: 90 }),
        fc.integer({ min: 1, max: 40 }),
        (hue, value, chroma) => {
          const notation = { hue: hue / 4, value: value / 10, chroma: chroma / 10 };
          expect(parseMunsell(printMunsell(notation))).toEqual(notation);
        },
      ),
    );
  });
  test('within the solid every notation has a colour, stronger the higher its chroma', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99 }), fc.integer({ min: 2, max: 9 }), (hue, value) => {
        const most = greatestChroma(hue, value);
        const [low, high] = [2, Math.min(most, 6)].map((chroma) => munsellToLab({ hue, value, chroma }));
        expect(Math.hypot(high![1], high![2])).toBeGreaterThanOrEqual(Math.hypot(low![1], low![2]) - 1e-9);
      }),
      { numRuns: 60 },
    );
  });
  test('lightness follows the value alone', () => {
    const [one, two] = [munsellToLab(parseMunsell('5R 5/4')), munsellToLab(parseMunsell('5BG 5/4'))];
    expect(Math.abs(one[0] - two[0])).toBeLessThan(1.2);
  });
});

describe('difference in words', () => {
  test('lighter and darker are opposite, and words never say nothing', () => {
    fc.assert(
      fc.property(lab, lab, (one, two) => {
        const dE = deltaE00(one, two);
        const words = differenceInWords(one, two, dE);
        expect(words.length).toBeGreaterThan(5);
        if (words.includes('lighter')) expect(two[0]).toBeGreaterThan(one[0]);
        if (words.includes('darker')) expect(two[0]).toBeLessThan(one[0]);
        if (words.includes('redder')) expect(two[1]).toBeGreaterThan(one[1]);
        if (words.includes('bluer')) expect(two[2]).toBeLessThan(one[2]);
      }),
    );
  });
  test('a larger difference has the stronger word', () => {
    const words = [1.5, 3, 6, 12, 30].map(
      (step) => differenceInWords([50, 0, 0], [50 + step, 0, 0], deltaE00([50, 0, 0], [50 + step, 0, 0])).split(' ')[0],
    );
    expect(words).toEqual(['barely', 'a', 'clearly', 'much', 'altogether']);
  });
  test('uncertainties combine as the root of the sum of squares', () => {
    expect(combinedSd(3, 4)).toBe(5);
    expect(combinedSd(2)).toBe(2);
  });
});
